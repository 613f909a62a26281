# frozen_string_literal: true

require_relative "../test_helper"

# Patterns, notes and chords as a checklist writes them down: what returns once, then the bars that differ.
class WordingTest < Ethoscope::TestCase
  Checklist = Ethoscope::Checklist
  Place = Ethoscope::Measures::Place

  def wording(meter = "4/4", key = Harmony::Key.named("Eb", "major")) = Checklist::Wording.new(meter, key)

  def grid(*bars, steps: 16)
    hits = bars.flat_map { |strokes| Array.new(steps) { |step| strokes.fetch(step, 0.0) } }
    { steps:, bars: bars.size, hits: hits.map { |hit| hit.positive? ? 1.0 : 0.0 }, velocities: hits }
  end

  def note(bar, beat, pitch, beats = 1.0) = { bar:, beat:, beats:, pitch: }

  def place(first_bar, bars, label = "verse") = Place.of_section(label:, letter: "A", first_bar:, bars:)

  def test_strokes_are_told_by_beat_with_the_soft_ones_marked
    assert_equal ["on 1, 2.5 (soft), 3", "rests"], wording.strokes(grid({ 0 => 1.0, 6 => 0.3, 8 => 0.9 }, {}))
    assert_equal ["on 1, 2"], wording("6/8").strokes(grid({ 0 => 1.0, 6 => 1.0 }, steps: 12))
  end

  def test_notes_that_return_are_written_once_and_bars_that_differ_after_them
    notes = [*(1..8).map { |bar| note(bar, 1.0, bar.odd? ? 39 : 46, 2.0) }, note(8, 4.5, 50, 0.5)]

    assert_equal ["bar 5: E♭2 on 1 for 2", "bar 6: B♭2 on 1 for 2", "bar 12 instead: B♭2 on 1 for 2, D3 on 4.5 for 0.5"], wording.notes(notes, place(5, 8))
    assert_equal "verse, bars 5 to 12, the same every 2 bars.", wording.heading(wording.places_of(notes, 8), [place(5, 8)])
  end

  def test_places_are_told_as_one_would_write_them
    assert_equal(%w[1 2.5 3.75 1.67 2.33 4], [1.02, 2.52, 3.74, 1.65, 2.34, 3.98].map { |beat| Checklist::Wording.beat(beat) })
    assert_equal ["bar 1: C2 on 1 for 0.25"], wording.notes([note(1, 1.01, 36, 0.05)], place(1, 1))
  end

  def test_lengths_alone_make_no_other_bar
    assert_equal ["bar 1: C2 on 1 for 0.5"], wording.notes((1..4).map { |bar| note(bar, 1.0, 36, bar / 2.0) }, place(1, 4))
  end

  def test_notes_that_never_return_are_written_bar_by_bar
    assert_equal ["bar 1: C2 on 1 for 1", "bar 3: D2 on 2 for 1"], wording.notes([note(1, 1.0, 36), note(3, 2.0, 38)], place(1, 3))
  end

  def test_a_chord_that_is_held_over_is_said_to_be
    chords = [{ bar: 1, beat: 1.0, beats: 8.0, symbol: "Cm" }, { bar: 3, beat: 3.0, beats: 2.0, symbol: "F7" }]

    assert_equal ["bars 9 to 11: Cm on 1 for 8 | held on | F7 on 3 for 2"], wording.chords(chords, place(9, 3))
  end

  def test_places_are_named_throughout_or_by_their_kinds
    assert_equal "throughout", Checklist::Wording.where([place(1, 8), place(9, 8)], 16)
    assert_equal "in the verse", Checklist::Wording.where([place(1, 8), place(17, 8, "verse 2")], 24)
    assert_equal "in the verse and the chorus", Checklist::Wording.where([place(1, 8), place(17, 8, "chorus")], 32)
    assert_equal "in 3 kinds of sections", Checklist::Wording.where([place(1, 8), place(9, 8, "chorus"), place(17, 8, "outro")], 99)
    assert_equal "verse, bars 1 to 8; outro, bar 9", Checklist::Wording.places([place(1, 8), place(9, 1, "outro")])
  end

  def test_what_returns_is_found_with_the_bars_that_break_it
    [[%w[a a a a], 1, []], [%w[a b a b a c a b], 2, [6]], [%w[a b c d], 4, []], [%w[a b c d a b c d], 4, []], [%w[a b c], 3, []]].each do |list, bars, apart|
      assert_equal [bars, apart], Checklist::Returning.of(list).to_h.values, list
    end
  end

  def test_notes_are_as_far_apart_as_they_do_not_agree
    kind = Measures::Kinds::Notes.new
    run = [note(1, 1.0, 36), note(1, 3.0, 43), note(2, 1.0, 36), note(2, 3.0, 43)]

    assert_in_delta 0.0, kind.distance(run, run.reverse)
    assert_in_delta 0.25, kind.distance(run, [*run.first(3), note(2, 3.0, 44)])
    assert_in_delta 1.0, kind.distance(run, [])
    assert_equal [{ value: run, spread: nil, songs: 2 }, "1 note"], [kind.common([run, [note(1, 1.0, 40)], run]), kind.words([run.first], "")]
  end

  def rows(*notes, beats: 4)
    Ethoscope::Export::NoteRows.rows(notes.map { |bar, beat, length, pitch| { bar:, beat:, beats: length, pitch: } }, beats, Ethoscope::Harmony::Key.named("F", "major"))
  end

  def test_notes_are_drawn_on_squares_as_fine_as_they_need
    assert_equal ["A2  | -   | .   | B♭2"], rows([1, 1.0, 2.0, 45], [1, 4.0, 1.0, 46])
    assert_equal ["A2  -   | -   B♭2 | -   .   | .   ."], rows([1, 1.0, 1.5, 45], [1, 2.5, 1.0, 46])
    assert_equal ["A2 .  .  C3 | .  .  .  .  | .  .  .  .", "A2 -  -  -  | .  .  .  .  | .  .  .  ."], rows([1, 1.0, 0.25, 45], [1, 1.75, 0.25, 48], [2, 1.0, 1.0, 45], beats: 3)
  end
end
