# frozen_string_literal: true

module Ethoscope
  module Profile
    # What the references of a study have in common, every statement with "n of m". The way is our own.
    class Builder
      # A habit is in at least this share of the songs.
      HABIT = 0.6
      # Degrees below this share of the bars are not listed.
      RARE = 0.01
      # Kinds of sections that are told of layers.
      KINDS = 6

      # @param songs [Array<Song>]
      # @param entries [#call] gives the library's entry of a kind of technique, nil for an unknown one
      # @param baseline [Baseline] other music
      def initialize(songs, entries: Techniques::Library.method(:entry), baseline: Baseline.shipped)
        @songs = songs
        @entries = entries
        @baseline = baseline
        @zone = Rhythm::TempoZone.new(songs.map(&:bpm))
      end

      # @return [Hash] songs, tempo, keys, degrees, loops, layers, sounds, techniques, marks, claims (what a clear majority has, beside other music), baseline (its
      #   name and how many songs), outlier and groups
      def profile
        { songs:, tempo:, keys:, degrees:, techniques:, loops:, layers:, sounds:, marks:, claims: told, baseline: { name: @baseline.name, songs: @baseline.songs.size }, outlier:,
          groups: kinship.groups }
      end

      # @return [Claims]
      def claims = @claims ||= Claims.new(@songs.map(&:traits), weights: @songs.map(&:weight), baseline: @baseline)

      # @return [Common] in every respect that is measured
      def common = @common ||= Common.new(@songs)

      # @return [Array<Hash>] all that is measured: measure, name, role, label (kind of section), words, spread, n and m
      def measures
        common.lines.map do |line|
          measure = Measures::Registry.fetch(line.measure)
          { measure: line.measure, name: measure.name, role: line.place.role, label: line.place.label, words: measure.words(line.value), spread: line.spread&.round(3), n: line.n,
            m: line.m }
        end
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
        of = sections.map { |list| list.map { |section| Measures::Place.kind(section[:label]) } }
        kinds = usual(of.flatten)
        playing = @songs.map(&:playing)
        { kinds: kinds.map { |name| { name:, of: of.count { |labels| labels.include?(name) } } },
          roles: roles.map { |role| { role:, counts: kinds.map { |name| playing.count { |song| song.dig(role, name) } } } } }
      end

      # @return [Array<Hash>] role or name of a pitched layer, songs in which it plays, and what its cards say of its sound
      def sounds
        playing = @songs.map { |song| song.roles - Layers::Role::STRUCK }
        playing.flatten.uniq.map { |name| { name:, songs: playing.map { |roles| roles.include?(name) }, sounds: said(name) } }
      end

      # @return [Array<Hash>] what somebody pinned to a place: type, text, first_bar, and the title of the song
      def marks
        @songs.flat_map do |song|
          song.vector.rows("techniques.mark").map { |row| { **row[:value].slice(:type, :text), first_bar: row[:place][:first_bar], title: song.title } }
        end
      end

      # @return [Array<Hash>] kind, name, songs it is seen in, sightings
      def techniques
        seen = @songs.map { |song| song.vector.rows("techniques.technique").map { |row| row[:value] }.group_by { |sighting| sighting[:kind] } }
        rows = seen.flat_map(&:keys).uniq.map do |kind|
          counts = seen.map { |kinds| kinds.fetch(kind, []).size }
          name = @entries.call(kind)&.name || seen.filter_map { |kinds| kinds[kind] }.first.first[:name]
          { kind:, name:, songs: counts.map(&:positive?), sightings: counts.sum }
        end
        rows.sort_by { |row| [-row[:songs].count(true), -row[:sightings], row[:name]] }
      end

      # @return [Hash, nil] song (its index), title and respects of the one that stands apart, see {Kinship#outlier}
      def outlier = kinship.outlier&.then { |found| { **found, title: @songs[found[:song]].title } }

      private

      def kinship = @kinship ||= Kinship.new(@songs.map(&:traits), claims)

      # Those that are said first, then the rest.
      def told
        said = claims.said
        (said + (claims.all - said)).map { |claim| { **claim.to_h, said: said.include?(claim) } }
      end

      # The most common kinds of sections, in the order in which they come in songs.
      def usual(kinds)
        most = kinds.tally.sort_by { |_, count| -count }.map(&:first).first(KINDS)
        most.sort_by { |name| Form::Section::LABELS.index(name) || Form::Section::LABELS.size }
      end

      def songs
        @songs.zip(sections).map do |song, list|
          { title: song.title, reference_id: song.id, standing: song.standing, bars: song.bars, duration: song.vector.value("time.duration"), meter: song.meter, sections: list }
        end
      end

      def sections = @sections ||= @songs.map(&:sections)

      # What is told on every mix, and after it whatever stems, notes and people tell.
      def roles = Layers::Activity::ROLES | @songs.flat_map(&:roles)

      def said(name)
        cards = @songs.flat_map { |song| song.vector.rows("layers.card").map { |row| row[:value] } }.select { |layer| [layer[:role], layer[:name]].include?(name) }
        cards.map { |layer| layer[:card][:sound].to_s }.reject(&:empty?).uniq
      end
    end
  end
end
