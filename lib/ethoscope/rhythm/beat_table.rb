# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # The curves of the evidence read at twelve places a beat, for one beat period and phase: one row a beat. The method is our own.
    class BeatTable
      PLACES = 12
      # Half a beat lies this many places after its beat.
      HALF = 6
      CURVES = %i[total low middle high change bass turns].freeze

      # @return [Integer] number of beats
      attr_reader :size
      # @return [Hash{Symbol => Array<Float>}] by curve, the mean beat
      attr_reader :mean

      # @param evidence [PulseEvidence]
      # @param start [Float] musical seconds of the first beat
      # @param period [Float] musical seconds
      # @param beats [Integer] number of beats
      def initialize(evidence, start, period, beats)
        @size = beats
        @grid = evidence.at(start, period / PLACES, beats * PLACES).slice(*CURVES).transform_values { |curve| curve.reshape(beats, PLACES) }
        @mean = @grid.transform_values { |values| values.mean(axis: 0).to_a }
        @struck = Numo::DFloat.hstack([0, HALF].map { |place| Numo::DFloat.vstack(@grid.values.map { |values| values[true, place] }).transpose })
        @whole = Hash.new { |curves, name| curves[name] = Signal::Series.standardize(@grid[name].mean(axis: 1)) }
        @alike = Hash.new { |lags, (name, lag)| lags[[name, lag]] = alike(@whole[name], lag) }
      end

      # Means over bars, from the first beat of the table on.
      #
      # @param bars [Integer]
      # @param beats [Integer] beats of a bar
      # @return [Array<Array<Float>>] two bars' worth of beats, each with all curves on the beat, then half a beat later: any run of
      #   as many beats as a bar has is the mean bar from there on
      def folds(bars, beats)
        whole = Numo::DFloat.new(1, bars).fill(1.0 / bars)
        [0, beats].flat_map { |from| weighed(whole, from, bars, beats)[0, true, true].to_a }
      end

      # Means over even bars, and over odd ones.
      #
      # @param bars [Integer]
      # @param beats [Integer] beats of a bar
      # @return [Array(Array<Array<Float>>, Array<Array<Float>>)] beats of the mean bar as in {#folds}
      def even_and_odd(bars, beats)
        odd = Numo::DFloat.new(1, bars).seq % 2
        halves = Numo::DFloat.vstack([1 - odd, odd])
        weighed(halves / halves.sum(axis: 1, keepdims: true), 0, bars, beats).to_a
      end

      # @param name [Symbol] a curve
      # @param lag [Integer] beats
      # @return [Float] how much beats that far apart are alike, against those a beat nearer or further
      def repetition(name, lag)
        (@alike[[name, lag]] + @alike[[name, 2 * lag]]) - (@alike[[name, lag - 1]] + @alike[[name, lag + 1]])
      end

      private

      def weighed(weights, from, bars, beats)
        rows = @struck[from...(from + (bars * beats)), true].reshape(bars, beats * @struck.shape[1])
        Numo::Linalg.dot(weights, rows).reshape(weights.shape[0], beats, @struck.shape[1])
      end

      def alike(curve, lag) = lag < size ? (curve[lag..] * curve[0...(size - lag)]).mean : 0.0
    end
  end
end
