# frozen_string_literal: true

require_relative "../test_helper"

# The bass, the clear high line, and what enters and leaves.
class LinesAndChangesTest < Ethoscope::TestCase
  Harmony = Ethoscope::Harmony
  Form = Ethoscope::Form
  Layers = Ethoscope::Layers
  NOTES = Harmony::NoteActivation::NOTES
  LOWEST = Harmony::NoteActivation::LOWEST
  # Stands in for NoteActivation.
  Notes = Struct.new(:activation)

  def test_the_bass_is_followed_note_by_note_with_its_tone_of_the_chord
    spans = [span(Harmony::Chord.on(9, "min"), 0, 8), span(Harmony::Chord.on(5, "maj"), 8, 12)]
    line = bass([33, 33, 33, 33, 40, 40, nil, nil, 29, 29, 33, 33, nil, nil, nil, nil], spans)

    assert_equal([[33, 0.0, 2.0, "root"], [40, 2.0, 1.0, "fifth"], [29, 4.0, 1.0, "root"], [33, 5.0, 1.0, "third"]],
      line.map { |note| [note.pitch, note.beat, note.beats, note.tone] })
    assert_equal({ "root" => 0.6, "fifth" => 0.2, "third" => 0.2 }, Harmony::BassLine.shares(line))
    assert_empty Harmony::BassLine.shares([])
  end

  def test_repeated_notes_are_told_where_an_attack_is_likely
    spans = [span(Harmony::Chord.on(9, "min"), 0, 16)]
    line = bass([33] * 16, spans, attacks: { 0 => 0.9, 6 => 0.8, 10 => 0.4, 16 => 0.95 })

    assert_equal([[0.0, 1.5, 0.9], [1.5, 2.5, 0.8], [4.0, 4.0, 0.95]], line.map { |note| [note.beat, note.beats, note.sure] })
    assert_in_delta 0.75, line[1].start, 1e-6
  end

  def test_a_note_is_read_an_octave_lower_when_that_one_sounds_too
    rows = notes([45, 45] + ([nil] * 14)).activation
    rows[0..1, 33 - LOWEST] = 0.8

    assert_equal [45], bass_of(Notes.new(rows), [span(Harmony::Chord.on(9, "min"), 0, 16)]).map(&:pitch)
    rows[0..1, 33 - LOWEST] = 0.97

    assert_equal [33], bass_of(Notes.new(rows), [span(Harmony::Chord.on(9, "min"), 0, 16)]).map(&:pitch)
  end

  def test_a_high_line_that_stands_clear_has_a_register_and_a_course
    rising = (60..75).flat_map { |pitch| [pitch] * 2 }
    lead = lead_of(rising)

    assert_equal "rising", lead.contour
    assert_operator lead.low, :<, lead.high
    assert_equal "arch", lead_of((60..75).to_a + 75.downto(60).to_a).contour
    assert_equal "level", lead_of([72] * 32).contour
    assert_nil lead_of([nil] * 32)
  end

  def test_who_enters_leaves_thins_out_and_comes_forward
    layers = { "bass" => [0.1, 0.9, 0.9], "hats" => [0.9, 0.1, 0.1], "chords" => [0.9, 0.9, 0.5], "lead" => [0.5, 0.5, 0.9] }
    changes = Form::Changes.new(layers.map { |role, levels| layer(role, levels) }, [section(1, 12)], [2.0] * 12).list

    assert_equal([5, 9], changes.map(&:bar))
    assert_equal([%w[bass], %w[hats], [], []], changes[0].to_h.values_at(:enters, :leaves, :thins, :swells))
    assert_equal([[], [], %w[chords], %w[lead]], changes[1].to_h.values_at(:enters, :leaves, :thins, :swells))
    assert_equal 4, Form::Changes.phrase(changes)
  end

  def test_of_two_layers_of_one_role_the_one_that_enters_is_named
    parts = { "Guitar L" => [0.9, 0.9], "Guitar R" => [0.1, 0.9] }.map do |name, levels|
      Layers::Layer.new(role: "other", name:, activity: levels.flat_map { |level| [level] * 4 }, confidence: 0.9, spans: [], source: "stem", rivals: [])
    end

    assert_equal([["Guitar R"]], Form::Changes.new(parts, [section(1, 8)], [2.0] * 8).list.map(&:enters))
  end

  def test_hats_that_double_are_a_change_and_the_first_bar_is_none
    changes = Form::Changes.new([layer("hats", [0.9, 0.9])], [section(1, 8)], ([2.0] * 4) + ([4.0] * 4)).list

    assert_equal([[5, "faster"]], changes.map { |change| [change.bar, change.hats] })
    assert_nil Form::Changes.phrase([])
  end

  def test_boundary_features_stand_out_where_everything_changes
    hearing = Ethoscope::Engine::Hearing.new(Ethoscope::Engine::Features.of(Fixture.band.recording))
    rows = hearing.boundary_features.rows
    energy = Form::BoundaryFeatures::NAMES.index("energy step")

    assert_equal [hearing.grid.bars - 1, Form::BoundaryFeatures::NAMES.size], rows.shape
    assert_includes [3, 7, 11], rows[true, energy].max_index
    assert(rows.to_a.flatten.all?(&:finite?))
  end

  def test_what_comes_back_after_a_lag_is_alike
    rows = Numo::DFloat.cast(Array.new(400) { |i| [Math.sin(i * 2 * Math::PI / 40), Math.cos(i * 2 * Math::PI / 40)] })
    repetition = Ethoscope::Rhythm::Repetition.new(rows)

    assert_in_delta 1.0, repetition.at(4.0), 0.01
    assert_in_delta(-1.0, repetition.at(2.0), 0.01)
    assert_nil repetition.at(39.0)
    assert_nil Ethoscope::Rhythm::Repetition.new(rows[0...5, true]).at(0.1)
  end

  private

  def bass(pitches, spans, attacks: {}) = bass_of(notes(pitches), spans, attacks:)

  # Two bars of 4/4 at 120 BPM; attacks by sixteenth.
  def bass_of(notes, spans, attacks: {})
    begins = Numo::DFloat.zeros(2, 16)
    attacks.each { |step, likely| begins[step / 16, step % 16] = likely }
    grid = Ethoscope::Rhythm::BeatGrid.new(edges: (0..8).map { |beat| beat * 0.5 }, pickup: 0, meter: Ethoscope::Rhythm::Meter.named("4/4"))
    Harmony::BassLine.new(notes, spans, begins, Ethoscope::Rhythm::StepGrid.new(grid, nil), 0).notes
  end

  def notes(pitches)
    rows = Numo::SFloat.zeros(pitches.size, NOTES) + 0.01
    pitches.each_with_index { |pitch, row| rows[row, pitch - LOWEST] = 1.0 if pitch }
    Notes.new(rows)
  end

  def lead_of(pitches)
    grid = Ethoscope::Rhythm::BeatGrid.nominal(pitches.size / 4.0)
    Layers::LeadLine.new(notes(pitches), grid).between(1, pitches.size / 8)
  end

  def span(chord, first, last) = Harmony::ChordRecognizer::Span.new(chord:, first:, last:, confidence: 0.9, rivals: [])

  # Four bars at each level.
  def layer(role, levels) = Layers::Layer.of_mix(role:, activity: levels.flat_map { |level| [level] * 4 }, confidence: 0.9, spans: [])

  def section(first_bar, bars) = Form::Section.new(label: "a", letter: "A", first_bar:, bars:, start: 0.0, end: 1.0, confidence: 0.9, reason: "")
end
