# frozen_string_literal: true

module Ethoscope
  module Attempts
    # An attempt laid on its reference: both bar by bar, the alignment, and how places are called. What all finders look at. The way is our own.
    class Laid
      # @return [Prints]
      attr_reader :reference, :attempt
      # @return [BarMap]
      attr_reader :alignment
      # @return [Wishes]
      attr_reader :wishes

      # @param reference [Prints]
      # @param attempt [Prints]
      # @param alignment [BarMap]
      # @param wishes [Wishes]
      def initialize(reference, attempt, alignment, wishes)
        @reference = reference
        @attempt = attempt
        @alignment = alignment
        @wishes = wishes
      end

      # @return [Array(Prints, Prints)] both
      def songs = [reference, attempt]

      # @return [Laid] the same with both in each other's place
      def turned
        back = BarMap.new(**alignment.members.to_h { |name| [name, alignment[name]] }, pairs: alignment.pairs.map(&:reverse), semitones: -semitones)
        Turned.new(attempt, reference, back, wishes, pieces)
      end

      # @return [Pieces]
      def pieces = @pieces ||= Pieces.new(alignment, reference.borders)

      # @return [Hash{Integer => Integer}] bar of the attempt by bar of the reference
      def bars = @bars ||= alignment.bars

      # @return [Integer] semitones by which the attempt lies higher
      def semitones = alignment.semitones

      # @param bar [Integer] of the reference
      # @return [Hash, nil] the section in the schema that it lies in
      def section(bar) = reference.data[:sections].find { |section| bar.between?(section[:first_bar], section[:first_bar] + section[:bars] - 1) }

      # @param bars [Array<Integer>] of the reference
      # @return [Array<Array(Integer, Integer)>] runs of them
      def runs(bars) = bars.sort.uniq.slice_when { |a, b| b != a + 1 }.map { |run| [run.first, run.last] }

      # @param runs [Array<Array(Integer, Integer)>]
      # @return [String] such as "bars 5 to 8 and 13 (verse)"
      def where(runs)
        return "throughout" if runs.empty? || runs == [[1, reference.size]]

        listed = runs.map { |first, last| first == last ? first.to_s : "#{first} to #{last}" }
        labels = runs.filter_map { |first, _| section(first)&.fetch(:label) }.uniq
        "#{runs == [[runs[0][0]] * 2] ? "bar" : "bars"} #{Readings::Words.list(listed)}#{" (#{labels.first(2).join(", ")})" if labels.any?}"
      end

      # @param role [String] kick, snare or hats
      # @return [Boolean] whether notes of both tell it; what is heard on its stem is read like what is heard in the mix, for strokes are overheard there too
      def told?(role) = songs.all? { |song| song.told(role) && song.data[:told_by][:drums] == "midi" }
    end

    # A pair with both songs in each other's place, in the same pieces. The way is our own.
    class Turned < Laid
      # @param pieces [Pieces] of the pair as it was
      # @param rest [Array] see {Laid#initialize}
      def initialize(*rest, pieces)
        super(*rest)
        @pieces = pieces.map { |piece| Pieces::Piece.new(reference: piece.attempt, attempt: piece.reference) }
      end
    end
  end
end
