# frozen_string_literal: true

module Ethoscope
  module Checklist
    # The targets that make something in the style of several songs: what a clear majority of them has, with a tolerance as wide as they spread.
    class ProfileTargets
      # Parts of different songs are not the same place, so targets are of whole songs and of roles.
      SCOPES = %i[song role].freeze
      # What the songs' own keys say is not wanted in a new one.
      ABSOLUTE = %w[harmony.key].freeze

      # @param songs [Array<Profile::Song>]
      # @param wanted [Hash] bpm and key (a {Harmony::Key}) of the new track, nil where the profile decides
      # @param entries [#call] gives the library's entry of a kind of technique, nil for an unknown one
      def initialize(songs, wanted: {}, entries: Techniques::Library.method(:entry))
        @songs = songs
        @wanted = wanted
        @entries = entries
        @profile = Profile::Builder.new(songs, entries:)
      end

      # @return [Brief]
      def brief
        Brief.new(exact: false, bpm: @wanted[:bpm] || @profile.tempo[:middle], key: @wanted[:key], meter: @songs.first.meter, shift: 0, bars: nil, songs: @songs.size,
          profile: true, entries: @entries, from: 1)
      end

      # @return [Array<Measures::Target>] in the order of the registry, then techniques and marks
      def all
        own = wanted
        kept = shared.reject { |target| own.any? { |wish| wish.measure == target.measure } }
        (kept + own).sort_by { |target| order(target) } + techniques + marks
      end

      # @return [Array<Item>] where what is wanted lies outside the style
      def warnings = Outside.new(@profile.claims, @wanted).items

      private

      def shared
        lines = @profile.common.lines.reject { |line| ABSOLUTE.include?(line.measure) || !clear?(line.n) }
        lines.filter_map do |line|
          measure = Measures::Registry.fetch(line.measure)
          target(measure, line.value, tolerance: tolerance(measure, line), place: line.place, holds: [line.n, line.m]) if measure.stage && SCOPES.include?(measure.scope)
        end
      end

      def clear?(count) = count >= Profile::Claim::CLEAR * @songs.size

      def tolerance(measure, line) = line.spread ? [line.spread, measure.style].max.round(1) : measure.style

      # What the new track is to have, whatever the songs do.
      def wanted = [(tempo if @wanted[:bpm]), (key if @wanted[:key])].compact

      def tempo
        spread = @profile.common.of("time.tempo").first&.spread
        measure = Measures::Registry.fetch("time.tempo")
        target(measure, { bpm: @wanted[:bpm].to_f }, tolerance: [spread || 0, measure.style].max.round(1), source: "wanted")
      end

      def key = target(Measures::Registry.fetch("harmony.key"), { tonic: @wanted[:key].tonic, mode: @wanted[:key].mode }, tolerance: 0, source: "wanted")

      def order(target) = Measures::Registry.all.index { |measure| measure.id == target.measure }

      def techniques
        rows = @profile.techniques.select { |row| clear?(row[:songs].count(true)) }
        rows.map { |row| target(Measures::Registry.fetch("techniques.technique"), row.slice(:kind, :name), tolerance: 0, holds: [row[:songs].count(true), @songs.size]) }
      end

      def marks
        @profile.marks.map do |mark|
          target(Measures::Registry.fetch("techniques.mark"), mark.slice(:type, :text, :title), tolerance: 0,
            place: Measures::Place.song.with(first_bar: mark[:first_bar], bars: 1))
        end
      end

      def target(measure, value, tolerance:, place: Measures::Place.song, source: "profile", holds: nil)
        Measures::Target.new(measure: measure.id, place:, value:, tolerance:, source:, confidence: nil, holds:)
      end
    end
  end
end
