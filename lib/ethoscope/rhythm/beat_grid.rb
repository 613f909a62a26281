# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Beats and bars of a recording, in seconds. Bars count from 1; beats before the first downbeat are bar 0, the pickup. The method is our own.
    class BeatGrid
      # @return [Array<Float>] edges of the beats: one more than there are beats
      attr_reader :edges
      # @return [Integer] beats before the first downbeat
      attr_reader :pickup
      # @return [Meter]
      attr_reader :meter

      # @param edges [Array<Float>] ascending seconds, the last one ends the last beat
      # @param pickup [Integer] how many beats stand before the first downbeat
      # @param meter [Meter]
      # @raise [ArgumentError] when the edges do not ascend or hold no whole bar
      def initialize(edges:, pickup:, meter:)
        raise ArgumentError, "edges must ascend" unless edges.each_cons(2).all? { |a, b| a < b }
        raise ArgumentError, "at least one whole bar is needed" if edges.size - 1 - pickup < meter.beats

        @edges = edges.freeze
        @pickup = pickup
        @meter = meter
      end

      NOMINAL_BEAT = 0.5

      # @param duration [Float] seconds
      # @return [BeatGrid] bars of two seconds, for a recording in which no pulse was found
      def self.nominal(duration)
        beats = [(duration / NOMINAL_BEAT).floor / 4 * 4, 4].max
        new(edges: (0..beats).map { |beat| beat * NOMINAL_BEAT }, pickup: 0, meter: Meter.named("4/4"))
      end

      # @param times [Array<Float>] seconds of beats in a row
      # @return [Float] the one tempo that fits them best, by least squares, in BPM to a hundredth
      def self.even_tempo(times) = (60 / through(times).slope).round(2)

      # @param times [Array<Float>] seconds of beats in a row
      # @return [Signal::StraightLine] seconds over beats
      def self.through(times) = Signal::StraightLine.through(times.each_with_index.map { |time, beat| [beat, time] })

      # @return [Array<Float>] seconds of every beat
      def beats = edges[0...-1]

      # @return [Array<Float>] seconds of every downbeat
      def downbeats = (pickup...beats.size).step(meter.beats).map { |beat| edges[beat] }

      # @return [Integer] number of whole bars
      def bars = (edges.size - 1 - pickup) / meter.beats

      # @return [Array<Float>] where bars start, and where the last one ends
      def bar_edges = @bar_edges ||= (0..bars).map { |bar| edges[pickup + (bar * meter.beats)] }.freeze

      # @return [Array<Float>] edges of half beats
      def half_beat_edges
        edges.each_cons(2).flat_map { |from, to| [from, (from + to) / 2] } + [edges.last]
      end

      # @return [Array<Symbol>] for each half beat: :bar, :half (the middle of a four-beat bar), :beat or :off_beat
      def half_beat_positions
        beats.each_index.flat_map do |beat|
          place = (beat - pickup) % meter.beats
          name = if place.zero? then :bar
                 else meter.beats == 4 && place == 2 ? :half : :beat
                 end
          [name, :off_beat]
        end
      end

      # @param half_beat [Integer]
      # @return [Array(Integer, Float)] bar (from 1, 0 in the pickup) and beat (from 1)
      def place(half_beat)
        beats_in = (half_beat / 2.0) - pickup
        bar = (beats_in / meter.beats).floor
        [bar + 1, (beats_in - (bar * meter.beats)) + 1]
      end

      # @param seconds [Float]
      # @return [Integer] the bar whose first beat is nearest, from 1
      def bar_at(seconds) = bar_edges[0...-1].each_index.min_by { |bar| (bar_edges[bar] - seconds).abs } + 1

      # @param seconds [Float]
      # @return [Float] beats since the start of bar 1, negative before it; the outermost beats go on
      def position(seconds)
        after = edges.bsearch_index { |edge| edge > seconds } || (edges.size - 1)
        low = (after - 1).clamp(0, edges.size - 2)
        low + ((seconds - edges[low]) / (edges[low + 1] - edges[low])) - pickup
      end

      # @param beat [Float] since the start of bar 1, negative before it
      # @return [Float] seconds; the outermost beats go on
      def seconds(beat)
        place = beat + pickup
        low = place.floor.clamp(0, edges.size - 2)
        edges[low] + ((place - low) * (edges[low + 1] - edges[low]))
      end

      # @param offset [Float] seconds of this recording at which another one starts
      # @param speed [Float] seconds of this recording that one second of the other takes
      # @return [BeatGrid] the same beats in the other one's time
      def in_time_of(offset, speed) = BeatGrid.new(edges: edges.map { |edge| (edge - offset) / speed }, pickup:, meter:)

      # @param section [Form::Section]
      # @return [Range<Integer>] its half beats, end exclusive
      def half_beats_of(section)
        first = 2 * (pickup + ((section.first_bar - 1) * meter.beats))
        first...(first + (2 * section.bars * meter.beats))
      end

      # @param spans [Array<Harmony::ChordRecognizer::Span>]
      # @return [Array<Array<Harmony::Chord>>] the chord that fills most of each half of each bar
      def per_bar(spans)
        chords = spans.flat_map { |span| [span.chord] * (span.last - span.first) }
        size = 2 * meter.beats
        (0...bars).map do |bar|
          chords[(2 * pickup) + (bar * size), size].each_slice((size + 1) / 2).map { |part| part.tally.max_by(&:last).first }
        end
      end

      # Bars on each side that help to read the tempo of one.
      REACH = 4

      # @return [Array<Float>] beats per minute in each bar, from the straight line through the five bars around, before or after
      #   it that fits best: jumps stay jumps and the jitter of single beats is smoothed away
      def bar_tempos
        @bar_tempos ||= (0...bars).map { |bar| (60.0 / windows(bar).map { |first, last| line(first, last) }.min_by(&:last).first).round(2) }
      end

      # @return [Float] how long a quarter lasts in the middle of all bars
      def quarter_seconds = 60.0 / Signal::Middle.of(bar_tempos) / meter.quarters_per_beat

      private

      # First and last bar edge of the runs that hold a bar.
      def windows(bar)
        [[bar - REACH, bar + 1], [bar - (REACH / 2), bar + 1 + (REACH / 2)], [bar, bar + 1 + REACH]].map { |first, last| [[first, 0].max, [last, bars].min] }.uniq
      end

      # Seconds per beat by least squares over the beats of some bars, and the mean squared error; short runs are trusted less.
      def line(first, last)
        times = edges[(pickup + (first * meter.beats))..(pickup + (last * meter.beats))]
        found = BeatGrid.through(times)
        [found.slope, ((found.left**2) + 1e-7) * (REACH + 1.0) / (last - first)]
      end
    end
  end
end
