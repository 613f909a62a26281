# frozen_string_literal: true

require_relative "../../test_helper"

# Sections, bands and registers of the sound.
class BalanceTest < Ethoscope::TestCase
  def differences(attempt, reference: DrawnSong.new) = Attempts::SideBySide.new(reference.analysis, attempt.analysis).differences

  def kinds(...) = differences(...).map(&:kind)

  def test_a_section_that_is_louder_against_the_rest
    found = differences(DrawnSong.new(seed: 2).change(13..20) { |bar| bar.level += 4 })

    assert_equal([["section_level", [[13, 20]]]], found.map { |one| [one.kind, one.bars] })
    assert_equal "Against the rest, bars 13 to 20 (chorus) of yours stand 4.0 LU higher.", found.first.words
    assert_equal ["mix.level", "LU"], [found.first.measure, found.first.unit]
  end

  def test_a_song_that_is_louder_throughout_has_no_louder_section
    assert_empty kinds(DrawnSong.new(seed: 2).change(1..36) { |bar| bar.level += 4 })
  end

  def test_a_section_that_stays_narrow
    told = differences(DrawnSong.new(seed: 2).change(29..36) { |bar| bar.width = 0.02 })
    found = told.flat_map { |one| [one, *one.under] }.find { |one| one.kind == "section_width" }

    assert_equal [[29, 36]], found.bars
    assert_match(/narrower by 1\d\.\d dB at the sides/, found.words)
  end

  def test_a_low_end_that_is_wide_is_told_by_its_register
    found = differences(DrawnSong.new(seed: 2).sides(low_end: 0.2), reference: DrawnSong.new.sides(low_end: 0.0))

    assert_equal ["width_band"], found.map(&:kind)
    assert_equal "The low end of yours is wider: 20 % of its energy at the sides, not 0 %.", found.first.words
    assert_includes found.first.how, "Narrow the low end to 0 % at the sides."
  end

  def test_what_lies_within_what_such_places_repeat_to_is_no_difference
    assert_empty kinds(DrawnSong.new(seed: 2).sides(middle: 0.3), reference: DrawnSong.new.sides(middle: 0.1))
    assert_empty kinds(DrawnSong.new(seed: 2).change(13..20) { |bar| bar.level += 2 })
  end

  def test_bands_beside_each_other_are_one_thing_and_hang_under_brightness
    bright = differences(DrawnSong.new(seed: 2, bright: 16))

    assert_equal ["brightness"], bright.map(&:kind)
    assert_equal(["spectrum"], bright.first.under.map(&:kind))
    assert_match(/\AYours has 1\d\.\d dB more of 2\.9 to 20\.0 kHz\.\z/, bright.first.under.first.words)
  end

  def test_a_section_that_is_quieter_because_a_layer_is_missing_is_told_once
    found = differences(DrawnSong.new(seed: 2).change(13..20) do |bar|
      bar.kit.delete(:kick)
      bar.level -= 4
    end)

    assert_equal ["layer_missing"], found.map(&:kind)
    assert_equal(["section_level"], found.first.under.map(&:kind))
  end

  def test_edges_of_bands_are_told_in_hertz
    assert_equal "90 to 360 Hz", Attempts::SoundPlaces.named([[89.1, 178.2], [178.2, 356.4]])
    assert_equal "710 Hz to 1.4 kHz", Attempts::SoundPlaces.named([[712.8, 1425.5]])
    assert_equal "low end", Attempts::SoundPlaces.named(["low end"])
  end
end
