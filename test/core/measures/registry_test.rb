# frozen_string_literal: true

require_relative "../../test_helper"

# What every measure must do, whatever it measures.
class MeasuresRegistryTest < Ethoscope::TestCase
  # Away to a slower and higher track, and back.
  AWAY = { bpm: 61.5, key: Harmony::Key.named("B", "minor") }.freeze
  NEAR = 1e-6
  # Songs differ in what they have: some are not swung, not programmed, or have no loop.
  SOMETIMES = %w[groove.feel harmony.loop].freeze
  # A song whose pattern never changes.
  MISSED = { "groove.departures" => %w[copper_weather] }.freeze
  # What only stems show; see StemWordsTest.
  OF_STEMS = %w[layers.sound].freeze
  DOCUMENT = File.expand_path("../../../docs/measures.md", __dir__)

  def vectors = @vectors ||= DemoSongs.sheets.transform_values { |analysis| Measures::Vector.of(analysis) }

  def each_value
    vectors.each { |song, vector| vector.all.each { |measured| yield Measures::Registry.fetch(measured.measure), measured, "#{measured.measure} of #{song}" } }
  end

  def test_each_is_read_from_each_demo_song
    (Measures::Registry.all.map(&:id) - SOMETIMES - OF_STEMS).each do |id|
      assert_equal MISSED.fetch(id, []), vectors.select { |_, vector| vector.of(id).empty? }.keys, id
    end
    SOMETIMES.each { |id| refute_empty(vectors.reject { |_, vector| vector.of(id).empty? }, id) }
  end

  def test_none_could_not_be_read
    DemoSongs.sheets.each_value do |analysis|
      gaps = Ethoscope::Gaps.new
      Measures::Vector.of(analysis, gaps:)

      assert_empty gaps.list
    end
  end

  def test_nothing_is_away_from_itself
    each_value { |measure, measured, name| assert_in_delta 0.0, measure.distance(measured.value, measured.value), NEAR, name }
  end

  def test_what_is_restated_there_and_back_is_the_same
    restatements = vectors.transform_values { |vector| Measures::Restatement.of(vector, **AWAY) }
    vectors.each do |song, vector|
      vector.all.each do |measured|
        measure = Measures::Registry.fetch(measured.measure)
        back = measure.restate(measure.restate(measured.value, restatements[song]), restatements[song].inverse)

        assert_in_delta 0.0, measure.distance(measured.value, back), NEAR, "#{measured.measure} of #{song}"
      end
    end
  end

  def test_what_moves_is_elsewhere_in_another_tempo_and_key
    %w[time.tempo time.duration harmony.key harmony.chords harmony.voicings].each do |id|
      vector = vectors.values.first
      measure = Measures::Registry.fetch(id)
      value = vector.of(id).first.value

      assert_operator measure.distance(value, measure.restate(value, Measures::Restatement.of(vector, **AWAY))), :>, 0, id
    end
  end

  def test_each_is_worded_without_an_empty_or_a_doubled_word
    each_value do |measure, measured, name|
      words = measure.words(measured.value)

      refute_empty words.strip, name
      refute_match(/\A\s|\s\z|\s\s|\bnil\b|[{}]/, words, name)
      refute_match(/\b([[:alpha:]]{4,})\s+\1\b/, words, name)
    end
  end

  def test_sources_and_confidence_are_told
    each_value do |_, measured, name|
      assert_includes Measures::Measured::SOURCES, measured.source, name
      assert_includes 0.0..1.0, measured.confidence, name
    end
  end

  def test_ids_are_of_their_family_and_stand_once
    ids = Measures::Registry.all.map(&:id)

    assert_equal ids.uniq, ids
    Measures::Registry.families.each { |family| assert_equal [family.name.split("::").last.downcase], family::MEASURES.map(&:family).uniq }
    assert_operator ids.size, :>=, 25
  end

  def test_stages_and_readings_are_known_ones
    stages = Ethoscope::Checklist::Plan::STAGES.map { |stage| stage::NAME }
    readings = Ethoscope::Readings::Reader::ASPECTS + %w[layers techniques marks]
    Measures::Registry.all.each do |measure|
      assert_includes [nil, *stages], measure.stage, measure.id
      assert_empty measure.rests_on - readings, measure.id
    end
  end

  def test_a_vector_is_kept_and_read_back
    vectors.each_value do |vector|
      assert_equal vector, Measures::Vector.from_h(JSON.parse(JSON.generate(vector.to_h), symbolize_names: true))
    end
  end

  def test_the_documentation_is_that_of_the_registry
    page = File.read(DOCUMENT)

    assert_equal Measures::RegistryPage.page, page, "docs/measures.md is not up to date: rake docs:measures"
    Measures::Registry.all.each { |measure| assert_includes page, "`#{measure.id}`" }
  end
end
