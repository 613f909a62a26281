# frozen_string_literal: true

module Ethoscope
  module Measures
    module Families
      # Key, tuning, chords and the loop they make. Spelling and degrees: {SongHarmony}.
      module Harmony
        # 1 less the score of the field's key task (same 1, fifth 0.5, relative 0.3, parallel 0.2; MIREX audio key detection).
        KEYS_APART = ->(one, other) { SongHarmony.keys_apart(one, other) }
        KEY_NAME = ->(value) { Readings::Words.signs("#{value[:tonic]} #{value[:mode]}") }
        RESTATED_KEY = lambda do |value, restatement|
          key = restatement.key(Ethoscope::Harmony::Key.named(value[:tonic], value[:mode]))
          { tonic: key.tonic, mode: key.mode }
        end

        KEY = Measure.new(
          id: "harmony.key", name: "key", unit: "of 1", scope: :song,
          kind: Kinds::Category.new(by: KEY_NAME, apart: KEYS_APART),
          exact: 0, style: 0, stage: "Tempo and key", rests_on: %w[key],
          reader: ->(song) { song.whole(song.key && { tonic: song.key.tonic, mode: song.key.mode }, aspect: "key", sure: song.data[:key] && song.data[:key][:confidence]) },
          restated: RESTATED_KEY
        )

        # What speaks against the key is said with it.
        RIVAL_ODDS = 0.05
        RIVALS = Measure.new(
          id: "harmony.rivals", name: "keys that it could be as well", unit: "keys", scope: :song,
          kind: Kinds::Sequence.new(by: KEY_NAME, says: ->(value) { "#{KEY_NAME.call(value)} (#{(value[:odds] * 100).round} %)" }),
          exact: 0, style: 9, stage: "Tempo and key", rests_on: %w[key],
          reader: lambda { |song|
            rivals = song.corrected?("key") || song.data[:key].nil? ? [] : song.data[:key][:rivals].select { |rival| rival[:odds] >= RIVAL_ODDS }
            song.whole(rivals.map { |rival| rival.slice(:tonic, :mode, :odds) }, aspect: "key")
          },
          restated: ->(value, restatement) { value.map { |rival| { **RESTATED_KEY.call(rival, restatement), odds: rival[:odds] } } }
        )

        MODE = Measure.new(
          id: "harmony.mode", name: "mode", unit: "", scope: :song,
          kind: Kinds::Category.new,
          exact: 0, style: 0, stage: "Tempo and key", rests_on: %w[key],
          reader: ->(song) { song.whole(song.key&.mode, aspect: "key", sure: song.data[:key] && song.data[:key][:confidence]) }
        )

        TUNING = Measure.new(
          id: "harmony.tuning", name: "tuning", unit: "cents", scope: :song,
          kind: Kinds::Number.new(digits: 0),
          exact: 4.0, style: 10.0, stage: "Tempo and key", rests_on: %w[tuning],
          reader: ->(song) { song.whole(song.data[:tuning][:cents], aspect: "tuning", sure: song.data[:tuning][:confidence]) }
        )

        CHORDS = Measure.new(
          id: "harmony.chords", name: "chords", unit: "chords", scope: :section,
          kind: Kinds::Sequence.new(by: ->(chord) { SongHarmony.sound(chord[:symbol]) }, says: ->(chord) { chord[:symbol] }, most: 8),
          exact: 0, style: 2, stage: "Chords and bass", rests_on: %w[loop],
          reader: ->(song) { SongHarmony.new(song).chords }, restated: ->(value, restatement) { SongHarmony.moved_chords(value, restatement) }
        )

        NUMERALS = Measure.new(
          id: "harmony.numerals", name: "degrees of the chords", unit: "chords", scope: :section,
          kind: Kinds::Sequence.new(most: 8),
          exact: 0, style: 2, stage: nil, rests_on: %w[loop],
          reader: ->(song) { SongHarmony.new(song).numerals }
        )

        VOICINGS = Measure.new(
          id: "harmony.voicings", name: "chords as voiced", unit: "chords", scope: :section,
          kind: Kinds::Sequence.new(by: ->(voicing) { SongHarmony.pitches(voicing) }, says: ->(voicing) { "#{voicing[:symbol]}: #{voicing[:notes].join(" ")};" }),
          exact: 0, style: 2, stage: "Chords and bass", rests_on: %w[loop],
          reader: ->(song) { SongHarmony.new(song).voicings }, restated: ->(value, restatement) { SongHarmony.moved_voicings(value, restatement) }
        )

        DEGREES = Measure.new(
          id: "harmony.degrees", name: "degrees used", unit: "%", scope: :song,
          kind: Kinds::Set.new(of: :degree, weight: :bars),
          exact: 20, style: 50, stage: "Chords and bass", rests_on: %w[key loop],
          reader: ->(song) { song.whole(SongHarmony.new(song).degrees, aspect: "key", sure: song.data[:key] && song.data[:key][:confidence], source: song.told_by[:chords]) }
        )

        LOOP = Measure.new(
          id: "harmony.loop", name: "loop", unit: "chords", scope: :song,
          kind: Kinds::Sequence.new(within: ->(loop) { loop[:degrees] }, most: 8),
          exact: 0, style: 1, stage: "Chords and bass", rests_on: %w[loop],
          reader: lambda { |song|
            loop = SongHarmony.new(song).loop
            song.whole(loop, aspect: "loop", sure: loop && song.data[:loop][:confidence], source: song.told_by[:chords])
          }
        )

        MEASURES = [KEY, RIVALS, MODE, TUNING, CHORDS, NUMERALS, VOICINGS, DEGREES, LOOP].freeze
      end
    end
  end
end
