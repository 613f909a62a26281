# frozen_string_literal: true

module Ethoscope
  module Checklist
    # The targets that recreate one song: everything that is measured of it and worked on in some stage, in the tempo and key of the new track.
    class SongTargets
      # @param song [Profile::Song]
      # @param exact [Boolean] an exact remake, or something in its style
      # @param wanted [Hash] bpm and key (a {Harmony::Key}) of the new track, nil where the song's own are kept, and the way to another mode, see {Measures::Restatement}
      # @param entries [#call] gives the library's entry of a kind of technique, nil for an unknown one
      # @param from [Integer] the bar with which the work begins: what lies before it is left out
      def initialize(song, exact:, wanted: {}, entries: Techniques::Library.method(:entry), from: 1)
        @song = song
        @from = from
        @exact = exact
        @wanted = wanted
        @entries = entries
        @restatement = Measures::Restatement.of(song.vector, bpm: wanted[:bpm], key: wanted[:key], way: wanted.fetch(:way, "tonic"))
      end

      # @return [Brief]
      def brief
        Brief.new(exact: @exact, bpm: @restatement.to_bpm, key: @restatement.to_key, meter: @song.meter, shift: @restatement.semitones, bars: @song.bars, songs: 1, profile: false,
          entries: @entries, from: @from, ratio: @restatement.ratio, asked: @restatement.asked)
      end

      # @return [Array<Measures::Target>] in the order of the registry
      def all = measured + wished

      # @return [Array<Item>] none: a song may be taken to any tempo and key
      def warnings = []

      private

      def measured
        found = Measures::Registry.all.select(&:stage).flat_map { |measure| @song.vector.of(measure.id).map { |found| target(measure, found) } }
        @from > 1 ? found.filter_map { |target| within(target) } : found
      end

      # Of the lengths of the song what is left, of all else what does not end before.
      def within(target)
        left = (@song.bars - @from + 1) / @song.bars.to_f
        case target.measure
        when "time.length" then target.with(value: @song.bars - @from + 1)
        when "time.duration" then target.with(value: target.value * left)
        when "form.lengths" then nil
        else target if target.place.last_bar.nil? || target.place.last_bar >= @from
        end
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
