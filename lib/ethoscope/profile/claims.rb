# frozen_string_literal: true

module Ethoscope
  module Profile
    # All that a clear majority of some songs has, trait by trait, beside other music. The way is our own.
    class Claims
      # So many statements a profile makes, where it can.
      FEWEST = 12
      # What says the same more exactly.
      SAYS_MORE = { "harmony.minor" => "harmony.mode", "time.pace" => "time.tempo", "harmony.coloured" => "harmony.sevenths", "groove.no_snare" => "groove.none",
                    "groove.no_kick" => "groove.none", "groove.no_hats" => "groove.none" }.freeze

      # @param songs [Array<Hash>] traits by song, see {Measures::SongTraits}
      # @param weights [Array<Float>] of the songs; those of weight 0 count nowhere
      # @param baseline [Baseline]
      # @param reliability [Reliability]
      def initialize(songs, weights: [1.0] * songs.size, baseline: Baseline.shipped, reliability: Reliability.shipped)
        @songs = songs
        @weights = weights
        @baseline = baseline
        @reliability = reliability
      end

      # @return [Array<Claim>] what is more its own first, then by how much more common it is here
      def all
        @all ||= begin
          found = Measures::Traits.all.flat_map { |trait| trait.kind == :figure ? [figure(trait)].compact : stated(trait) }
          ids = found.map(&:trait)
          found.reject { |claim| ids.include?(SAYS_MORE[claim.trait]) }.sort_by { |claim| [%w[own few common].index(claim.standing), -claim.lead, claim.id] }
        end
      end

      # @return [Array<Claim>] those that are worth saying and sure enough; where they are few, the surest of what most music has fills them up
      def said
        own, rest = all.partition(&:said?)
        own + rest.select { |claim| claim.sure&.>=(Claim::SURE) }.sort_by { |claim| claim.elsewhere || 1 }.first([FEWEST - own.size, 0].max)
      end

      # @param claim [Claim] of these or of other songs
      # @param songs [Array<Hash>] traits by song
      # @return [Array(Integer, Integer)] how many of them have it, of those that tell
      def count(claim, songs = counted)
        told = songs.reject { |song| song[claim.trait].nil? }
        [told.count { |song| holds?(claim, song[claim.trait]) }, told.size]
      end

      # @param trait [Measures::Trait]
      # @param figure [Float]
      # @param middle [Float]
      # @return [Float] a tempo counted as the middle is counted; any other figure as it is
      def fold(trait, figure, middle)
        return figure unless trait.id == "time.tempo"

        figure *= 2 while figure < middle / Math.sqrt(2)
        figure /= 2 while figure >= middle * Math.sqrt(2)
        figure
      end

      # @param songs [Array<Hash>]
      # @return [Claims] of other songs beside the same music, whatever of it may be misheard
      def of(songs) = self.class.new(songs, baseline: @baseline, reliability: Reliability.new({}))

      private

      def counted = @songs.each_index.select { |i| @weights[i].positive? }.map { |i| @songs[i] }

      def holds?(claim, value)
        return has(claim.kind, value, claim.value) unless claim.kind.kind == :figure

        low, high = claim.value
        fold(claim.kind, value, (low + high) / 2.0).between?(low, high)
      end

      def stated(trait)
        values(trait).filter_map do |value|
          claim(trait, value, @songs.map { |song| has(trait, song[trait.id], value) }) { @baseline.share_of(trait, value) } if trait.words(value)
        end
      end

      # What at least two songs have: nothing else can be claimed of them.
      def values(trait) = @songs.flat_map { |song| trait.kind == :set ? Array(song[trait.id]).uniq : [song[trait.id]] }.compact.tally.select { |_, count| count > 1 }.keys

      def has(trait, own, value)
        if own.nil?
          nil
        else
          (trait.kind == :set ? own.include?(value) : own == value)
        end
      end

      # The most songs whose figures lie close together.
      def figure(trait)
        known = figures(trait)
        return nil if known.compact.empty?

        middle = crowded(trait, known.compact.sort)
        inside = known.map { |one| one && near?(trait, one, middle) }
        range = known.zip(inside).select(&:last).map(&:first).minmax
        claim(trait, range, inside) { @baseline.share(trait) { |other| near?(trait, fold(trait, other, middle), middle) } }
      end

      # The figure with the most others near it; of several the one in their middle.
      def crowded(trait, sorted)
        counts = sorted.map do |centre|
          reach = trait.reach(centre)
          first = sorted.bsearch_index { |one| one >= centre - reach }
          (sorted.bsearch_index { |one| one > centre + reach } || sorted.size) - first
        end
        best = sorted.each_index.select { |i| counts[i] == counts.max }
        sorted[best[best.size / 2]]
      end

      # Of one groove that some count twice as fast the counts are one.
      def figures(trait)
        known = @songs.map { |song| song[trait.id] }
        return known unless trait.id == "time.tempo"

        Rhythm::TempoZone.new(known).points.map { |point| point&.folded }
      end

      def near?(trait, figure, middle) = (figure - middle).abs <= trait.reach(middle)

      # The block gives the share of other music that has it.
      def claim(trait, value, songs)
        told = songs.each_index.select { |i| !songs[i].nil? && @weights[i].positive? }
        have = told.select { |i| songs[i] }
        share = weight(have) / [weight(told), 0.5].max
        return nil if have.size < 2 || share < Claim::CLEAR || told.size * 2 <= @weights.count(&:positive?)

        low, high = Wilson.interval(have.size, told.size)
        Claim.new(trait: trait.id, value:, songs:, n: have.size, m: told.size, share: share.round(3), low:, high:, elsewhere: yield,
          sure: @reliability.sure(trait.id, trait.kind == :figure ? nil : value, told.map { |i| songs[i] }))
      end

      def weight(songs) = songs.sum { |i| @weights[i] }
    end
  end
end
