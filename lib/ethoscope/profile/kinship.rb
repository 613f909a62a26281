# frozen_string_literal: true

module Ethoscope
  module Profile
    # The song that stands apart, by what all others have and it has not; and two groups where there are two, by how near songs are over all traits, of which each
    # weighs the same, whatever its kind ({Signal::TwoMeans}; kept when several things tell each from the other). The way is our own.
    class Kinship
      # Of fewer songs none stands apart; of fewer than six there are no two groups.
      FEWEST = 4
      FEWEST_OF_GROUPS = 6
      # A song stands apart when it lacks so many things that all others have, and so many times as many as any other does.
      RESPECTS = 2
      APART = 2
      # What fewer songs have parts no groups.
      RARE = 0.08
      # Groups are clear when so many things tell each from the other.
      CLEAR = 3
      # Words that name a group.
      NAMES = 3

      # @param songs [Array<Hash>] traits by song
      # @param claims [Claims] of the same songs
      def initialize(songs, claims)
        @songs = songs
        @claims = claims
        @rows = features
      end

      # @return [Hash, nil] song (its index) and respects: what all others have and it has not; nil where no song lacks clearly more than any other
      def outlier
        return nil if @songs.size < FEWEST

        lacking = @songs.each_index.map { |song| @claims.all.select { |claim| claim.songs[song] == false && claim.n == claim.m - 1 }.map(&:words) }
        song = lacking.index(lacking.max_by(&:size))
        next_most = lacking.map(&:size).max(2).last
        lacking[song].size >= [RESPECTS, APART * next_most].max ? { song:, respects: lacking[song] } : nil
      end

      # @return [Array<Hash>] two groups (songs: their indices, and words: what all of one and hardly any of the other have), none where there are no two
      def groups
        return [] if @songs.size < FEWEST_OF_GROUPS

        both = (Signal::TwoMeans.new(@rows).groups if @rows.first.any?) or return []
        told = both.zip(both.reverse).map { |songs, others| { songs:, words: told_apart(songs, others) } }
        told.all? { |group| group[:words].size >= CLEAR } ? told : []
      end

      private

      # Each trait as figures that weigh one in all: facts and words as they are there or not, figures by their spread.
      def features
        columns = Measures::Traits.all.flat_map { |trait| columns(trait) }
        columns.empty? ? @songs.map { [] } : columns.transpose
      end

      def columns(trait)
        values = @songs.map { |song| song[trait.id] }
        return [] if values.compact.empty?
        return [scaled(values, trait)] if trait.kind == :figure

        words = values.flatten.compact.tally.select { |_, count| count >= RARE * values.size }.keys
        words.map do |word|
          values.map do |own|
            if own.nil?
              0.5 / words.size
            else
              (Array(own).include?(word) ? 1.0 / Math.sqrt(words.size) : 0.0)
            end
          end
        end
      end

      def scaled(values, trait)
        middle = Signal::Middle.of(values.compact)
        values.map do |value|
          if value
            ((value - middle) / (3 * trait.reach(middle))).clamp(-1, 1)
          else
            0.0
          end
        end
      end

      def told_apart(songs, others)
        @claims.of(@songs.values_at(*songs)).all.select { |claim| claim.n == claim.m && claim.n == songs.size }
               .select { |claim| @claims.count(claim, @songs.values_at(*others)).then { |n, m| n * 3 <= m } }.first(NAMES).map(&:words)
      end
    end
  end
end
