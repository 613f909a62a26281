# frozen_string_literal: true

module Ethoscope
  module Checklist
    # The targets that recreate one song: everything that is measured of it and worked on in some stage, in the tempo and key of the new track.
    class SongTargets
      # @param song [Profile::Song]
      # @param exact [Boolean] an exact remake, or something in its style
      # @param wanted [Hash] bpm and key (a {Harmony::Key}) of the new track, nil where the song's own are kept
      # @param entries [#call] gives the library's entry of a kind of technique, nil for an unknown one
      def initialize(song, exact:, wanted: {}, entries: Techniques::Library.method(:entry))
        @song = song
        @exact = exact
        @wanted = wanted
        @entries = entries
        @restatement = Measures::Restatement.of(song.vector, bpm: wanted[:bpm], key: wanted[:key])
      end

      # @return [Brief]
      def brief
        Brief.new(exact: @exact, bpm: @restatement.to_bpm, key: @restatement.to_key, meter: @song.meter, shift: @restatement.semitones, bars: @song.bars, songs: 1, profile: false,
          entries: @entries)
      end

      # @return [Array<Measures::Target>] in the order of the registry
      def all = measured + wished

      # @return [Array<Item>] none: a song may be taken to any tempo and key
      def warnings = []

      private

      def measured
        Measures::Registry.all.select(&:stage).flat_map { |measure| @song.vector.of(measure.id).map { |found| target(measure, found) } }
      end

      # What is wanted of the new track although the song does not tell it.
      def wished
        [(wish("time.tempo", { bpm: @wanted[:bpm].to_f }) if @wanted[:bpm] && @song.bpm.nil?),
         (wish("harmony.key", { tonic: @wanted[:key].tonic, mode: @wanted[:key].mode }) if @wanted[:key] && @song.key.nil?)].compact
      end

      def wish(id, value)
        Measures::Target.new(measure: id, place: Measures::Place.song, value:, tolerance: Measures::Registry.fetch(id).tolerance(@exact), source: "wanted", confidence: 1.0,
          holds: nil)
      end

      def target(measure, found)
        Measures::Target.new(measure: measure.id, place: found.place, value: measure.restate(found.value, @restatement), tolerance: measure.tolerance(@exact, found.value),
          source: found.source, confidence: found.confidence, holds: nil)
      end
    end
  end
end
