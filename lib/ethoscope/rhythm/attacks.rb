# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Where a curve of onset strength peaks: moments in seconds, to a fraction of a frame by parabolic interpolation, and heights; arrays of one length,
    # ascending in time. The method is our own.
    Attacks = Value.of(:times, :heights) do
      # @param curve [Numo::DFloat] shape [frames]
      # @param rate [Float] frames per second
      # @return [Attacks]
      def self.of(curve, rate)
        at = ((curve[1...-1] > curve[0...-2]) & (curve[1...-1] >= curve[2..])).where.to_a.map { |index| index + 1 }
        return new(times: [], heights: []) if at.empty?

        before, peak, after = [-1, 0, 1].map { |shift| curve[at.map { |index| index + shift }] }
        bend = before - (peak * 2) + after
        offset = (before - after) * 0.5 / bend.clip(nil, -1e-9)
        new(times: ((Numo::DFloat[*at] + offset.clip(-0.5, 0.5)) / rate).to_a, heights: peak.to_a)
      end

      # @param least [Float]
      # @return [Array<Array(Float, Float)>] moment and height of those that are at least so high
      def over(least) = times.zip(heights).select { |_, height| height >= least }
    end
  end
end
