# frozen_string_literal: true

module Ethoscope
  module Sheet
    # Where seconds lie on the bars of an analysis, and bars in seconds.
    class Timeline
      # @return [Integer] beats in a bar
      attr_reader :beats_per_bar
      # @return [Integer] number of bars
      attr_reader :bars

      # @param data [Hash] the analysis schema
      def initialize(data)
        # Whatever a count left behind the last bar belongs to no bar.
        @edges = data[:beats].take_while { |beat| beat < data[:end] - 1e-6 } + [data[:end]]
        @pickup = data[:pickup_beats]
        @beats_per_bar = Rhythm::Meter.named(data[:meter]).beats
        @bars = data[:bars].size
        @lines = (1..(@bars + 1)).map { |bar| seconds(bar) }
      end

      # @param bar [Integer] from 1; one past the last is the end of the song
      # @param beat [Float] from 1
      # @return [Float] seconds
      # @raise [Errors::Unfit] when the song has no such bar
      def seconds(bar, beat = 1.0)
        raise Errors::Unfit, "bars run from 1 to #{bars}" unless bar.between?(1, bars + 1)

        edge(@pickup + ((bar - 1) * beats_per_bar) + beat - 1)
      end

      # @param seconds [Float]
      # @return [Array(Integer, Float)] bar and beat, to the nearest half beat
      def place(seconds)
        halves = half_beat(seconds) - (2 * @pickup)
        bar = halves.div(2 * beats_per_bar)
        [bar + 1, 1 + ((halves - (bar * 2 * beats_per_bar)) / 2.0)]
      end

      # @param seconds [Float]
      # @return [Float] seconds of the nearest half beat
      def snapped(seconds) = edge(half_beat(seconds) / 2.0).round(5)

      # @param beat [Float] from the start of bar 1, as the lines of a song have them
      # @return [Float] seconds
      def seconds_at(beat) = edge(@pickup + beat)

      # @param seconds [Float]
      # @return [Float] beats from the start of bar 1, exactly
      def beat_at(seconds)
        low = below(seconds)
        low + ((seconds - @edges[low]) / (@edges[low + 1] - @edges[low])) - @pickup
      end

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @return [Float] beats between them, to half a beat
      def beats_between(from, to) = (half_beat(to) - half_beat(from)) / 2.0

      # @param seconds [Float]
      # @return [Integer] the bar whose first beat is nearest, from 1
      def bar_near(seconds) = [line_near(seconds), bars].min

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @return [Array(Integer, Integer)] first and last bar of which it holds at least half, or the one that holds most of it
      def bar_run(from, to)
        first = bar_near(from)
        [first, (line_near(to) - 1).clamp(first, bars)]
      end

      # @param bar [Integer]
      # @param stop [Float] seconds
      # @return [Float] the one tempo that fits the beats from a bar to a moment best, by least squares, in BPM to a hundredth
      def even_tempo(bar, stop)
        first = @pickup + ((bar - 1) * beats_per_bar)
        times = @edges[first..].take_while { |edge| edge <= stop + 1e-3 }
        raise Errors::Unfit, "there is no whole bar from there on" if times.size <= beats_per_bar

        Rhythm::BeatGrid.even_tempo(times)
      end

      private

      # The bar line nearest to a moment, the first of two that are as near; the end of the song is the last one.
      def line_near(seconds)
        after = @lines.bsearch_index { |line| line >= seconds } || bars
        return after + 1 if after.zero? || @lines[after] - seconds < seconds - @lines[after - 1]

        after
      end

      # Seconds at a count of beats from the first edge; beyond the ends the outermost beats go on.
      def edge(count)
        low = count.floor.clamp(0, @edges.size - 2)
        @edges[low] + ((count - low) * (@edges[low + 1] - @edges[low]))
      end

      def half_beat(seconds) = ((beat_at(seconds) + @pickup) * 2).round

      # The beat that holds a moment.
      def below(seconds)
        after = @edges.bsearch_index { |edge| edge > seconds } || (@edges.size - 1)
        (after - 1).clamp(0, @edges.size - 2)
      end
    end
  end
end
