# frozen_string_literal: true

require_relative "../../test_helper"

# What is read off one song: from the best source, clipped to its section, in another tempo and key.
class MeasuredSongTest < Ethoscope::TestCase
  def vector(corrections: {}, **parts) = Measures::Vector.of(Fixture.varied(**parts), corrections:)

  def chord(bar, beat, beats, symbol)
    Fixture.analysis.fetch(:chords).first.merge(bar:, beat:, beats:, symbol:, label: "#{symbol[0]}:min", start: seconds(bar, beat), end: seconds(bar, beat + beats))
  end

  def seconds(bar, beat) = Fixture.analysis.fetch(:bars).first[:start] + ((((bar - 1) * 4) + beat - 1) * 0.6)

  def section(label, first_bar, bars)
    Fixture.analysis.fetch(:sections).first.merge(label:, letter: label[0], first_bar:, bars:, start: seconds(first_bar, 1), end: seconds(first_bar + bars, 1))
  end

  def test_what_a_person_put_right_is_told_by_the_person
    told = vector(corrections: { "tempo" => { bpm: 50 } }).of("time.tempo").first

    assert_equal [{ bpm: 50.0 }, "person", 1.0], [told.value, told.source, told.confidence]
    assert_equal "mix", vector.of("time.tempo").first.source
  end

  def test_notes_and_stems_are_named_as_sources
    layers = Fixture.analysis.fetch(:layers).map { |layer| layer.merge(source: layer[:role] == "bass" ? "stem" : "mix") }
    found = vector(layers:, told_by: { count: "midi", chords: "midi", bass: "stem", drums: "mix" })

    assert_equal "notes", found.of("time.meter").first.source
    assert_equal(%w[mix stem], found.of("layers.bars").map(&:source).uniq.sort)
  end

  def test_a_chord_that_hangs_over_stands_at_the_start_of_its_section
    found = vector(sections: [section("verse", 1, 2), section("chorus", 3, 2)], chords: [chord(1, 1.0, 6.0, "Am"), chord(2, 3.0, 4.0, "Dm"), chord(3, 3.0, 6.0, "Em")])
    verse, chorus = found.of("harmony.chords").map(&:value)

    assert_equal([[1, 1.0, 6.0, "Am"], [2, 3.0, 2.0, "Dm"]], verse.map { |one| one.values_at(:bar, :beat, :beats, :symbol) })
    assert_equal([[1, 1.0, 2.0, "Dm"], [1, 3.0, 6.0, "Em"]], chorus.map { |one| one.values_at(:bar, :beat, :beats, :symbol) })
  end

  def test_another_key_moves_roots_and_leaves_degrees
    found = vector
    up = Measures::Restatement.of(found, key: Harmony::Key.named("C", "minor"))
    chords, numerals = %w[harmony.chords harmony.numerals].map { |id| Measures::Registry.fetch(id) }
    first = found.of("harmony.chords").first.value

    assert_equal 3, up.semitones
    assert_equal ["Cm", "C:min"], chords.restate(first, up).first.values_at(:symbol, :label)
    assert_equal found.of("harmony.numerals").first.value, numerals.restate(found.of("harmony.numerals").first.value, up)
  end

  def test_the_nearest_way_to_a_key_is_at_most_a_tritone
    found = vector
    ways = (0..11).map { |pitch_class| Measures::Restatement.of(found, key: Harmony::Key.new(pitch_class:, mode: "minor")).semitones }

    assert_equal (-5..6).to_a, ways.sort
  end

  def test_a_slower_track_lasts_longer
    found = vector
    slower = Measures::Restatement.of(found, bpm: found.bpm / 2)

    assert_in_delta found.value("time.duration") * 2, Measures::Registry.fetch("time.duration").restate(found.value("time.duration"), slower), 0.01
    assert_in_delta 1.0, Measures::Restatement.none.ratio
    assert_equal 0, Measures::Restatement.none.semitones
  end

  def test_the_first_of_two_parts_that_are_as_loud_is_the_peak
    peak = vector.value("form.peak")

    assert_equal ["chorus", 5], peak.values_at(:label, :first_bar)
  end

  def test_a_measure_that_fails_takes_no_other_with_it
    gaps = Ethoscope::Gaps.new
    found = Measures::Vector.of(Fixture.varied(groove: nil), gaps:)

    assert_equal(["the measure “time off the grid”", "the measure “swing”", "the measure “feel”"], gaps.list.map(&:what).sort.reverse)
    assert_operator found.all.size, :>, 50
  end

  def notes_of(*notes)
    line = { layer: "reed", role: "lead", source: "stem", notes: notes.map { |beat, beats, pitch| [beat, beats, pitch, 0.8] } }
    Measures::Vector.of(Fixture.varied(lines: [line])).of("lines.notes").select { |row| row.place.role == "lead" }.to_h { |row| [row.place.first_bar, row.value] }
  end

  def test_the_tail_of_a_note_is_none_of_the_next_section_and_one_that_is_held_is
    assert_equal [1], notes_of([15.5, 1.0, 60]).keys
    held = notes_of([15.5, 3.0, 60])

    assert_equal [1, 5], held.keys
    assert_equal [1, 1.0, 2.5], held[5].first.values_at(:bar, :beat, :beats)
  end

  def test_a_note_that_comes_a_little_early_is_the_first_of_its_bar
    assert_equal([[2, 1.0], [2, 2.0]], notes_of([3.97, 1.0, 60], [5.0, 1.0, 62])[1].map { |note| note.values_at(:bar, :beat) })
  end
end
