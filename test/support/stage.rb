# frozen_string_literal: true

# A scene for detectors, given part by part: sixteen bars of 4/4 at 120 BPM in two sections of eight, unless told otherwise. Everything
# else is as a detector may expect of a song in which nothing happens.
module Stage
  Techniques = Ethoscope::Techniques
  Harmony = Ethoscope::Harmony
  Section = Ethoscope::Form::Section
  BARS = 16

  module_function

  def grid(bars: BARS, edges: nil)
    Ethoscope::Rhythm::BeatGrid.new(edges: edges || (0..(bars * 4)).map { |beat| beat * 0.5 }, pickup: 0, meter: Ethoscope::Rhythm::Meter.named("4/4"))
  end

  # Sections from [label, letter, bars].
  def sections(*parts)
    first = 1
    parts.map do |label, letter, bars|
      Section.new(label:, letter:, first_bar: first, bars:, start: (first - 1) * 2.0, end: (first + bars - 1) * 2.0, confidence: 0.9, reason: "").tap { first += bars }
    end
  end

  def scene(parts: [["verse", "A", 8], ["chorus", "B", 8]], players: [], **found)
    bars = parts.sum(&:last)
    usual = { strokes: [2.0] * (bars * 4), brightness: [-10.0] * bars, width: [0.1] * bars, hat_rates: [2.0] * bars, energy: [-12.0] * bars }
    Techniques::Scene.new(grid: found.delete(:grid) || grid(bars:), sections: sections(*parts), players:, **usual, **found)
  end

  # A player from [beat since bar 1, pitch or nil, velocity, beats].
  def player(role, events, source: "midi", name: role)
    played = events.map { |beat, pitch, velocity, beats| Ethoscope::Ensemble::Played.new(beat: beat.to_f, beats: beats || 0.25, pitch:, velocity: velocity || 0.8) }
    Ethoscope::Ensemble::Player.new(name:, role:, source:, events: played)
  end

  # The same beats of the bar through some bars (from 0).
  def strokes(beats, bars = 0...BARS, velocity: 0.8) = bars.flat_map { |bar| beats.map { |beat| [(bar * 4) + beat, nil, velocity] } }

  # Chords as "Am" from [symbol, bars].
  def spans(*chords)
    at = 0
    chords.map do |symbol, bars|
      root, quality = symbol.match(/\A([A-G][b#]?)(.*)\z/).captures
      chord = Harmony::Chord.on(Harmony::PitchClass.parse(root), { "" => "maj", "m" => "min", "m7" => "min7" }.fetch(quality, quality))
      Harmony::ChordRecognizer::Span.new(chord:, first: at, last: (at + (bars * 8)).to_i, confidence: 0.9, rivals: []).tap { at += (bars * 8).to_i }
    end
  end

  def key(name) = Harmony::Key.named(*name.split(" ", 2))

  def layer(role, activity, source: "stem") = Ethoscope::Layers::Layer.new(role:, activity:, confidence: 0.9, spans: [], name: role, source:, rivals: [])
end
