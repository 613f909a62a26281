# frozen_string_literal: true

require_relative "../test_helper"

# What is measured once, kept in a file, and derived from again with corrections.
class FeaturesTest < Ethoscope::TestCase
  def features = @features ||= Ethoscope::Engine::Features.of(Fixture.band.recording)

  def kept
    path = File.join(folder, "song.features")
    Store::FeaturesFile.write(features, path)
    path
  end

  def test_kept_features_give_the_same_analysis
    assert_equal Ethoscope::Engine::Pipeline.new(features).analysis, Ethoscope::Engine::Pipeline.new(Store::FeaturesFile.read(kept)).analysis
  end

  def test_a_file_that_is_missing_or_cut_off_or_of_another_layout_is_not_read
    path = kept
    File.truncate(path, File.size(path) - 100)

    assert_nil Store::FeaturesFile.read(path)
    assert_nil Store::FeaturesFile.read(File.join(folder, "nothing"))
    File.write(path, %({"layout":0}\n))

    assert_nil Store::FeaturesFile.read(path)
  end

  def test_a_tempo_that_a_person_sets_is_the_tempo
    half = derived(bpm: 50.0)

    assert_in_delta 50.0, half.fetch(:tempo)[:bpm], 0.05
    assert_equal((Fixture.analysis.bars / 2.0).round, half.bars)
  end

  def test_a_meter_that_a_person_sets_is_the_meter
    assert_equal "3/4", derived(meter: "3/4").fetch(:meter)
    assert_equal "2/4", derived(meter: "2/4").fetch(:meter)
  end

  def test_a_downbeat_that_a_person_sets_moves_the_bars
    third = Fixture.analysis.fetch(:beats)[2]

    assert(derived(first_downbeat: third).fetch(:downbeats).any? { |time| (time - third).abs < 0.02 })
  end

  def test_a_key_that_a_person_sets_names_the_degrees_and_the_engines_own_becomes_a_rival
    analysis = derived(key: { tonic: "C", mode: "major" })

    assert_equal %w[C major], analysis.fetch(:key).values_at(:tonic, :mode)
    assert_includes analysis.fetch(:chords).map { |chord| chord[:degree] }, "vi"
    assert_includes analysis.fetch(:key)[:rivals].map { |rival| rival.values_at(:tonic, :mode) }, %w[A minor]
  end

  def test_corrections_that_make_no_sense_are_refused
    assert_raises(Ethoscope::Errors::Unfit) { Ethoscope::Corrections.of(bpm: 4) }
    assert_raises(Ethoscope::Errors::Unfit) { Ethoscope::Corrections.of(meter: "9/5") }
    assert_raises(Ethoscope::Errors::Unfit) { Ethoscope::Corrections.of(key: { tonic: "H", mode: "major" }) }
  end

  private

  def derived(**corrections) = Ethoscope::Analysis.of(features:, corrections: Ethoscope::Corrections.of(**corrections))
end
