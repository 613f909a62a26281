# frozen_string_literal: true

require_relative "../test_helper"

# What each layer plays: its feel, what returns in it, what a bar has more or less, and the notes of stems.
class PlayedLinesTest < Ethoscope::TestCase
  Rhythm = Ethoscope::Rhythm
  Ensemble = Ethoscope::Ensemble

  def grid(bars: 16, bpm: 100.0) = Rhythm::BeatGrid.new(edges: (0..(bars * 4)).map { |beat| beat * 60 / bpm }, pickup: 0, meter: Rhythm::Meter.named("4/4"))

  def steps = Rhythm::StepGrid.new(grid, nil)

  def played(beat, pitch: nil, velocity: 0.8, beats: 0.25) = Ensemble::Played.new(beat:, beats:, pitch:, velocity:)

  def pattern(events) = Rhythm::LayerPattern.new(events.map { |event| [event.beat, event.pitch] }, steps.meter)

  def feel(events) = Ensemble::LayerFeel.new(events, grid, steps).to_h

  def test_a_shaker_at_sixty_per_cent_is_told_to_the_hundredth
    places = [0, 0.3, 0.5, 0.8]
    shaker = (0...32).flat_map { |beat| places.map { |place| played(beat + place) } }
    found = feel(shaker)

    assert_equal "16th", found[:unit]
    assert_in_delta 0.6, found[:ratio], 0.01
    assert_in_delta 30.0, found[:ms], 2.0 # of a sixteenth at 100 BPM, 150 ms
    assert_in_delta 30.0, found[:late_ms][1], 2.0
    assert_in_delta 0.0, found[:spread_ms], 0.2
  end

  def test_hard_and_soft_strokes_in_turn_and_chords_that_are_strummed
    turns = (0...32).map { |i| played(i / 2.0, velocity: i.even? ? 0.9 : 0.5) }
    strums = (0...12).flat_map { |beat| [0, 0.02, 0.04].map { |late| played(beat + late, pitch: 60) } }

    assert_equal [0.9, 0.5], feel(turns)[:ladder]
    assert_nil feel(strums)[:ladder]
    assert_in_delta 24.0, feel(strums)[:strum_ms], 0.5
    assert_nil feel(turns)[:strum_ms]
    assert_nil feel(turns.first(5))
  end

  def test_a_line_of_four_bars_and_the_bar_that_departs
    line = [[0, 36], [0, 36], [0, 36], [2, 43]].cycle.first(16).each_with_index.map { |(beat, pitch), bar| played((bar * 4) + beat, pitch:) }
    events = line.reject { |event| event.beat == 30 } + [played(28 + 1.5, pitch: 40)]
    found = pattern(events).of(1, 16)

    assert_equal 4, found[:period]
    assert_equal([{ bar: 8, strokes: [{ beat: 2.5, pitch: 40, more: true }, { beat: 3.0, pitch: 43, more: false }] }], found[:departures])
  end

  def test_what_never_returns_has_no_period_and_what_rests_no_pattern
    random = Random.new(4)
    wandering = Array.new(48) { |i| played(i * 1.31, pitch: 40 + random.rand(20)) }

    assert_nil pattern(wandering).of(1, 16)[:period]
    assert_nil pattern([played(3.0)]).of(1, 16)
  end

  def test_a_line_says_its_notes_with_their_places
    player = Ensemble::Player.new(name: "Low", role: "bass", source: "midi", events: [played(4.0, pitch: 36, velocity: 0.5, beats: 1.5)])
    line = Ensemble::Lines.new([player], grid, steps, []).all.first

    assert_equal ["Low", "bass", "midi", [[4.0, 1.5, 36, 0.5]], nil], line.values_at(:layer, :role, :source, :notes, :feel)
  end

  def test_keys_of_a_kit_are_pieces_and_no_pitches
    events = [36, 42, 46, 51, 49, 38, 39, 37, 47, 70].map { |key| played(0.0, pitch: key) }
    player = Ensemble::Player.new(name: "Kit", role: "hats", source: "midi", events:, drums: true)

    assert_equal ["kick", "closed hats", "open hats", "ride", "cymbals", "snare", "clap", "rim", "toms", "hats"].sort, player.pieces.keys.sort
    assert_nil Ensemble::Lines.new([player], grid, steps, []).all.first[:notes].first[2]
    assert_equal(%w[kick hats snare percussion percussion], [36, 51, 39, 41, 70].map { |key| Ethoscope::Midi::Kit.role(key) })
  end

  def test_what_layers_play_is_handed_over_as_midi
    lines = [{ layer: "Low", role: "bass", notes: [[0.0, 1.5, 36, 0.5], [-1.0, 0.5, 35, 0.5], [4.0, 1.0, 43, 1.0]] },
             { layer: "Kit", role: "snare", notes: [[1.0, 0.25, nil, 0.8]] }]
    song = Fixture.exported(Fixture.varied(lines: lines.map { |line| { source: "midi", feel: nil, sections: [], **line } }))
    score = Ethoscope::Midi::ScoreReader.read(Ethoscope::Export::PlayedMidi.write(song))

    assert_equal %w[Low Kit], score.tracks.map(&:name)
    assert_equal([[0.0, 1.5, 36, 64], [4.0, 1.0, 43, 127]], score.tracks.first.notes.map { |note| [note.start, note.length, note.pitch, note.velocity] })
    assert_equal([38, true], score.tracks.last.notes.first.then { |note| [note.pitch, note.drum?] })
    assert_in_delta 100, score.bpm, 0.5
  end

  def test_the_notes_of_a_stem_are_told_one_by_one_repeated_ones_too
    band = Sketch.new(bars: 8)
    written = [40, 40, 43, 45].cycle.first(28).each_with_index.map { |pitch, beat| [beat, pitch] }
    written.each { |beat, pitch| band.tone(beat, 0.9, 440 * (2**((pitch - 69) / 12.0)), level: 0.3) { |time| Numo::NMath.exp(time * -4) * (time * 300).clip(0, 1) } }
    notes = Ethoscope::Stems::Line.new(band.features, "bass").notes
    right = written.count { |beat, pitch| notes.any? { |note| (note.start - (beat * Sketch::BEAT)).abs < 0.05 && (note.pitch - pitch).zero? } }

    assert_operator right, :>=, 26
    assert_operator notes.size, :<=, 30
    assert(notes.each_cons(2).all? { |one, other| one.end <= other.start + 1e-6 })
  end
end
