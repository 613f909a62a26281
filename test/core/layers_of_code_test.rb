# frozen_string_literal: true

require_relative "../test_helper"

# Dependencies run one way: web, api, store and jobs, core.
class LayersOfCodeTest < Ethoscope::TestCase
  ROOT = File.expand_path("../..", __dir__)
  OUTWARD = /\b(Sinatra|Rack|Puma|Sequel|SQLite3|Api|Store|Work(?=::)|Jobs|Cli)\b|["'](sinatra|rack|puma|sequel|sqlite3)/

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

  def test_use_cases_know_no_web
    offenders = sources("app/work").select { |_, code| code.match?(/\b(Sinatra|Rack|Api|Jobs|Cli)\b/) }.map(&:first)

    assert_empty offenders
  end

  def test_the_demo_is_seeded_without_the_web
    refute_match(/\bApi\b/, File.read(File.join(ROOT, "demo/seed.rb")))
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
    rooms = "{profile,checklist,readings,sheet,measures,calculators,export,midi}"
    offenders = sources("lib/ethoscope/#{rooms}").select { |_, code| code.match?(/\b(Audio|Signal(?!::(Middle|TwoMeans))|Numo)\b/) }.map(&:first)

    assert_empty offenders
  end

  def test_attempts_are_held_against_references_without_their_sound
    offenders = sources("lib/ethoscope/attempts").select { |_, code| code.match?(/\b(Audio|Engine|Signal(?!::(Network|WeightTable|Middle)))\b/) }.map(&:first)

    assert_empty offenders
  end

  # Which rooms of the core may know of which: those that a folder builds on. What is not named is plain help (values, errors, forms).
  ROOMS = {
    # The middle of a few figures, and two groups of them, are everybody's.
    "signal" => [], "ear" => %w[Signal], "audio" => %w[Signal], "rhythm" => %w[Signal], "harmony" => %w[Signal], "form" => %w[Signal Rhythm Harmony],
    "layers" => %w[Signal Rhythm Harmony Form], "midi" => %w[Layers Harmony Rhythm], "stems" => %w[Signal Audio Rhythm Harmony Form Layers],
    "ensemble" => %w[Signal Audio Rhythm Harmony Form Layers Stems Midi], "techniques" => %w[Signal Audio Rhythm Harmony Form Layers Stems Midi Ensemble],
    "engine" => %w[Signal Audio Rhythm Harmony Form Layers Stems Midi Ensemble Techniques Schema], "schema" => %w[Signal Audio Rhythm Harmony Form Layers Techniques],
    "readings" => %w[Rhythm Harmony Layers], "sheet" => %w[Rhythm Harmony Form Layers Readings], "measures" => %w[Rhythm Harmony Form Layers Readings Sheet],
    "profile" => %w[Rhythm Harmony Form Layers Readings Techniques Measures], "checklist" => %w[Rhythm Harmony Readings Techniques Measures Profile],
    "attempts" => %w[Signal Rhythm Harmony Layers Readings Techniques Measures Profile], "export" => %w[Rhythm Harmony Readings Midi Measures],
    "calculators" => %w[Rhythm Harmony Readings Measures],
    "contract" => %w[Rhythm Harmony Form Layers Readings Techniques Sheet Measures Profile Checklist Attempts Export]
  }.freeze

  def test_each_room_of_the_core_knows_only_what_it_is_built_on
    names = ROOMS.keys.map(&:capitalize)
    ROOMS.each do |folder, allowed|
      known = sources("lib/ethoscope/#{folder}").flat_map do |_, code|
        code.gsub(/Signal::(Middle|TwoMeans)/, "").scan(/(?<![\w:])(?:Ethoscope::)?(#{names.join("|")})(?=::|\.)/).flatten
      end.uniq

      assert_empty known - allowed - [folder.capitalize], folder
    end
  end

  def test_every_folder_of_the_core_is_a_room
    assert_equal ROOMS.keys.sort, Dir.children(File.join(ROOT, "lib/ethoscope")).select { |name| File.directory?(File.join(ROOT, "lib/ethoscope", name)) }.sort
  end

  # The exports that hand over an analysis, or its very notes, as they are read it, of course.
  AS_IT_IS = %w[analysis_json.rb played_midi.rb labels.rb].freeze

  def test_profile_checklist_and_exports_read_songs_through_measures_only
    offenders = sources("lib/ethoscope/{profile,checklist,export}").select do |path, code|
      !path.end_with?(*AS_IT_IS) && code.match?(/\b(Analysis|Sheet|Engine)\b|\.data\b|\.analysis\b|to_h\[/)
    end

    assert_empty offenders.map(&:first)
  end

  def test_each_detector_is_in_a_file_named_after_its_kind_and_has_an_entry
    Techniques::Library.detectors.each do |detector|
      assert_path_exists File.join(ROOT, "lib/ethoscope/techniques/detectors/#{detector::KIND}.rb")
      refute_nil Techniques::Library.entry(detector::KIND), detector::KIND
    end
  end

  # A year, a chapter, a standard, or a word that it is nobody else's.
  NAMED_SOURCE = /\bISO \d|\b(1[89]|20)\d\d\b|\bch\. \d|BS\.1770|[Oo]ur own|General MIDI|MIREX|Kostka|Standard MIDI|ffmpeg/

  def test_whatever_works_something_out_names_its_source_or_says_that_it_is_our_own
    rooms = "{signal,ear,audio,rhythm,harmony,form,layers,stems,ensemble,engine,midi,techniques,measures,profile,calculators}"
    silent = Dir.glob(File.join(ROOT, "lib/ethoscope/#{rooms}/**/*.rb")).reject do |path|
      text = File.read(path)
      !text.match?(/^\s*def /) || text.lines.grep(/^\s*#/).join.match?(NAMED_SOURCE)
    end

    assert_empty silent
  end

  # Classes of one short name get names that tell them apart. Families of measures and stages of a plan are lists of their own.
  def test_no_two_rooms_have_a_class_of_one_name
    files = Dir.glob(File.join(ROOT, "lib/ethoscope/*/*.rb"))
    twice = files.group_by { |path| File.basename(path) }.select { |_, paths| paths.size > 1 }

    assert_empty twice.keys
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
