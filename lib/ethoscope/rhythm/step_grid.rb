# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # The steps of every bar as moments: sixteen in 4/4, twelve in 3/4 and 6/8, twenty in 5/4. Swung off-beats lie where they
    # are played. The method is our own.
    class StepGrid
      # @return [Meter]
      attr_reader :meter
      # @return [Integer] steps in a bar
      attr_reader :steps
      # @return [Integer] steps in a beat
      attr_reader :per_beat
      # @return [Numo::DFloat] shape [bars, steps], seconds
      attr_reader :times
      # @return [Float] length of a straight step in seconds, mean over the song
      attr_reader :step_seconds

      # @param grid [BeatGrid]
      # @param swing [Swing, nil]
      def initialize(grid, swing)
        @meter = grid.meter
        @steps = meter.steps
        @per_beat = meter.steps_per_beat
        places = places(grid.meter, swing)
        edges = Numo::DFloat[*grid.edges[grid.pickup..]]
        beats = grid.bars * grid.meter.beats
        starts = edges[0...beats].reshape(beats, 1)
        lengths = (edges[1..beats] - edges[0...beats]).reshape(beats, 1)
        @times = (starts + (lengths * places)).reshape(grid.bars, @steps)
        @moments = [*@times.flatten.to_a, edges[beats]].freeze
        @step_seconds = lengths.mean / places.size
        freeze
      end

      # @return [Integer] number of bars
      def bars = times.shape[0]

      # @param beat [Float] counted from the start of bar 1, as one would write it
      # @return [Float] seconds at which it is played, swung where off-beats are
      def seconds(beat)
        place = (beat * per_beat).clamp(0, @moments.size - 1)
        low = [place.floor, @moments.size - 2].min
        @moments[low] + ((place - low) * (@moments[low + 1] - @moments[low]))
      end

      private

      # Where in its beat each step lies, 0 to 1.
      def places(meter, swing)
        straight = Numo::DFloat.new(per_beat).seq / per_beat
        return straight if swing.nil? || meter.compound || per_beat != 4 || swing.ratio <= 0.5

        late = swing.ratio
        swing.unit == "8th" ? Numo::DFloat[0, late / 2, late, (1 + late) / 2] : Numo::DFloat[0, late / 2, 0.5, 0.5 + (late / 2)]
      end
    end
  end
end
