# frozen_string_literal: true

require_relative "../../test_helper"

# What differs between an attempt and its reference, each thing planted by itself.
class SideBySideTest < Ethoscope::TestCase
  def song(**options) = DrawnSong.new(**options)

  def beside(attempt, reference: song, **how) = Attempts::SideBySide.new(reference.analysis, attempt.analysis, **how)

  def kinds(...) = beside(...).differences.map { |difference| [difference.kind, difference.role, difference.bars] }

  def only(kind, ...)
    found = beside(...).differences

    assert_equal [kind], found.map(&:kind)
    found.first
  end

  def test_where_nothing_was_changed_nothing_differs
    assert_empty kinds(song(seed: 2))
  end

  def test_another_tempo_is_one_thing_with_what_to_do_about_it
    found = only("tempo", song(seed: 2, bpm: 123.0))

    assert_equal ["120.00 BPM", "123.00 BPM"], [found.reference, found.attempt]
    assert_includes found.how, "Set the tempo to 120.00 BPM."
    assert_empty found.bars
  end

  def test_what_was_meant_is_no_difference
    key = Harmony::Key.named("B", "minor")

    assert_empty kinds(song(seed: 2, bpm: 123.0, up: 2), wishes: Attempts::Wishes.none.with(bpm: 123.0, key:))
    assert_equal %w[key tempo], kinds(song(seed: 2, bpm: 123.0, up: 2)).map(&:first).sort
  end

  def test_a_layer_that_is_left_out_on_purpose_is_not_missing
    without = song(seed: 2).change(1..36) { |bar| bar.kit.delete(:hats) }

    assert_includes kinds(without).map { |kind, role, _| [kind, role] }, %w[layer_missing hats]
    refute_includes kinds(without, wishes: Attempts::Wishes.none.with(left_out: ["hats"])).map { |kind, role, _| [kind, role] }, %w[layer_missing hats]
  end

  def test_a_key_that_misses_the_wanted_one_is_told_from_there
    wishes = Attempts::Wishes.none.with(key: Harmony::Key.named("B", "minor"))
    found = only("key", song(seed: 2, up: 3), wishes:)

    assert_equal ["B minor", "C minor"], [found.reference, found.attempt]
    assert_match(/one semitone higher/, found.words)
  end

  def test_level_and_brightness_are_told_with_their_sign
    quieter = only("level", song(seed: 2, loudness: -18.0))
    darker = only("brightness", song(seed: 2, bright: -8))

    assert_match(/4\.0 LU quieter/, quieter.words)
    assert_match(/darker/, darker.words)
  end

  def test_a_narrower_mix_is_told_in_decibels
    found = only("width", song(seed: 2).change(1..36) { |bar| bar.width /= 8 })

    assert_match(/narrower/, found.words)
    assert_operator found.distance, :>, 8
  end

  def test_swing_differs_beyond_what_it_is_read_to
    assert_equal "50 %", only("swing", song(seed: 2, swing: 0.62)).reference
    assert_empty kinds(song(seed: 2, swing: 0.52))
  end

  def test_another_chord_in_every_turn_of_the_loop_is_one_thing
    attempt = song(seed: 2).tap { |other| [7, 11, 23, 27].each { |number| other.bars[number - 1].chord = "E:min" } }
    found = only("chord", attempt)

    assert_equal [[7, 7], [11, 11], [23, 23], [27, 27]], found.bars
    assert_equal %w[C Em], [found.reference, found.attempt]
    assert_equal ["Play C in bars 7, 11, 23 and 27 (verse)."], found.how
  end

  def test_a_chord_is_told_in_the_key_of_the_attempt
    attempt = song(seed: 2, up: 2).change(7..7) { |bar| bar.chord = "E:min" }
    found = beside(attempt, wishes: Attempts::Wishes.none.with(key: Harmony::Key.named("B", "minor"))).differences

    assert_equal ["chord"], found.map(&:kind)
    assert_match(/F♯m instead of D/, found.first.words)
  end

  def test_a_piece_of_the_kit_that_is_left_out_of_a_section
    found = beside(song(seed: 2).change(21..28) { |bar| bar.kit.delete(:hats) }).differences

    assert_equal([["layer_missing", "hats", [[21, 28]]]], found.map { |difference| [difference.kind, difference.role, difference.bars] })
    assert_match(/hats are missing in bars 21 to 28 \(verse\)/, found.first.words)
    assert_match(/Put the hats in: on 1, 1.5, 2/, found.first.how.first)
  end

  def test_a_piece_of_the_kit_that_the_reference_does_not_have_there
    attempt = song(seed: 2).change(1..4) { |bar| bar.kit[:kick] = [0, 4, 8, 12] }

    assert_includes kinds(attempt), ["layer_extra", "kick", [[1, 4]]]
  end

  def test_other_strokes_are_another_pattern
    found = beside(song(seed: 2).change(5..12) { |bar| bar.kit[:kick] = [0, 3, 6, 10] }).differences.find { |difference| difference.role == "kick" }

    assert_equal "pattern", found.kind
    assert_equal [[5, 12]], found.bars
    assert_includes found.how, "Add strokes on 3."
  end

  # Every stroke counts where notes tell both; two strokes a bar are another pattern, and one in eight bars is none.
  def told(&) = beside(song(seed: 2, told: true).change(5..12, &), reference: song(told: true)).differences.map { |one| [one.kind, one.role, one.bars, one.sure] }

  def test_strokes_that_notes_tell_are_compared_one_by_one
    assert_empty(told { |bar| bar })
    assert_equal([["pattern", "kick", [[5, 12]], 0.99]], told { |bar| bar.kit[:kick] = [0, 10] })
    assert_equal([["layer_missing", "snare", [[5, 12]], 0.99]], told { |bar| bar.kit.delete(:snare) })
  end

  def test_what_notes_know_to_rest_is_not_missing
    attempt = song(seed: 2).change(5..12) { |bar| bar.kit.delete(:hats) }
    resting = song(told: true).change(5..12) { |bar| bar.kit.delete(:hats) }.analysis.to_h[:prints][:told]
    heard = song.analysis.to_h
    reference = Ethoscope::Analysis.new(heard.merge(prints: heard[:prints].merge(told: resting)))

    assert_empty(Attempts::SideBySide.new(reference, attempt.analysis).differences.select { |one| one.role == "hats" && one.kind == "layer_missing" })
  end

  def test_a_technique_of_another_amount
    attempt = song(seed: 2).see("pumping", 13, 20, depth_db: 4.0)
    found = only("technique_amount", attempt, reference: song.see("pumping", 13, 20, depth_db: 12.0))

    assert_equal ["12.0 dB", "4.0 dB"], [found.reference, found.attempt]
    assert_equal ["Set the depth to 12.0 dB."], found.how
  end

  def test_a_sighting_alone_proves_nothing
    assert_empty kinds(song(seed: 2), reference: song.see("riser", 20, 20).see("filtered_section", 1, 4))
  end

  def test_a_dull_section_that_stays_bright
    reference = song.see("filtered_section", 5, 12, cutoff_hz: 700).analysis.to_h
    dull = ->(beat) { beat.each_with_index.map { |level, band| band > 5 ? level - 14 : level } }
    bands = reference[:prints][:bands].each_with_index.map { |beats, bar| bar.between?(4, 11) ? beats.map(&dull) : beats }
    reference = Ethoscope::Analysis.new(reference.merge(prints: reference[:prints].merge(bands:)))
    found = Attempts::SideBySide.new(reference, song(seed: 2).analysis).differences.find { |one| one.technique == "filtered_section" }

    assert_equal [[5, 12]], found.bars
    assert_equal "technique_missing", found.kind
  end

  def test_a_bass_that_rests
    found = beside(song(seed: 2).change(29..36) { |bar| bar.bass = false }).differences

    assert_equal([["layer_missing", "bass", [[29, 36]]]], found.map { |difference| [difference.kind, difference.role, difference.bars] })
  end

  def test_drums_that_play_on_where_the_reference_lets_them_drop
    reference = song.change(12..12) { |bar| bar.kit = {} }
    found = beside(song(seed: 2), reference:).differences.find { |difference| difference.kind == "technique_missing" }

    assert_equal ["drum_drop", [[12, 12]]], [found.technique, found.bars]
    assert_equal 3, found.how.size
  end

  def test_a_section_cut_short_is_told_once
    found = beside(song(seed: 2).edit { |bars| bars.first(16) + bars.drop(20) }).differences

    assert_equal([["form", [[17, 20]]]], found.map { |difference| [difference.kind, difference.bars] })
  end

  def test_the_end_of_an_attempt_at_a_part_is_no_fault
    assert_empty kinds(song(seed: 2).edit { |bars| bars.first(20) })
  end

  def test_songs_that_do_not_lie_on_each_other_are_not_compared
    other = song(form: [["bridge", 28]], seed: 3).change(1..28) { |bar| bar.kit = { kick: [3, 6, 11], snare: [7, 15] } }

    assert_empty beside(other).differences
    assert_match(/can.t be aligned/, beside(other).to_h[:alignment][:refused])
  end

  def test_the_worst_bars_are_those_in_which_most_differs
    attempt = song(seed: 2).change(21..28) { |bar| bar.kit.delete(:hats) }.change(23..23) { |bar| bar.chord = "F#:min" }
    worst = beside(attempt).worst

    assert_equal 23, worst.first[:bar]
    assert_equal 8, worst.size
    assert_equal 2, worst.first[:why].size
  end

  def test_it_is_told_as_markdown
    text = Export::ComparisonMarkdown.write(beside(song(seed: 2, bpm: 123.0)).to_h, reference: "Old Song", attempt: "Attempt 3")

    assert_match(/\A# Attempt 3 against Old Song$/, text)
    assert_includes text, "36 of 36 bars are aligned, at 120.00 and 123.00 BPM, in the same key"
    assert_includes text, "- **Yours is faster: 123.00 BPM, not 120.00 BPM.**"
  end

  def test_analyses_of_an_older_engine_can_not_be_laid
    old = Ethoscope::Analysis.from_h(song.analysis.to_h.except(:prints))
    error = assert_raises(Errors::Unfit) { Attempts::SideBySide.new(old, song.analysis) }

    assert_match(/older engine/, error.message)
  end
end
