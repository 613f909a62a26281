# frozen_string_literal: true

require_relative "../test_helper"

# Dependencies run one way: web, api, store and jobs, core.
class LayersOfCodeTest < Ethoscope::TestCase
  ROOT = File.expand_path("../..", __dir__)
  OUTWARD = /\b(Sinatra|Rack|Puma|Sequel|SQLite3|Api|Store|Jobs|Cli)\b|["'](sinatra|rack|puma|sequel|sqlite3)/

  def test_the_core_refers_to_no_web_no_store_and_no_front_end
    offenders = sources("lib").select { |_, code| code.match?(OUTWARD) }.map(&:first)

    assert_empty offenders
  end

  def test_the_core_opens_no_file_that_it_was_not_handed
    offenders = sources("lib").select { |_, code| code.match?(/\b(Dir\.|File\.(write|open)|ENV\b)/) }.map(&:first)

    assert_empty offenders
  end

  def test_the_store_knows_neither_api_nor_jobs
    offenders = sources("app/store").select { |_, code| code.match?(/\b(Sinatra|Rack|Api|Jobs|Cli)\b/) }.map(&:first)

    assert_empty offenders
  end

  def test_background_work_does_not_know_the_api
    offenders = sources("app/jobs").select { |_, code| code.match?(/\b(Sinatra|Rack|Api|Cli)\b/) }.map(&:first)

    assert_empty offenders
  end

  def test_signal_knows_no_music
    offenders = sources("lib/ethoscope/signal").select { |_, code| code.match?(/\b(Rhythm|Harmony|Form|Layers|Techniques|Profile)\b/) }.map(&:first)

    assert_empty offenders
  end

  def test_what_rests_on_results_never_touches_audio
    offenders = sources("lib/ethoscope/{profile,checklist,readings,annotations,calculators,export,midi}").select { |_, code| code.match?(/\b(Audio|Signal|Numo)\b/) }.map(&:first)

    assert_empty offenders
  end

  def test_all_classes_load
    assert_silent { Zeitwerk::Registry.loaders.each(&:eager_load) }
  end

  private

  # Code without its comments, by path.
  def sources(folder)
    Dir.glob(File.join(ROOT, folder, "**", "*.rb")).map { |path| [path, File.read(path).gsub(/^\s*#.*$/, "")] }
  end
end
