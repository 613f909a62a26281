# frozen_string_literal: true

module Ethoscope
  module Attempts
    module Finders
      # Sections that are louder or wider against the rest, bands and registers that have more or less, and registers that are struck later. A difference is one when it is
      # larger than both the tolerance of its measure and what such places repeat to. The way is our own.
      class Balance
        # Measure, unit, digits and tolerance for an exact remake; the sentence and what to do, by whether the attempt has more or less of it.
        Kind = Value.of(:measure, :unit, :digits, :tolerance, :more, :less)
        KINDS = {
          "section_level" => Kind.new(measure: "mix.level", unit: "LU", digits: 1, tolerance: 1.0,
            more: ["Against the rest, %<place>s of yours stand %<apart>s higher.", "Bring %<place>s down by %<apart>s, the layers that are new there first."],
            less: ["Against the rest, %<place>s of yours stand %<apart>s lower.", "Bring %<place>s up by %<apart>s, or hold back what comes before."]),
          "section_width" => Kind.new(measure: "mix.widths", unit: "dB", digits: 1, tolerance: 2.0,
            more: ["Against the rest, %<place>s of yours are wider by %<apart>s at the sides.", "Narrow %<place>s by %<apart>s, so that what follows can open."],
            less: ["Against the rest, %<place>s of yours are narrower by %<apart>s at the sides.", "Open %<place>s by %<apart>s: doubles, pads or a wider return there alone."]),
          "spectrum" => Kind.new(measure: "mix.spectrum", unit: "dB", digits: 1, tolerance: 2.0,
            more: ["Yours has %<apart>s more of %<place>s.", "Take %<apart>s away around %<place>s, from the layer that fills it most."],
            less: ["Yours has %<apart>s less of %<place>s.", "Bring %<place>s up by %<apart>s, or choose sounds that reach there."]),
          "width_band" => Kind.new(measure: "mix.registers", unit: "%", digits: 0, tolerance: 3.0,
            more: ["The %<place>s of yours is wider: %<here>s of its energy at the sides, not %<there>s.", "Narrow the %<place>s to %<there>s at the sides."],
            less: ["The %<place>s of yours is narrower: %<here>s of its energy at the sides, not %<there>s.", "Widen the %<place>s to %<there>s at the sides."]),
          "feel" => Kind.new(measure: "groove.timing", unit: "ms", digits: 0, tolerance: 5.0,
            more: ["What is struck in the %<place>s register comes %<apart>s later in yours.", "Move it %<apart>s forward."],
            less: ["What is struck in the %<place>s register comes %<apart>s earlier in yours.", "Move it %<apart>s back."])
        }.freeze

        # @param laid [Laid]
        # @param repeatability [Repeatability]
        def initialize(laid, repeatability)
          @laid = laid
          @repeatability = repeatability
        end

        # @return [Array<Difference>]
        def differences
          apart = SoundPlaces.new(@laid).all.select { |reading| reading.apart.abs > tolerance(reading) }
          runs(apart).map { |readings| difference(readings) }
        end

        private

        def tolerance(reading) = [KINDS.fetch(reading.kind).tolerance, @repeatability.of(reading.place)].max

        # Bands beside each other that are apart in the same direction are one thing.
        def runs(readings)
          readings.slice_when { |one, other| !(one.kind == "spectrum" && other.kind == "spectrum" && neighbours?(one, other)) }.to_a
        end

        def neighbours?(one, other) = one.place.succ == other.place && one.apart.positive? == other.apart.positive?

        def difference(readings)
          reading = readings.max_by { |one| one.apart.abs }
          kind = KINDS.fetch(reading.kind)
          said = { place: place(readings), there: figure(kind, reading.there), here: figure(kind, reading.here), apart: figure(kind, reading.apart.abs) }
          words, how = (reading.apart.positive? ? kind.more : kind.less).map { |text| format(text, **said) }
          Difference.of(kind: reading.kind, measure: kind.measure, bars: reading.bars, reference: said[:there], attempt: said[:here], distance: reading.apart.abs.round(2),
            tolerance: tolerance(reading), unit: kind.unit, words:, how: [how])
        end

        def place(readings) = readings.first.name ? SoundPlaces.named(readings.map(&:name)) : @laid.where(readings.first.bars)

        def figure(kind, value) = "#{Readings::Words.signed(value.round(kind.digits), kind.digits)} #{kind.unit}"
      end
    end
  end
end
