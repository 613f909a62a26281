# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # The curves that vote on beat and bar, all on the musical time axis and scaled to a mean of one.
    class PulseEvidence
      # Places of a beat at which its first one is looked for.
      PHASES = 48
      # Onsets count for a position when they lie this many frames around it; turns of harmony are less sharp.
      REACH = 2
      TURN_REACH = 3

      # @return [Hash{Symbol => Numo::DFloat}] total, low, middle, high (onsets), change and bass (change of notes), turns (of chords)
      attr_reader :curves
      # @return [Float] frames per second of the curves
      attr_reader :rate
      # @return [Float] seconds from the start to the strongest alignment of the pulse
      attr_reader :phase
      # @return [Float] musical seconds of the main pulse
      attr_reader :period
      # @return [Float] onsets per second
      attr_reader :density
      # @return [Repetition] of notes, and of chords
      attr_reader :notes, :chords

      # @param onset [Signal::OnsetStrength]
      # @param clues [HarmonicClues]
      # @param warp [TimeWarp]
      # @param period [Float] main pulse in musical seconds
      def initialize(onset, clues, warp, period)
        @rate = onset.rate
        @period = period
        raw, low, middle, high = warp.warp(onset.total, onset.low, onset.middle, onset.high)
        @phase = find_phase(raw)
        @density = count_onsets(raw) / (raw.size / @rate)
        struck = { total: raw, low:, middle:, high: }
        @curves = struck.transform_values { |curve| unit(Signal::Series.running_max(curve, REACH)) }.merge(harmonic(clues, warp, raw.size)).freeze
        @notes, @chords = [clues.notes, clues.chords].map { |rows| Repetition.new(musical_rows(rows, clues.step, warp)) }
        freeze
      end

      # @return [Float] length in musical seconds
      def duration = curves[:total].size / rate

      # @param start [Float] musical seconds of the first position
      # @param step [Float] musical seconds between positions
      # @param count [Integer] number of positions
      # @return [Hash{Symbol => Numo::DFloat}] each curve at those positions
      def at(start, step, count)
        places = Signal::Interpolation.new(curves[:total].size, ((Numo::DFloat.new(count).seq * step) + start) * rate)
        curves.transform_values { |curve| places.of(curve) }
      end

      private

      def harmonic(clues, warp, size)
        moments = warp.to_seconds(Numo::DFloat.new(size).seq / rate)
        turns = Signal::Series.running_max(Signal::Series.sample(clues.turns, moments / clues.step), TURN_REACH)
        change, bass = warp.warp(resample(clues.treble, size), resample(clues.bass, size))
        { change: unit(change), bass: unit(bass), turns: unit(turns) }
      end

      # Rows read at equal steps of musical time.
      def musical_rows(rows, step, warp)
        count = (duration / Repetition::STEP).floor
        at = ((warp.to_seconds(Numo::DFloat.new(count).seq * Repetition::STEP) / step) - 0.5).clip(0, rows.shape[0] - 1)
        low = Numo::Int32.cast(at.floor).clip(0, rows.shape[0] - 2)
        share = (at - low).reshape(count, 1)
        (rows[low, true] * (1 - share)) + (rows[low + 1, true] * share)
      end

      def unit(curve)
        mean = curve.mean
        mean.positive? ? curve / mean : curve
      end

      def resample(curve, size)
        at = Numo::DFloat.new(size).seq * ((curve.size - 1.0) / [size - 1, 1].max)
        Signal::Series.sample(curve, at)
      end

      # Phase of the pulse by the Fourier sum at its own rate and its double (Grosche & Müller, 2011), then by a comb.
      def find_phase(curve)
        candidates = Array.new(PHASES) { |i| period * i / PHASES.to_f }
        count = ((curve.size / rate) / period).floor - 1
        return 0.0 if count < 1

        strength = candidates.map do |offset|
          Signal::Series.sample(curve, ((Numo::DFloat.new(count).seq * period) + offset) * rate).mean
        end
        smooth = strength.each_index.map { |i| strength[i - 1] + (2 * strength[i]) + strength[(i + 1) % PHASES] }
        candidates[smooth.each_with_index.max[1]]
      end

      def count_onsets(curve)
        level = curve.mean + (0.5 * curve.stddev)
        peaks = (curve[1...-1] > curve[0...-2]) & (curve[1...-1] >= curve[2..]) & (curve[1...-1] > level)
        peaks.count_true.to_f
      end
    end
  end
end
