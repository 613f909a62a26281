# frozen_string_literal: true

module Ethoscope
  module Measures
    module Families
      # How fast a song goes, how it is counted, how long it is. The way is our own.
      module Time
        # A tempo that is off by this much is an eighth of a beat late after three minutes at 100 BPM.
        EXACT_BPM = 0.05

        TEMPO = Measure.new(
          id: "time.tempo", name: "tempo", unit: "BPM", scope: :song,
          kind: Kinds::Tempo.new(field: :bpm, digits: 2),
          exact: EXACT_BPM, style: 1.0, stage: "Tempo and key", rests_on: %w[tempo],
          reader: ->(song) { song.whole(song.bpm && { bpm: song.bpm }, aspect: "tempo", sure: song.data[:tempo][:confidence], source: song.told_by[:count]) },
          restated: ->(value, restatement) { restatement.from_bpm ? { bpm: restatement.to_bpm.to_f * (value[:bpm] / restatement.from_bpm) } : value }
        )

        COURSE = Measure.new(
          id: "time.course", name: "tempo bar by bar", unit: "BPM", scope: :song,
          kind: Kinds::Curve.new(digits: 1),
          exact: 0.5, style: 3.0, stage: "Tempo and key", rests_on: %w[tempo],
          reader: lambda { |song|
            told = song.corrected?("tempo") && song.data[:tempo][:constant]
            bpms = told ? [song.bpm] : song.data.fetch(:tempo_map, []).map { |entry| entry[:bpm] }
            song.whole(bpms.empty? ? nil : bpms, aspect: "tempo", sure: song.data[:tempo][:confidence], source: song.told_by[:count])
          },
          restated: ->(value, restatement) { value.map { |bpm| bpm * restatement.ratio } }
        )

        RIVAL_ODDS = 0.05
        RIVALS = Measure.new(
          id: "time.rivals", name: "tempos that it could be counted at as well", unit: "tempos", scope: :song,
          kind: Kinds::Sequence.new(by: ->(value) { value[:relation] }, says: lambda { |value|
            "#{format("%.2f", value[:bpm])} BPM (#{value[:relation]}, #{(value[:odds] * 100).round} %)"
          }),
          exact: 0, style: 9, stage: "Tempo and key", rests_on: %w[tempo],
          reader: lambda { |song|
            rivals = song.corrected?("tempo") ? [] : song.data[:tempo][:candidates].reject { |rival| rival[:relation] == "chosen" || rival[:odds] < RIVAL_ODDS }
            song.whole(rivals.map { |rival| rival.slice(:bpm, :relation, :odds) }, aspect: "tempo")
          },
          restated: ->(value, restatement) { value.map { |rival| rival.merge(bpm: rival[:bpm] * restatement.ratio) } }
        )

        METER = Measure.new(
          id: "time.meter", name: "meter", unit: "", scope: :song,
          kind: Kinds::Category.new,
          exact: 0, style: 0, stage: "Tempo and key", rests_on: %w[meter],
          reader: ->(song) { song.whole(song.meter, aspect: "meter", sure: song.data[:meter_confidence], source: song.told_by[:count]) }
        )

        LENGTH = Measure.new(
          id: "time.length", name: "length", unit: "bars", scope: :song,
          kind: Kinds::Number.new(digits: 0),
          exact: 0, style: 16, stage: "Frame", rests_on: %w[form],
          reader: ->(song) { song.whole(song.bars, aspect: "form", sure: song.data[:downbeat_confidence]) }
        )

        DURATION = Measure.new(
          id: "time.duration", name: "sounding time", unit: "s", scope: :song,
          kind: Kinds::Number.new(digits: 0),
          exact: 2.0, style: 30.0, stage: "Frame", rests_on: %w[form],
          reader: ->(song) { song.whole(song.data[:duration], aspect: "form") }, restated: ->(value, restatement) { restatement.seconds(value) }
        )

        MEASURES = [TEMPO, COURSE, RIVALS, METER, LENGTH, DURATION].freeze
      end
    end
  end
end
