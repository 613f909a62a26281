# frozen_string_literal: true

module Ethoscope
  module Contract
    # The shapes of who plays what: steps, timing, entries, lines, the room that each takes, and what stems and a score tell.
    module PlayingShapes
      include Notation
      extend Notation

      BY_BAR = list(maybe(NUMBER))

      ALL = [
        named(:StepRow, "One piece of the kit, step by step.",
          piece: STRING, layer: STRING, source: words(:LayerSource), period: [NUMBER, "bars after which its pattern returns"],
          hits: [list(NUMBER), "how hard each step of the period is struck, 0 to 1; 0 where it rests"],
          probability: [list(NUMBER), "of the usual bar"], velocity: list(NUMBER), ghost: list(NUMBER)),
        named(:StepPattern, "", first_bar: NUMBER, bars: NUMBER, steps: NUMBER, rows: list(shape(:StepRow)), names: list(STRING), hat_rate: maybe(STRING),
          departures: list(object(bar: NUMBER, kind: one_of("fill", "gap", "change"), strokes: list(object(piece: STRING, beat: NUMBER, more: BOOLEAN)))), confidence: NUMBER),
        named(:Timing, "Offsets of onsets from the grid in ms by step.", register: STRING, offsets_ms: BY_BAR, spread_ms: maybe(NUMBER), onsets: NUMBER),
        named(:EngineChange, "What changes where a run of four bars begins.",
          bar: NUMBER, enters: list(STRING), leaves: list(STRING), thins: list(STRING), swells: list(STRING), hats: maybe(one_of("faster", "slower"))),
        more(:Change, :EngineChange, "",
          struck: [list(STRING), "What a person struck out, such as enters:bass."], added: list(object(reading_id: NUMBER, text: STRING))),
        named(:BassNote, "", bar: NUMBER, beat: NUMBER, beats: NUMBER, start: NUMBER, end: NUMBER, pitch: [NUMBER, "MIDI"], name: STRING, tone: STRING,
          sure: [NUMBER, "that a note begins there"]),
        named(:Lead, "", first_bar: NUMBER, bars: NUMBER, low: NUMBER, middle: NUMBER, high: NUMBER, contour: STRING, confidence: NUMBER),
        named(:NoteApart, "A stroke or note that a bar has more than its pattern, or less.", beat: NUMBER, pitch: maybe(NUMBER), more: BOOLEAN),
        named(:LayerFeel, "How a layer plays against the grid.", unit: STRING, ratio: [NUMBER, "place of the off-beat in its pair"], ms: [NUMBER, "after the straight one"],
          late_ms: [BY_BAR, "by step of the bar"], spread_ms: maybe(NUMBER), ladder: [maybe(list(NUMBER)), "hard and soft, in turn"],
          strum_ms: [maybe(NUMBER), "from the first to the last note of a chord"]),
        named(:PlayedLine, "What a layer plays, stroke by stroke or note by note.", layer: STRING, role: STRING, source: words(:LayerSource),
          notes: [list(list(maybe(NUMBER))), "[beat from the start of bar 1, beats, MIDI pitch or null, velocity 0 to 1]"], feel: maybe(shape(:LayerFeel)),
          edited: [NUMBER, "strokes and notes that a person added or took away"],
          sections: [list(object(first_bar: NUMBER, bars: NUMBER, period: [maybe(NUMBER), "bars after which it returns"],
            departures: list(object(bar: NUMBER, strokes: list(shape(:NoteApart)))))), "those in which it plays"]),
        named(:Register, "", name: STRING, hertz: tuple(NUMBER, NUMBER), side: NUMBER, correlation: NUMBER, mono_loss_db: NUMBER),
        named(:Mix, "", centres: [list(NUMBER), "Hz"], spectrum: [list(NUMBER), "dB by third octave"], registers: list(shape(:Register)),
          sections: list(object(first_bar: NUMBER, against_mean: [list(NUMBER), "dB by third octave"], registers: list(shape(:Register))))),
        named(:StemSound, "What was measured on a stem.",
          name: STRING, role: STRING, offset: [NUMBER, "s"], bars: object(level_db: list(NUMBER), share: list(NUMBER), pan: BY_BAR, width: BY_BAR, brightness: BY_BAR),
          bandwidth: [tuple(NUMBER, NUMBER), "Hz"], brightness: [NUMBER, "Hz"], image: one_of("mono", "narrow", "wide"), pan: [NUMBER, "-1 to 1"], width: NUMBER,
          motion: maybe(object(range: NUMBER, bars: NUMBER)), crest_db: NUMBER,
          shape: maybe(object(attack_ms: NUMBER, decay_ms: maybe(NUMBER), attack: STRING, decay: maybe(STRING))),
          pumping: maybe(object(depth_db: NUMBER, rate: STRING, follows: maybe(STRING))), gating: maybe(object(steps: NUMBER, depth_db: NUMBER)),
          echo: maybe(object(ms: NUMBER, unit: maybe(STRING), under_db: NUMBER, alternates: BOOLEAN)),
          tail_s: [maybe(NUMBER), "Seconds in which its sounds would fall by sixty dB."],
          pitch: maybe(object(line: BOOLEAN, polyphony: NUMBER, low: NUMBER, middle: NUMBER, high: NUMBER)), density: [NUMBER, "onsets a beat"],
          timing: object(late_ms: maybe(NUMBER), spread_ms: maybe(NUMBER), swing: maybe(NUMBER)), period: [maybe(NUMBER), "bars"],
          variations: [list(maybe(STRING)), "by section"]),
        named(:ScorePart, "What the notes of one part of a score tell.",
          name: STRING, role: STRING, program: maybe(NUMBER), notes: NUMBER, low: NUMBER, middle: NUMBER, high: NUMBER, polyphony: NUMBER, length_beats: [NUMBER, "quarters"],
          velocity: object(low: NUMBER, middle: NUMBER, high: NUMBER, spread: NUMBER, by_sixteenth: BY_BAR), grid: maybe(STRING), residual_ms: maybe(NUMBER),
          period: maybe(NUMBER), transposed: maybe(object(bars: NUMBER, semitones: NUMBER)),
          pattern: [list(tuple(NUMBER, NUMBER)), "The first bars until they come back: [sixteenth from their start, pitch]."], variations: list(maybe(STRING))),
        named(:ScoreFacts, "", bpm: NUMBER, tempo_changes: NUMBER, meter: STRING, keys: UNKNOWN, markers: list(object(text: STRING, bar: NUMBER)), warnings: list(STRING),
          placement: object(kind: one_of("clock", "beats"), offset: [NUMBER, "s"], agreement: [NUMBER, "0 to 2"], believable: BOOLEAN,
            told: [maybe(BOOLEAN), "A person said where it lies."]), parts: list(shape(:ScorePart)))
      ].freeze
    end
  end
end
