# frozen_string_literal: true

module Ethoscope
  module Contract
    # The shapes of an analysis and of the sheet that lies over it: what is told of one song.
    module SongShapes
      include Notation
      extend Notation

      SPANS = list(tuple(NUMBER, NUMBER))
      TRUST = { source: words(:Source), state: words(:ReadingState) }.freeze
      NAMED_KEY = { tonic: STRING, mode: STRING }.freeze
      RUN = { first_bar: NUMBER, last_bar: NUMBER }.freeze

      ALL = [
        named(:EngineChord, "Chords lie without gaps, silence among them.",
          start: NUMBER, end: NUMBER, label: [STRING, "root:quality/bass, or N"], symbol: STRING, degree: maybe(STRING), borrowed_from: maybe(STRING), function: maybe(STRING),
          function_of: maybe(STRING), confidence: NUMBER, rivals: list(object(symbol: STRING, odds: NUMBER)), bar: NUMBER, beat: NUMBER, beats: NUMBER,
          written?: [list(STRING), "Notes with octaves as a MIDI file has them."]),
        more(:Chord, :EngineChord, "A chord with what stands of a person.", **TRUST, reading_id: maybe(NUMBER), note: STRING, notes: [list(STRING), "Note names, root first."],
          names: [list(STRING), "Other names for the same notes over the same bass."], voicing: [list(STRING), "Notes with octaves as a person hears them."]),
        named(:EngineSection, "Sections lie without gaps; the first starts with the recording, the last ends with it.",
          label: STRING, letter: STRING, first_bar: NUMBER, bars: NUMBER, start: NUMBER, end: NUMBER, confidence: NUMBER, reason: STRING),
        more(:Section, :EngineSection, "", **TRUST,
          usual_bars: [maybe(NUMBER), "The nearest usual length, where the length is unusual."]),
        named(:Returns, "What comes back moved by semitones.",
          sections: [list(object(first_bar: NUMBER, of: STRING, of_bar: NUMBER, semitones: NUMBER)), "chords of an earlier section, moved"],
          layers: [list(object(layer: STRING, first_bar: NUMBER, of_bar: NUMBER, semitones: NUMBER)), "what a layer played in an earlier section, moved"],
          doublings: [list(object(layer: STRING, like: STRING, semitones: NUMBER, bars: list(NUMBER))), "what another layer plays, moved, in the sections that begin there"]),
        named(:Bar, "", bar: NUMBER, start: NUMBER, end: NUMBER, energy: [NUMBER, "LUFS"], width: [NUMBER, "side share, 0 to 1"], bpm: NUMBER),
        named(:LayerRival, "What a weaker source says of a role.", source: words(:LayerSource), activity: list(NUMBER), spans: SPANS),
        named(:Layer, "", role: STRING, name: STRING, source: words(:LayerSource), activity: [list(NUMBER), "0 to 1 by bar"], confidence: NUMBER, spans: SPANS,
          rivals: list(shape(:LayerRival))),
        named(:SeriesEvidence, "The measured series that shows a technique.",
          label: STRING, unit: STRING, first_bar: NUMBER, step: [NUMBER, "Bars between two values."], values: list(maybe(NUMBER)), threshold: maybe(NUMBER)),
        named(:CardCandidate, "", text: STRING, source?: maybe(STRING), sure?: maybe(NUMBER), cost?: STRING, live?: maybe(BOOLEAN)),
        named(:LayerCard, "What a person writes of a layer's sound.",
          sound?: STRING, have?: maybe(words(:Have)), register?: STRING, stacked?: maybe(NUMBER), articulation?: STRING, pattern?: STRING, pan?: STRING,
          width?: STRING, automation?: STRING, variations?: STRING, sends?: STRING, made_from?: [STRING, "The layer that this one is made from."],
          lost?: [STRING, "What a substitute lacks."], shared?: [STRING, "The name under which it is the same in several songs."], purpose?: maybe(STRING),
          stack?: list(object(text: STRING, gives: STRING)), candidates?: list(shape(:CardCandidate)),
          chain?: list(object(type: STRING, setting?: STRING, amount?: STRING, why?: STRING))),
        named(:HeardLayer, "A layer that a person hears.",
          reading_id: NUMBER, name: STRING, role: maybe(STRING), levels: [list(NUMBER), "0 absent to 3 full, by bar."], card: shape(:LayerCard), source: STRING, state: STRING),
        named(:SheetMark, "", reading_id: NUMBER, type: STRING, text: STRING, layer_id?: maybe(NUMBER), **RUN),
        named(:EngineSighting, "A place where a technique happens.", kind: STRING, name: STRING, **RUN, start: NUMBER, end: NUMBER, confidence: NUMBER,
          detail: map(either(NUMBER, STRING, list(STRING))), source: words(:LayerSource), evidence: maybe(shape(:SeriesEvidence))),
        more(:Sighting, :EngineSighting, "", state: words(:ReadingState), reading_id: maybe(NUMBER)),
        named(:Loop, "A run of chords that comes back.", bars: NUMBER, degrees: list(STRING), symbols: list(STRING), starts: [list(NUMBER), "bars"], confidence: NUMBER),
        more(:PartLoop, :Loop, "The loop of the parts with these letters.", letters: list(STRING)),
        named(:KeyStretch, "A key that holds from one bar to another.", **NAMED_KEY, **RUN, confidence: NUMBER),
        named(:KeyPart, "", **NAMED_KEY, confidence: NUMBER, signature: NUMBER, rivals: list(object(**NAMED_KEY, odds: NUMBER)), scale: list(STRING), pentatonic: BOOLEAN,
          stretches: list(shape(:KeyStretch)), outside: list(object(note: STRING, share: NUMBER, bars: list(NUMBER)))),
        named(:Gap, "Something that could not be told: why in words, or a fault of the engine with its place.", what: STRING, reason: maybe(STRING), fault: maybe(STRING)),
        named(:TempoPart, "A run of bars with a tempo of its own.", **RUN, bpm: NUMBER, keys: [list(object(**NAMED_KEY)), "that hold in it"],
          energy: [NUMBER, "LUFS, mean of its bars"]),
        named(:Tempo, "", bpm: [maybe(NUMBER), "null when no pulse was found"], constant: BOOLEAN, confidence: NUMBER,
          candidates: [list(object(bpm: NUMBER, odds: NUMBER, relation: STRING, reason: STRING)), "the chosen one first"],
          pulse: [list(tuple(NUMBER, NUMBER)), "How well onsets repeat at each rate: [BPM, strength]."],
          residuals: [list(maybe(NUMBER)), "ms by which onsets come after the grid, by bar"], drift_ms: [maybe(NUMBER), "from the first bar to the last"],
          better: [maybe(NUMBER), "the tempo that would take the drift away"]),
        named(:Groove, "", swing_ratio: [NUMBER, "place of the off-beat in its pair, 0.5 is straight"], swing_unit: STRING, confidence: NUMBER, timing: list(shape(:Timing)),
          feel: [maybe(STRING), "programmed, played, loose"]),
        named(:Loudness, "After ITU-R BS.1770-4.",
          integrated: [maybe(NUMBER), "LUFS, null below the gate"], range: [maybe(NUMBER), "LU"], loudest_short_term: NUMBER, true_peak: [NUMBER, "dBTP"],
          peak_db: [NUMBER, "sample peak, dBFS"], short_term: [list(NUMBER), "LUFS, one a second"]),
        named(:Prints, "Bars in small whole numbers.",
          lowest: [NUMBER, "MIDI number of the first note"], notes: [list(list(list(NUMBER))), "by bar and half of it, 0 to 99"],
          strokes: [map(list(list(NUMBER))), "of the mix, by piece, bar and step, 0 to 99, read in their context"],
          told: [map(list(list(NUMBER))), "the same, of the pieces that stems or a score tell"], heard: [map(list(list(NUMBER))), "the same, each step by itself"],
          attacks: [map(list(list(NUMBER))), "by kind of sound, bar and step, tenths of a natural logarithm"],
          bands: [list(list(list(NUMBER))), "dB by bar, beat and band of three third octaves"]),
        named(:EngineAnalysis, "One run of the engine over one recording.",
          gaps: [list(shape(:Gap)), "what could not be told; empty as a rule"], engine_version: STRING, duration: NUMBER, channels: NUMBER, tempo: shape(:Tempo),
          tempo_map: [list(object(bar: NUMBER, time: NUMBER, bpm: NUMBER)), "one entry when the tempo is constant, else one a bar"],
          parts: [list(shape(:TempoPart)), "where the song changes its tempo at once; none where it keeps one or moves gradually"], meter: STRING,
          meters: list(object(name: STRING, odds: NUMBER)),
          meter_confidence: [NUMBER, "never above that of the tempo"],
          counts: [list(object(bpm: NUMBER, meter: STRING, odds: NUMBER, relation: STRING, reason: STRING)), "tempo and meter as pairs, the chosen one first"],
          bar_lines: [list(object(beats: NUMBER, odds: NUMBER)), "where else bar 1 could begin, beats later"], beats: list(NUMBER), downbeats: list(NUMBER), pickup_beats: NUMBER,
          end: [NUMBER, "where the last bar ends"], downbeat_confidence: NUMBER, groove: shape(:Groove), drums: [list(shape(:StepPattern)), "one a section"],
          tuning_cents: [NUMBER, "from A 440"],
          tuning: object(cents: NUMBER, confidence: NUMBER, a4: [NUMBER, "Hz"], histogram: [list(NUMBER), "100 classes of a cent"]), key: maybe(shape(:KeyPart)),
          pitch_classes: [object(all: list(NUMBER), bass: list(NUMBER)), "twelve shares from C"], chords: list(shape(:EngineChord)), loop: maybe(shape(:Loop)),
          loops: list(shape(:PartLoop)), cadences: [list(object(kind: STRING, bar: NUMBER)), "before sections"],
          bass: object(notes: list(shape(:BassNote)), tones: [map(NUMBER), "shares: root, third, fifth, seventh, other"], lowest: maybe(NUMBER), highest: maybe(NUMBER)),
          leads: [list(shape(:Lead)), "where a high line stands clear"], lines: list(shape(:PlayedLine)),
          changes: list(shape(:EngineChange)), untold_roles: [list(STRING), "Roles that no source tells."],
          voiceless: [list(object(**RUN)), "where the voice rests for two bars or more; none without a voice"],
          phrase_bars: [maybe(NUMBER), "the most common distance between changes"], sections: list(shape(:EngineSection)),
          returns: [shape(:Returns), "what comes back moved by semitones"],
          novelty: [list(NUMBER), "For each bar how likely it is that a section begins with it."], bars: list(shape(:Bar)), loudness: shape(:Loudness), mix: shape(:Mix),
          layers: list(shape(:Layer)), techniques: list(shape(:EngineSighting)),
          stems: [list(shape(:StemSound)), "one a stem; what it does not show is null"], score: maybe(shape(:ScoreFacts)),
          prints?: [maybe(shape(:Prints)), "what each bar sounds like, for two songs to be laid on each other; pages do not carry it"],
          told_by: [object(count: words(:LayerSource), chords: words(:LayerSource), bass: words(:LayerSource), drums: words(:LayerSource)), "which source leads"]),
        more(:Analysis, :EngineAnalysis, "What the sheet shows: an analysis with what a person says laid over it.",
          chords: list(shape(:Chord)), sections: list(shape(:Section)), changes: list(shape(:Change)), techniques: list(shape(:Sighting)),
          heard_layers: list(shape(:HeardLayer)), marks: list(shape(:SheetMark)))
      ].freeze
    end
  end
end
