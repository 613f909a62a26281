# frozen_string_literal: true

require_relative "../test_helper"

# The built front end, as it is served.
class PagesTest < Ethoscope::TestCase
  include Application

  PUBLIC = Api::Pages::PUBLIC

  def test_scripts_styles_and_fonts_come_with_the_application
    page = fetch("/").body
    files = page.scan(/(?:src|href)="([^"]+)"/).flatten

    assert_operator files.size, :>=, 3
    files.each do |file|
      assert_operator file, :start_with?, "/"
      assert_equal 200, fetch(file).status, file
    end
  end

  def test_scripts_are_small_and_sent_packed_and_a_page_has_its_own
    first = fetch("/").body[/src="([^"]+)"/, 1]
    whole = fetch(first).body.bytesize
    get(first, {}, "HTTP_HOST" => "127.0.0.1", "HTTP_ACCEPT_ENCODING" => "gzip")

    assert_equal "gzip", last_response["content-encoding"]
    assert_operator last_response.body.bytesize, :<, whole / 2
    assert(Dir.glob(File.join(PUBLIC, "assets", "*.js")).all? { |path| File.size(path) < 300_000 })
    assert_operator Dir.glob(File.join(PUBLIC, "assets", "*Screen-*.js")).size, :>, 15
  end

  def test_no_style_fetches_anything_from_elsewhere
    styles = Dir.glob(File.join(PUBLIC, "assets", "*.css"))

    refute_empty styles
    styles.each { |path| assert_empty File.read(path).scan(%r{url\((?:["']?)(?!/assets/)[^)]*\)}), path }
  end

  def test_pages_hold_no_script_or_style_of_their_own
    page = fetch("/").body

    refute_match(/<script(?![^>]*\bsrc=)/, page)
    refute_match(/<style|\sstyle=/, page)
  end

  def test_files_whose_name_holds_their_content_are_kept_and_the_page_is_not
    script = fetch("/").body[/src="([^"]+)"/, 1]

    assert_match(/max-age=31536000/, fetch(script)["cache-control"])
    assert_match(/javascript/, last_response.media_type)
    assert_equal "no-store", fetch("/studies/5")["cache-control"]
  end

  def test_all_four_type_families_are_there
    %w[newsreader hanken-grotesk spline-sans-mono noto-music].each do |family|
      refute_empty Dir.glob(File.join(PUBLIC, "assets", "#{family}*.woff2")), family
    end
  end

  private

  def fetch(path)
    get(path, {}, "HTTP_HOST" => "127.0.0.1")
    last_response
  end
end
