# frozen_string_literal: true

module Ethoscope
  module Harmony
    # A run of chords that comes back: its length in bars, its degrees, and the bars (from 1) at which it starts.
    Loop = Value.of(:bars, :chords, :degrees, :starts, :confidence)

    # Finds the shortest run of 1, 2, 4 or 8 bars with which most of the song can be told
    # (string matching over bars, after the compression view of Bimbot et al., "System & Contrast", Music Perception 2016).
    class LoopFinder
      LENGTHS = [2, 4, 8, 1, 3, 12].freeze
      # A longer loop must explain this much more of the song than half of it.
      GAIN = 0.12

      # @param bars [Array<Array<Chord>>] the chords that start or sound in each bar, one for each half of the bar
      # @param key [Key]
      def initialize(bars, key)
        @bars = bars
        @key = key
      end

      # @return [Loop, nil] nil when nothing returns at least twice
      def main
        options = LENGTHS.filter_map { |length| best_of(length) }
        options.max_by do |option|
          option[:cover] - (GAIN * Math.log2(option[:length])) - (option[:length] == 1 ? GAIN : 0)
        end&.then { |option| build(option) }
      end

      private

      def best_of(length)
        windows = (0..(@bars.size - length)).group_by { |first| signature(first, length) }
        windows.reject { |signature, _| silent?(signature) }
               .map { |_, starts| { length:, starts: apart(starts, length) } }
               .select { |option| returns_at_once?(option) }
               .map { |option| option.merge(cover: option[:starts].size * length / @bars.size.to_f) }
               .max_by { |option| [option[:cover], -option[:starts].first] }
      end

      # A loop follows on itself at least once.
      def returns_at_once?(option)
        option[:starts].each_cons(2).any? { |a, b| b - a == option[:length] }
      end

      # Seventh and triad on one root count as one in a loop.
      def signature(first, length)
        @bars[first, length].map { |chords| chords.map { |chord| [chord.root, chord.minor?] } }
      end

      def silent?(signature) = signature.flatten(1).all? { |root, _| root.nil? }

      def apart(starts, length)
        starts.each_with_object([]) { |start, kept| kept << start if kept.empty? || start >= kept.last + length }
      end

      def build(option)
        chords = @bars[option[:starts].first, option[:length]].flat_map { |bar| bar.chunk_while { |a, b| a == b }.map(&:first) }
        chords = chords.chunk_while { |a, b| a == b }.map(&:first).reject(&:none?)
        Loop.new(bars: option[:length], chords:, degrees: chords.map { |chord| Degree.of(chord, @key).numeral },
          starts: option[:starts].map { |start| start + 1 }, confidence: option[:cover].clamp(0.0, 0.99).round(2))
      end
    end
  end
end
