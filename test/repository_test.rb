# frozen_string_literal: true

require_relative "test_helper"
require "pathname"

# Promises about the repository itself.
class RepositoryTest < Ethoscope::TestCase
  ROOT = File.expand_path("..", __dir__)
  # Spelled in parts, so that this file names none.
  REGISTRIES = [%w[rubygems org], %w[registry npmjs org], %w[deb debian org], %w[npmjs com]].map { |parts| parts.join(".") }.freeze

  def test_every_public_method_of_the_core_has_a_docstring
    missing = Dir.glob(File.join(ROOT, "lib", "**", "*.rb")).flat_map { |path| undocumented(path).map { |name| "#{File.basename(path)}: #{name}" } }

    assert_empty missing
  end

  def test_every_class_of_the_core_says_what_it_is
    missing = Dir.glob(File.join(ROOT, "lib", "**", "*.rb")).reject do |path|
      lines = File.readlines(path)
      lines.each_cons(2).any? { |comment, line| line.match?(/^\s*(class|module|[A-Z]\w+ = )/) && comment.match?(/^\s*#/) }
    end

    assert_empty missing
  end

  def test_no_file_names_a_registry
    offenders = tracked.reject { |path| path.end_with?("Gemfile.lock", "package-lock.json") }.select do |path|
      text = File.binread(File.join(ROOT, path))
      REGISTRIES.any? { |host| text.include?(host) }
    end

    assert_empty offenders
  end

  def test_the_npm_lock_holds_no_addresses
    refute_includes File.read(File.join(ROOT, "web", "package-lock.json")), "\"resolved\""
  end

  def test_what_the_readme_links_to_is_there
    links = File.read(File.join(ROOT, "README.md")).scan(/\]\(([^)#]+)\)/).flatten

    assert_operator links.size, :>, 10
    assert_empty(links.reject { |link| File.exist?(File.join(ROOT, link)) })
  end

  def test_every_picture_is_shown_somewhere_and_there_are_few
    pictures = Dir.glob(File.join(ROOT, "docs", "screenshots", "*.png")).map { |path| File.basename(path) }
    readme = File.read(File.join(ROOT, "README.md"))

    assert_includes 1..19, pictures.size
    assert_empty(pictures.reject { |name| readme.include?(name) })
  end

  def test_scripts_can_be_run
    %w[setup demo start test ethoscope analysis-worker].each { |name| assert_predicate Pathname.new(ROOT).join("bin", name), :executable?, name }
    assert_includes File.read(File.join(ROOT, ".ci", "run")), "bin/test"
  end

  private

  def tracked = IO.popen(["git", "-C", ROOT, "ls-files"], &:readlines).map(&:chomp)

  # Names of methods without a comment above them, but those that are private and those that every object has.
  def undocumented(path)
    lines = File.readlines(path)
    hidden = lines.join.scan(/private_class_method :([\w?!]+)/).flatten
    open_part = lines.take_while { |line| !line.match?(/^\s*private$/) }
    open_part.each_with_index.filter_map do |line, i|
      name = line[/^\s*def (?:self\.)?([\w?=!]+)/, 1] or next
      name unless open_part[i - 1].match?(/^\s*#/) || hidden.include?(name) || %w[initialize to_s].include?(name) || line.include?("def ==")
    end
  end
end
