# frozen_string_literal: true

module Ethoscope
  module Stems
    # Where the onsets of a stem lie against the sixteenths of the beat, and how many there are. The method is our own.
    class StemTiming
      # An onset this little before a beat belongs to it.
      EARLY_SECONDS = 0.03
      # Where in its beat an off-beat eighth is played, straight or swung.
      OFF_BEAT = (0.42..0.72)
      REACH_SHARE = 0.45
      # A step of the beat needs this many onsets to have a mean.
      FEWEST = 6

      # @param onsets [Array<Float>] seconds in the stem's time
      # @param grid [Rhythm::BeatGrid] in the stem's time
      def initialize(onsets, grid)
        @grid = grid
        @steps = grid.meter.compound ? 6 : 4
        @places = onsets.filter_map { |time| place(time) }
      end

      # @param playing [Array<Float>] how much of each beat sounds
      # @return [Float] onsets a beat in the bars in which it plays
      def density(playing)
        bars = playing.each_slice(@grid.meter.beats).count { |beats| beats.any?(&:positive?) }
        bars.zero? ? 0.0 : (@places.size / (bars * @grid.meter.beats).to_f).round(2)
      end

      # @return [Hash] late_ms (mean over all steps but the swung ones), spread_ms, swing (place of the off-beat in its pair, or nil)
      def to_h
        return { late_ms: nil, spread_ms: nil, swing: nil } if @places.size < FEWEST

        on_beat = @places.select { |step, _, _| step.zero? }
        late = on_beat.size >= FEWEST ? on_beat : @places
        mean = late.sum { |_, _, ms| ms } / late.size
        { late_ms: mean.round(1), spread_ms: Math.sqrt(late.sum { |_, _, ms| (ms - mean)**2 } / late.size).round(1), swing: }
      end

      private

      # Step of the beat, share of the beat, and ms after the step.
      def place(time)
        beat = (@grid.edges.bsearch_index { |edge| edge > time + EARLY_SECONDS } || 0) - 1
        return nil if beat.negative? || beat + 1 >= @grid.edges.size

        length = @grid.edges[beat + 1] - @grid.edges[beat]
        share = (time - @grid.edges[beat]) / length
        step = (share * @steps).round
        late = (share - (step.to_f / @steps)) * length
        late.abs > REACH_SHARE * length / @steps ? nil : [step % @steps, share, late * 1000]
      end

      # The off-beat eighth's mean place, of those that are played.
      def swing
        return nil if @steps != 4

        off = @places.map { |_, share, _| share }.grep(OFF_BEAT)
        off.size >= FEWEST ? (off.sum / off.size).round(3) : nil
      end
    end
  end
end
