# frozen_string_literal: true

require_relative "../test_helper"

# A profile's list in the key and tempo that are wanted, with a word where those lie outside the style.
class OutsideTest < Ethoscope::TestCase
  Key = Ethoscope::Harmony::Key

  def songs = %w[A D E].map { |tonic| Fixture.song("in #{tonic}", key: Fixture.key(tonic, "minor"), tempo: Fixture.tempo(72.0)) }

  def plan(**wanted) = Ethoscope::Checklist::Plan.of_profile(songs, wanted:).items

  def titles(**wanted) = plan(**wanted).map(&:title).grep(/outside/)

  def test_a_tempo_and_a_mode_that_the_songs_do_not_have_are_told
    assert_equal ["The tempo lies outside the style", "The mode lies outside the style"], titles(bpm: 100.0, key: Key.named("C", "major"))
    assert_match(/\A3 of 3 songs lie between 72\.0 and 72\.0 BPM/, plan(bpm: 100.0).first.steps.first)
  end

  def test_what_lies_within_is_not_told_whatever_octave_it_is_counted_in
    assert_empty titles(bpm: 143.0, key: Key.named("F", "minor"))
    assert_empty titles
  end

  def test_the_loop_is_spelled_in_the_key_that_is_wanted
    same = Array.new(3) { |i| Fixture.song("song #{i}") }
    loop = Ethoscope::Checklist::Plan.of_profile(same, wanted: { key: Key.named("G", "minor") }).items.find { |item| item.title == "Loop" }

    assert_match(/\AIn G minor: /, loop.steps.first)
  end

  def test_degrees_are_spelled_in_a_key
    key = Key.named("G", "minor")

    assert_equal(%w[Gm E♭ B♭ F Cm D], %w[i ♭VI ♭III ♭VII iv V].map { |numeral| Ethoscope::Harmony::Degree.symbol(numeral, key) })
    assert_equal(%w[D Em F♯m C♯], %w[I ii iii VII].map { |numeral| Ethoscope::Harmony::Degree.symbol(numeral, Key.named("D", "major")) })
  end
end
