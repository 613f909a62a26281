# frozen_string_literal: true

module Ethoscope
  module Attempts
    # Both songs on one sheet: what either has in each bar of the reference, for rows that are mirrored at a hairline. The way is our own.
    class TwoInks
      # Roles in the order of the rows; others follow.
      ROLES = %w[kick snare hats percussion bass chords pad strings brass guitar lead counter-melody vocal texture fx].freeze
      # Levels this many LU under the loud bars are nothing.
      FLOOR = 24.0

      # @param comparison [SideBySide]
      # @param reference [Analysis]
      # @param attempt [Analysis]
      def initialize(comparison, reference, attempt)
        @alignment = comparison.alignment
        @bars = @alignment.bars
        @reference = Prints.new(reference)
        @attempt = Prints.new(attempt)
      end

      # @return [Hash] bars (both in seconds; the attempt's nil where it has none), sections, beats of a bar, energy, chords and layers, each of reference and attempt by
      #   bar of the reference; of the attempt nil where the bar is cut
      def to_h
        { bars:, sections: @reference.data[:sections].map do |section|
          section.slice(:label, :letter, :first_bar, :bars)
        end, meter: @reference.data[:meter], energy:, chords:, layers:,
          inserted: @alignment.added.map { |run| { first: run.first, last: run.last, behind: @alignment.behind(run.first) } } }
      end

      private

      def bars
        theirs, mine = [@reference, @attempt].map { |song| song.data[:bars] }
        theirs.each_with_index.map do |bar, i|
          other = @bars[i + 1]
          { bar: i + 1, start: bar[:start], end: bar[:end], attempt: other && { bar: other, start: mine[other - 1][:start], end: mine[other - 1][:end] } }
        end
      end

      # Each as it lies on the reference's bars.
      def laid(values) = (1..@reference.size).map { |bar| @bars[bar] && values[@bars[bar] - 1] }

      # 0 to 1, either against its own loud bars: a louder bounce is not a fuller one.
      def energy
        levels = [@reference, @attempt].map { |song| (1 + (song.energy / FLOOR)).clip(0, 1).to_a.map { |level| level.round(3) } }
        { reference: levels[0], attempt: laid(levels[1]) }
      end

      def layers
        songs = [@reference, @attempt].map { |song| song.data[:layers].group_by { |layer| layer[:role] } }
        (songs.flat_map(&:keys).uniq - [nil]).sort_by { |role| [ROLES.index(role) || ROLES.size, role] }.map do |role|
          theirs, mine = songs.map { |layers| loudest(layers[role]) }
          { role:, reference: theirs || Array.new(@reference.size, 0), attempt: laid(mine || Array.new(@attempt.size, 0)) }
        end
      end

      # Several layers of one role are one row.
      def loudest(layers) = layers&.map { |layer| layer[:activity] }&.transpose&.map(&:max)

      # By bar: the chords that begin in it, with their beat; those of the attempt in the reference's key.
      def chords
        key = @reference.analysis.key
        { reference: symbols(@reference) { |chord| chord[:symbol] }, attempt: laid(symbols(@attempt) { |chord| moved(chord, key) }) }
      end

      def symbols(song)
        by_bar = song.data[:chords].reject { |chord| chord[:label] == "N" }.group_by { |chord| chord[:bar] }
        (1..song.size).map { |bar| by_bar.fetch(bar, []).map { |chord| { beat: chord[:beat], beats: chord[:beats], symbol: yield(chord) } } }
      end

      def moved(chord, key)
        return chord[:symbol] if @alignment.semitones.zero? || key.nil?

        Harmony::ChordSymbol.parse(chord[:symbol]).transpose(-@alignment.semitones, key).to_s
      end
    end
  end
end
