# frozen_string_literal: true

module Ethoscope
  module Attempts
    # An attempt against its reference: how it lies, and what differs, the largest first. What follows from something else hangs under it. The way is our own.
    class SideBySide
      # What may as well not be so counts for so much of its size in the bars where it is.
      DOUBT = 0.3

      # @return [BarMap]
      attr_reader :alignment
      # @return [Laid] what all of this is read off
      attr_reader :laid

      # @param reference [Analysis] settled
      # @param attempt [Analysis] settled
      # @param wishes [Wishes]
      # @param starts [Array(Integer, Integer), nil] see {Aligner}
      # @param semitones [Integer, nil] see {Aligner}
      # @param repeatability [Repeatability]
      # @raise [Errors::Unfit] when either was analysed by an older engine
      def initialize(reference, attempt, wishes: Wishes.none, starts: nil, semitones: nil, repeatability: Repeatability.shipped)
        songs = [reference, attempt].map { |analysis| Prints.new(analysis) }
        @repeatability = repeatability
        @alignment = Aligner.new(*songs, semitones:, starts:).alignment
        @laid = Laid.new(*songs, @alignment, wishes)
      end

      # @return [Array<Difference>] the largest first, as far as they are sure; none where nothing is laid
      def differences
        @differences ||= alignment.laid? ? Causes.new(found, bars: laid.bars.size).told.sort_by { |difference| [-weight(difference), difference.kind] } : []
      end

      # @return [Array<Hash>] by bar of the reference: bar, that of the attempt (nil where it has none), and how far they are apart, in tolerances
      def bars
        apart = Hash.new(0.0)
        differences.each { |difference| difference.each_bar.each { |bar| apart[bar] += difference.doubtful? ? difference.size * DOUBT : difference.size } }
        alignment.pairs.filter_map { |bar, other| bar && { bar:, attempt: other, apart: apart[bar].round(2) } }
      end

      # @param count [Integer]
      # @return [Array<Hash>] the worst bars: bar, apart and the sentences that say why
      def worst(count = 8)
        bars.select { |bar| bar[:apart].positive? }.max_by(count) { |bar| [bar[:apart], -bar[:bar]] }
            .map { |bar| bar.merge(why: differences.select { |difference| difference.each_bar.include?(bar[:bar]) }.map(&:words)) }
      end

      # @return [Hash] each difference with what it is seen in, where a plot shows it
      def to_h
        plot = PairPlot.new(laid)
        { alignment: alignment.to_h, differences: differences.map { |difference| { **difference.to_h, evidence: plot.of(difference)&.to_h }.compact }, bars:, worst: }
      end

      private

      def weight(difference) = difference.size * difference.sure * Math.sqrt([difference.each_bar.size, 1].max)

      # What is left out on purpose is not missing.
      def found = everything.reject { |difference| difference.kind == "layer_missing" && @laid.wishes.left_out.include?(difference.role) }

      # What notes tell of the bass needs not be heard; and where a chord is another one or a layer comes in late, so are its notes.
      def everything
        chords = Finders::Chords.new(@laid).differences
        entries = Finders::Entries.new(@laid).differences
        other = chords.flat_map(&:each_bar)
        moved = entries.group_by(&:role).transform_values { |list| list.flat_map(&:each_bar) }
        tunes = Finders::Tunes.new(@laid, except: Hash.new(other).merge(moved.transform_values { |bars| bars | other }))
        [*chords, *entries, *tunes.differences, *(tunes.bass? ? [] : Finders::Bass.new(@laid).differences), *Finders::Kit.new(@laid, except: moved).differences, *of_the_sound]
      end

      def of_the_sound
        [Finders::Whole.new(@laid, @repeatability), Finders::Form.new(@laid), Finders::Techniques.new(@laid), Finders::Balance.new(@laid, @repeatability),
         Finders::StemSounds.new(@laid, @repeatability)].flat_map(&:differences)
      end
    end
  end
end
