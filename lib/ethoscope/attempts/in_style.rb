# frozen_string_literal: true

module Ethoscope
  module Attempts
    # An attempt beside several songs: of everything that they share whether it has it, of every figure whether it lies inside their range, at its edge or outside and by how
    # much, and where it is too near to one of them. The way is our own.
    class InStyle
      # From one song to the next nothing is shared.
      FEWEST = 2
      # Units of figures that no measure tells.
      UNITS = { "lines.bass_register" => "semitones", "lines.lead_register" => "semitones", "form.count" => "sections", "lines.bass_density" => "notes" }.freeze
      STANDINGS = %w[outside edge inside untold].freeze

      # One thing that the songs share: the claim's id, aspect and words; how the attempt stands to it (one of STANDINGS); what the attempt has in words (nil where that is not
      # told); of a figure its range [low, high], the figure of each song (nil where one does not tell it), that of the attempt, how far outside it lies and its unit; and [n, m]
      # songs that have it.
      Line = Value.of(:id, :aspect, :words, :standing, :attempt, :range, :points, :figure, :apart, :unit, :holds)

      # @param attempt [Profile::Song]
      # @param songs [Array<Profile::Song>] those that the profile counts
      # @param bpm [Float, nil] wanted of the new track, whatever the songs do
      # @param near [Array<TooNear::Run>] see {TooNear}
      def initialize(attempt, songs, bpm: nil, near: [])
        @traits = attempt.traits
        @songs = songs
        @bpm = bpm
        @near = near
        @claims = Profile::Claims.new(songs.map(&:traits), weights: songs.map(&:weight))
      end

      # @return [Array<Line>] what lies outside first, the furthest of it first
      def lines
        @lines ||= @songs.size < FEWEST ? [] : @claims.said.map { |claim| line(claim) }.sort_by { |line| [STANDINGS.index(line.standing), -line.apart.to_f, -share(line)] }
      end

      # @return [Hash] lines, how many there are by standing, how many songs, and where it is too near to one
      def to_h = { songs: @songs.size, lines: lines.map(&:to_h), counts: lines.map(&:standing).tally, near: @near.map(&:to_h) }

      private

      def share(line) = line.holds.reduce { |n, m| n / m.to_f }

      def line(claim)
        own = @traits[claim.trait]
        told = claim.kind.kind == :figure ? figure(claim, own) : fact(claim, own)
        Line.new(id: claim.id, aspect: claim.kind.aspect, words: claim.words, holds: [claim.n, claim.m], range: nil, points: nil, figure: nil, apart: nil, unit: nil, **told)
      end

      def fact(claim, own)
        return { standing: "untold", attempt: nil } if own.nil?

        has, = @claims.count(claim, [@traits])
        has.positive? ? { standing: "inside", attempt: claim.words } : { standing: "outside", attempt: said(claim, own) }
      end

      # What the attempt has instead in the same respect.
      def said(claim, own) = claim.kind.kind == :set ? "not in yours" : claim.with(value: own).words || "not so"

      def figure(claim, own)
        wanted = wanted(claim)
        range = wanted || claim.value
        of_songs = { words: wanted ? "#{claim.kind.words(range)}, as you want it" : claim.words, range:, points: points(claim) }
        return { standing: "untold", attempt: nil, **of_songs } if own.nil?

        own = folded(claim.trait, own, range)
        { **of_songs, **placed(claim.kind, own, range) }
      end

      def placed(trait, own, range)
        apart = [range[0] - own, own - range[1], 0].max
        { standing: standing(trait, apart, range), attempt: trait.words([own, own]), figure: own, apart: apart.round(2), unit: unit(trait) }
      end

      def wanted(claim) = claim.trait == "time.tempo" && @bpm ? [@bpm, @bpm] : nil

      def standing(trait, apart, range)
        return "inside" unless apart.positive?

        apart <= edge(trait, range) ? "edge" : "outside"
      end

      # How far outside is still at the edge: what the measure tolerates in a style, or else what songs may lie from their middle to be called alike.
      def edge(trait, range) = trait.measure ? Measures::Registry.fetch(trait.measure).style : trait.reach(range.sum / 2.0)

      def points(claim) = @songs.map { |song| song.traits[claim.trait]&.then { |figure| folded(claim.trait, figure, claim.value) } }

      # Of one groove that some count twice as fast the counts are one.
      def folded(trait, figure, range) = trait == "time.tempo" ? @claims.fold(Measures::Traits.fetch(trait), figure, range.sum / 2.0) : figure

      def unit(trait) = trait.measure ? Measures::Registry.fetch(trait.measure).unit : UNITS.fetch(trait.id, "")
    end
  end
end
