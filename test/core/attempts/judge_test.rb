# frozen_string_literal: true

require_relative "../../test_helper"

# What becomes of a checklist's items, and what both songs show on one sheet.
class JudgeTest < Ethoscope::TestCase
  def setup
    @reference = DrawnSong.new.analysis
  end

  def judged(attempt, wishes: Attempts::Wishes.none)
    attempt = attempt.analysis
    Attempts::Judge.new(Attempts::SideBySide.new(@reference, attempt, wishes:), attempt, wishes, @reference)
  end

  def target(measure, value, tolerance: 1, **place)
    Measures::Target.new(measure:, place: Measures::Place.song.with(**place), value:, tolerance:, source: "mix", confidence: 1.0, holds: nil)
  end

  def tempo = target("time.tempo", { bpm: 120.0 }, tolerance: 0.5)

  def hats(first, bars) = target("layers.plays", "full", tolerance: 0, role: "hats", first_bar: first, bars:)

  def test_a_tempo_that_is_reached_is_exact_and_one_that_is_not_is_missing
    assert_equal "exact", judged(DrawnSong.new(seed: 2)).of([tempo]).closeness
    missed = judged(DrawnSong.new(seed: 2, bpm: 126.0)).of([tempo])

    assert_equal "missing", missed.closeness
    assert_equal ["Yours is faster: 126.00 BPM, not 120.00 BPM."], missed.words
    assert_equal "126.00 BPM", missed.targets.first.there
  end

  def test_what_comparing_finds_no_difference_in_is_near_enough
    far = target("mix.loudness", -20.0, tolerance: 0.5)

    assert_equal "close", judged(DrawnSong.new(seed: 2)).of([far]).closeness
  end

  def test_a_layer_that_is_missing_keeps_only_its_own_bars_open
    judge = judged(DrawnSong.new(seed: 2).change(21..28) { |bar| bar.kit.delete(:hats) })

    assert_equal "missing", judge.of([hats(21, 8)]).closeness
    assert_includes %w[exact close], judge.of([hats(5, 8)]).closeness
  end

  def test_what_is_measured_by_section_is_measured_over_the_reference_s_sections
    attempt = DrawnSong.new(seed: 2, form: [["intro", 8], ["verse", 28]])
    attempt.bars.zip(DrawnSong.new.bars) { |bar, other| other.each_pair { |name, value| bar[name] = value } }
    levels = [[1, 4, -16.0], [13, 8, -12.0]].map { |first_bar, bars, level| target("mix.level", level, first_bar:, bars:) }

    assert_equal(%w[exact exact], judged(attempt).of(levels).targets.map(&:closeness))
  end

  def test_one_chord_of_many_is_in_the_ballpark
    judge = judged(DrawnSong.new(seed: 2).change(7..7) { |bar| bar.chord = "E:min" })
    chords = target("harmony.chords", [], first_bar: 5, bars: 8)

    assert_equal "ballpark", judge.of([chords]).closeness
  end

  def test_the_worst_target_speaks_for_the_item
    assert_equal "missing", judged(DrawnSong.new(seed: 2, bpm: 126.0)).of([tempo, target("mix.loudness", -14.0)]).closeness
  end

  def test_what_only_the_ear_can_tell_has_no_verdict
    verdict = judged(DrawnSong.new(seed: 2)).of([target("layers.card", { sound: "dark" }, role: "bass")])

    assert_nil verdict.closeness
    assert_empty verdict.targets
  end

  def test_nothing_is_judged_where_nothing_is_laid
    other = DrawnSong.new(form: [["bridge", 28]], seed: 3).change(1..28) { |bar| bar.kit = { kick: [3, 6, 11], snare: [7, 15] } }

    assert_nil judged(other).of([tempo]).closeness
  end

  def inks(attempt)
    attempt = attempt.analysis
    Attempts::TwoInks.new(Attempts::SideBySide.new(@reference, attempt), @reference, attempt).to_h
  end

  def test_both_songs_lie_on_the_bars_of_the_reference
    sheet = inks(DrawnSong.new(seed: 2, bpm: 126.0).edit { |bars| bars.first(16) + bars.drop(20) })

    assert_equal 36, sheet[:bars].size
    assert_nil sheet[:bars][17][:attempt]
    assert_equal 17, sheet[:bars][20][:attempt][:bar]
    assert_nil sheet[:energy][:attempt][17]
    assert_equal(%w[kick snare hats bass], sheet[:layers].map { |layer| layer[:role] })
    assert_equal "4/4", sheet[:meter]
  end

  def test_chords_of_the_attempt_stand_in_the_key_of_the_reference
    sheet = inks(DrawnSong.new(seed: 2, up: 3))

    assert_equal(["Am"], sheet[:chords][:attempt][4].map { |chord| chord[:symbol] })
    assert_equal sheet[:chords][:reference][6], sheet[:chords][:attempt][6]
  end

  def test_bars_that_only_the_attempt_has_are_an_inset
    sheet = inks(DrawnSong.new(seed: 2).edit { |bars| bars.first(12) + bars[4...8] + bars.drop(12) })

    assert_equal(4, sheet[:inserted].sum { |run| run[:last] - run[:first] + 1 })
  end
end
