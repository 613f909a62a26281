# frozen_string_literal: true

module Ethoscope
  module Measures
    # All measures of one song, each from the best source for it. Plain data, to be kept with the analysis that it was read off; what is asked of it is
    # built when it is first asked for. The way is our own.
    class Vector
      # Under this name stands what styles differ by, see {SongTraits}.
      TRAITS = :"style.traits"

      # @param analysis [Analysis] settled
      # @param corrections [Hash{String => Hash}] see {Subject}
      # @param gaps [Gaps] keeps which measures could not be read; they stay away
      # @return [Vector]
      def self.of(analysis, corrections: {}, gaps: Gaps.new)
        subject = Subject.new(analysis, corrections:)
        told = Registry.all.to_h { |measure| [measure, gaps.beside("the measure “#{measure.name}”", []) { measure.read(subject).map { |measured| plain(measured) } }] }
        told.reject! { |_, rows| rows.empty? }
        whole, places = told.partition { |measure, _| measure.scope == :song }.map { |part| part.to_h { |measure, rows| [measure.id.to_sym, rows] } }
        draft = new(Plain.frozen(whole)) { Plain.frozen(places) }
        traits = gaps.beside("the traits of the style", {}) { SongTraits.of(draft) }
        new(Plain.frozen(whole.merge(TRAITS => [{ value: traits.transform_keys(&:to_sym), source: "mix", confidence: 1.0 }]))) { Plain.frozen(places) }
      end

      # @param data [Hash] as {#to_h} gives it, symbol keys, frozen
      # @return [Vector]
      def self.from_h(data) = new(data.fetch(:whole)) { data.fetch(:places) }

      def self.plain(measured)
        row = measured.to_h.slice(:value, :source, :confidence)
        place = measured.place.to_h
        place.empty? ? row : { place:, **row }
      end
      private_class_method :plain

      # @param whole [Hash{Symbol => Array<Hash>}] by measure of the whole song: value, source, confidence
      # @yieldreturn [Hash{Symbol => Array<Hash>}] by measure of sections and roles, the same with their place; asked for when one of them is
      def initialize(whole, &places)
        @whole = whole
        @rest = places
        @built = {}
      end

      # @return [Array<Measured>]
      def all = [*@whole.keys, *places.keys].reject { |id| id == TRAITS }.flat_map { |id| of(id) }

      # @return [Hash{String => Object}] by trait its value, without those that the song does not tell
      def traits = @built[TRAITS] ||= (value(TRAITS)&.transform_keys(&:to_s) || SongTraits.of(self)).freeze

      # @param id [String] of a measure
      # @return [Array<Measured>] one a place, in the order of the song
      def of(id)
        @built[id.to_sym] ||= rows(id).map do |row|
          Measured.new(measure: id.to_s, place: row[:place] ? Place.from_h(row[:place]) : Place.song, **row.slice(:value, :source, :confidence))
        end.freeze
      end

      # @param id [String] of a measure
      # @return [Array<Hash>] the same as plain data: place (missing for the whole song), value, source, confidence
      def rows(id) = @whole.fetch(id.to_sym) { Registry.known?(id) && Registry.fetch(id).scope == :song ? [] : places.fetch(id.to_sym, []) }

      # @param id [String] of a measure of the whole song
      # @return [Object, nil]
      def value(id) = @whole[id.to_sym]&.first&.fetch(:value)

      # @param id [String]
      # @param place [Place]
      # @return [Measured, nil] what was read there: at that very place, or else at one of the same layer that shares bars with it
      def at(id, place)
        same = of(id).select { |measured| measured.place.same_layer?(place) }
        same.find { |measured| measured.place == place } || same.select do |measured|
          measured.place.overlaps?(place)
        end.min_by { |measured| (measured.place.first_bar.to_i - place.first_bar.to_i).abs }
      end

      # @return [Float, nil] beats per minute
      def bpm = value("time.tempo")&.fetch(:bpm)

      # @return [Harmony::Key, nil]
      def key = value("harmony.key")&.then { |key| Harmony::Key.named(key[:tonic], key[:mode]) }

      # @param restatement [Restatement]
      # @return [Vector] in that tempo and key, measure by measure
      def restated(restatement)
        moved = ->(rows) { rows.to_h { |id, told| [id, id == TRAITS ? told : told.map { |row| row.merge(value: Registry.fetch(id.to_s).restate(row[:value], restatement)) }] } }
        Vector.new(Plain.frozen(moved.call(@whole))) { Plain.frozen(moved.call(places)) }
      end

      # @return [Hash] edition of the registry, and the rows by measure: of the whole song, and of its places
      def to_h = { edition: Registry.edition, whole: @whole, places: }

      def ==(other) = other.is_a?(Vector) && to_h == other.to_h

      private

      def places = @places ||= @rest.call
    end
  end
end
