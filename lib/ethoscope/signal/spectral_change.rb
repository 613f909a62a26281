# frozen_string_literal: true

module Ethoscope
  module Signal
    # How much a row of features turns into another one at each moment: one minus the cosine of the means just before
    # and just after (Foote, "Automatic audio segmentation using a measure of audio novelty", ICME 2000).
    module SpectralChange
      # @param features [Numo::NArray] shape [frames, features]
      # @param reach [Integer] frames on each side
      # @return [Numo::DFloat] shape [frames], 0 (same) to 1 (nothing shared)
      def self.curve(features, reach)
        count = features.shape[0]
        sums = Numo::DFloat.zeros(count + 1, features.shape[1])
        sums[1.., true] = Numo::DFloat.cast(features).cumsum(0)
        index = Numo::Int32.new(count).seq
        before = sums[index, true] - sums[(index - reach).clip(0, count), true]
        after = sums[(index + reach).clip(0, count), true] - sums[index, true]
        norm = Numo::NMath.sqrt((before**2).sum(axis: 1) * (after**2).sum(axis: 1))
        cosine = (before * after).sum(axis: 1) / norm.clip(1e-9, nil)
        quiet = Numo::DFloat.cast(norm > 1e-9)
        (1 - cosine.clip(0, 1)) * quiet
      end
    end
  end
end
