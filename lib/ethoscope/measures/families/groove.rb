# frozen_string_literal: true

module Ethoscope
  module Measures
    module Families
      # How the beat is played: swing, feel, and what each piece of the kit strikes. The way is our own.
      module Groove
        # Swing is told from here on, as a share of the pair; below it playing is straight.
        STRAIGHT = 0.5

        SWING = Measure.new(
          id: "groove.swing", name: "swing", unit: "%", scope: :song,
          kind: Kinds::Number.new(field: :ratio, digits: 0, scale: 100),
          exact: 2.0, style: 2.0, stage: "Tempo and key", rests_on: %w[meter],
          reader: lambda { |song|
            groove = song.data[:groove]
            song.whole({ unit: groove[:swing_unit], ratio: groove[:swing_ratio] }, aspect: "swing", sure: groove[:confidence])
          },
          worded: ->(value) { value[:ratio] > STRAIGHT ? "#{(value[:ratio] * 100).round} %" : "straight" }
        )

        FEEL = Measure.new(
          id: "groove.feel", name: "feel", unit: "", scope: :song,
          kind: Kinds::Category.new,
          exact: 0, style: 0, stage: "Groove", rests_on: %w[meter],
          reader: ->(song) { song.whole(song.data[:groove][:feel], aspect: "feel", sure: song.data[:groove][:confidence]) }
        )

        # Offsets nearer to each other than so many milliseconds are heard as one.
        TOGETHER_MS = 10
        TIMING = Measure.new(
          id: "groove.timing", name: "time off the grid", unit: "registers", scope: :song,
          kind: Kinds::Sequence.new(by: ->(value) { [value[:register], (value[:late_ms] / TOGETHER_MS).round] },
            says: ->(value) { "#{value[:register]} #{format("%+d", value[:late_ms].round)} ms (spread #{value[:spread_ms].round} ms)" }),
          exact: 1, style: 2, stage: "Tempo and key", rests_on: %w[meter],
          reader: lambda { |song|
            registers = SongFeel.registers(song.data[:groove].fetch(:timing, []))
            song.whole(registers.empty? ? nil : registers, aspect: "feel", sure: song.data[:groove][:confidence])
          },
          restated: lambda { |value, restatement|
            value.map { |told| told.merge(%i[late_ms spread_ms].to_h { |name| [name, restatement.seconds(told[name]).round(1)] }) }
          }
        )

        STEPS = Measure.new(
          id: "groove.steps", name: "drum steps", unit: "of 1", scope: :role_in_section,
          kind: Kinds::Grid.new,
          exact: 0.2, style: 0.4, stage: "Groove", rests_on: %w[layers],
          reader: ->(song) { SongLines.new(song).steps }
        )

        DEPARTURES = Measure.new(
          id: "groove.departures", name: "bars that depart from the pattern", unit: "bars", scope: :section,
          kind: Kinds::Sequence.new(by: ->(departure) { [departure[:bar], departure[:strokes]] }, says: ->(departure) { "bar #{departure[:bar]} (#{departure[:kind]})" }),
          exact: 1, style: 4, stage: "Groove", rests_on: %w[layers],
          reader: ->(song) { SongLines.new(song).departures }
        )

        HAT_RATE = Measure.new(
          id: "groove.hat_rate", name: "rate of the hats", unit: "", scope: :section,
          kind: Kinds::Category.new,
          exact: 0, style: 0, stage: "Groove", rests_on: %w[layers],
          reader: lambda { |song|
            rates = song.data[:drums].to_h { |pattern| [pattern[:first_bar], pattern] }
            song.by_section(aspect: "layers", sure: lambda { |section|
              rates.dig(section[:first_bar], :confidence) || 0.0
            }, source: song.told_by[:drums]) { |section| rates.dig(section[:first_bar], :hat_rate) }
          }
        )

        MEASURES = [SWING, FEEL, TIMING, STEPS, DEPARTURES, HAT_RATE].freeze
      end
    end
  end
end
