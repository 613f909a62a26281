# frozen_string_literal: true

module Ethoscope
  module Signal
    # Mean magnitudes between many pairs of moments, by running sums: of some bins of {LogSpectra}, and of all of them as one number. The method is our own.
    class SpanMeans
      # bins: shape [n, bins]; all: shape [n], root of summed squares of all bins.
      Span = Value.of(:bins, :all) do
        # @return [Numo::DFloat] shape [n], root of summed squares of the bins
        def level = Numo::NMath.sqrt((bins**2).sum(axis: 1))

        # @return [Numo::Int32] shape [n], the strongest bin
        def top = bins.max_index(axis: 1) % bins.shape[1]
      end

      # @param spectra [LogSpectra]
      # @param kept [Range<Integer>] bins
      def initialize(spectra, kept)
        frames = Numo::DFloat.cast(spectra.frames)
        @rate = spectra.rate
        @size = spectra.size
        @bins = Numo::DFloat.zeros(@size + 1, kept.size)
        @bins[1.., true] = frames[true, kept].dup.cumsum(0)
        @all = Numo::DFloat.zeros(@size + 1)
        @all[1..] = Numo::NMath.sqrt((frames**2).sum(axis: 1)).cumsum
        freeze
      end

      # @param from [Numo::DFloat] shape [n], seconds
      # @param to [Numo::DFloat] shape [n], seconds; at least the frame at from counts
      # @return [Span]
      def between(from, to)
        first = frame(from)
        last = Numo::Int32.maximum(frame(to), first) + 1
        count = Numo::DFloat.cast(last - first)
        Span.new(bins: (@bins[last, true] - @bins[first, true]) / count.reshape(count.size, 1), all: (@all[last] - @all[first]) / count)
      end

      private

      def frame(times) = Numo::Int32.cast((times * @rate).round).clip(0, @size - 1)
    end
  end
end
