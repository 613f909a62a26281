# frozen_string_literal: true

module Ethoscope
  module Profile
    # What the references of a study have in common, every statement with "n of m".
    class Builder
      # A habit is in at least this share of the songs.
      HABIT = 0.6
      # Degrees below this share of the bars are not listed.
      RARE = 0.01

      # @param songs [Array<Song>]
      # @param entries [#call] gives the library's entry of a kind of technique, nil for an unknown one
      def initialize(songs, entries: Techniques::Library.method(:entry))
        @songs = songs
        @entries = entries
        @zone = TempoZone.new(songs.map(&:bpm))
      end

      # @return [Hash] songs, tempo, keys, degrees, loops, layers, sounds, techniques, marks, statements, outlier
      def profile
        { songs: songs, tempo: tempo, keys: keys, degrees: degrees, loops: loops, layers: layers, sounds:, techniques: techniques, marks:,
          statements: Statements.new(self, @songs).all, outlier: outlier }
      end

      # @return [Hash] range, middle and points in the order of the songs
      def tempo = { range: @zone.range, middle: @zone.middle, points: @zone.points.map { |point| point&.to_h } }

      # @return [Hash] minor count, and how many songs rest on each tonic
      def keys
        known = @songs.map(&:key)
        { minor: known.compact.count(&:minor?), of: known.compact.size,
          modes: known.compact.map(&:mode).tally, tonics: known.compact.map(&:tonic).tally,
          songs: known.map { |key| key && { tonic: key.tonic, mode: key.mode, fifths: Harmony::PitchClass.fifths(key.tonic), signature: key.signature } } }
      end

      # @return [Array<Hash>] degree, share of bars, songs that use it, most used first
      def degrees
        per_song = @songs.map(&:degree_bars)
        total = per_song.sum { |bars| bars.values.sum }
        return [] unless total.positive?

        names = per_song.flat_map(&:keys).uniq
        rows = names.map do |name|
          { degree: name, share: (per_song.sum { |bars| bars[name] } / total).round(3), songs: per_song.map do |bars|
            bars[name].positive?
          end }
        end
        rows.select { |row| row[:share] >= RARE }.sort_by { |row| -row[:share] }.first(10)
      end

      # @return [Array<Hash>] degrees of each loop and the songs it is in
      def loops
        keys = @songs.map { |song| song.key && song.loop_degrees }
        keys.compact.uniq.map { |degrees| { degrees:, songs: keys.map { |other| other == degrees } } }
            .sort_by { |row| -row[:songs].count(true) }.first(8)
      end

      # @return [Hash] section kinds, and by role in how many songs it plays in each kind
      def layers
        kinds = @songs.flat_map do |song|
          song.data[:sections].map do |section|
            kind(section)
          end
        end.tally.sort_by { |_, count| -count }.map(&:first).first(6)
        order = %w[intro verse pre-chorus chorus bridge breakdown outro]
        kinds = kinds.sort_by { |name| order.index(name) || order.size }
        { kinds: kinds.map { |name| { name:, of: @songs.count { |song| sections_of(song, name).any? } } },
          roles: roles.map { |role| { role:, counts: kinds.map { |name| @songs.count { |song| plays?(song, role, name) } } } } }
      end

      # @return [Array<Hash>] role or name of a pitched layer, songs in which it plays, and what its cards say of its sound
      def sounds
        playing = @songs.map { |song| song.data[:layers].select { |layer| layer[:spans].any? && !Layers::Role::STRUCK.include?(layer[:role]) } }
        playing.flatten(1).map { |layer| layer[:role] || layer[:name] }.uniq.map do |name|
          { name:, songs: playing.map { |layers| layers.any? { |layer| (layer[:role] || layer[:name]) == name } }, sounds: said(name) }
        end
      end

      # @return [Array<Hash>] what somebody pinned to a place: type, text, first_bar, and the title of the song
      def marks
        @songs.flat_map { |song| song.data.fetch(:marks, []).map { |mark| mark.slice(:type, :text, :first_bar).merge(title: song.title) } }
      end

      # @return [Array<Hash>] kind, name, songs it is seen in, sightings
      def techniques
        seen = @songs.flat_map { |song| song.data[:techniques] }.group_by { |sighting| sighting[:kind] }
        rows = seen.map do |kind, sightings|
          counts = @songs.map { |song| song.data[:techniques].count { |sighting| sighting[:kind] == kind } }
          { kind:, name: @entries.call(kind)&.name || sightings.first[:name], songs: counts.map(&:positive?), sightings: counts.sum }
        end
        rows.sort_by { |row| [-row[:songs].count(true), -row[:sightings], row[:name]] }
      end

      # @return [Hash, nil] the one song that falls outside in most respects, with the respects; needs four songs
      def outlier
        return nil if @songs.size < 4

        index = @songs.each_index.max_by { |i| oddities(i).size }
        found = oddities(index)
        found.size >= 2 ? { song: index, title: @songs[index].title, respects: found } : nil
      end

      private

      def songs
        @songs.map do |song|
          { title: song.title, bars: song.bars, duration: song.data[:duration], meter: song.meter,
            sections: song.data[:sections].map do |section|
              section.slice(:label, :letter, :first_bar, :bars).merge(energy: energy(song, section))
            end }
        end
      end

      # Mean level of a section between the song's quietest and loudest bar, 0 to 1.
      def energy(song, section)
        levels = song.data[:bars].map { |bar| bar[:energy] }
        low, high = levels.minmax
        part = levels[section[:first_bar] - 1, section[:bars]]
        high > low ? (((part.sum / part.size) - low) / (high - low)).round(2) : 0.5
      end

      # What is told on every mix, and after it whatever stems, notes and people tell.
      def roles = Layers::Activity::ROLES | @songs.flat_map { |song| song.data[:layers].filter_map { |layer| layer[:role] if layer[:spans].any? } }

      def said(name)
        cards = @songs.flat_map { |song| song.data.fetch(:heard_layers, []) }.select { |layer| [layer[:role], layer[:name]].include?(name) }
        cards.filter_map { |layer| layer[:card][:sound] unless layer[:card][:sound].to_s.empty? }.uniq
      end

      def kind(section) = section[:label].sub(/ \d+\z/, "")

      def sections_of(song, name) = song.data[:sections].select { |section| kind(section) == name }

      def plays?(song, role, name)
        activities = song.data[:layers].select { |layer| layer[:role] == role }.map { |layer| layer[:activity] }
        activities.product(sections_of(song, name)).any? do |activity, section|
          part = activity[section[:first_bar] - 1, section[:bars]]
          part.sum / part.size >= 0.5
        end
      end

      def oddities(index)
        song = @songs[index]
        others = @songs - [song]
        [("tempo" if @zone.points[index]&.apart),
         ("meter" if others.map(&:meter).uniq.size == 1 && song.meter != others.first.meter),
         ("mode" if mode_apart?(song, others))].compact
      end

      def mode_apart?(song, others)
        thirds = others.filter_map { |other| other.key&.minor? ? "minor" : "major" }.uniq
        song.key && thirds.size == 1 && thirds.first != (song.key.minor? ? "minor" : "major")
      end
    end
  end
end
