# frozen_string_literal: true

module Ethoscope
  module Calculators
    # What of a song, and of the new track where it is said, goes into the blanks of each sentence. Where a sentence leads from one place to another, the song is
    # where it starts, and the new track where it ends; where it leads nowhere, it speaks of the song as it is told. The way is our own.
    class Known
      # Blanks of the place where a sentence starts.
      STARTS = %i[sample_bpm sample_key from_bpm from].freeze
      LAYER = "bass"

      # @param vector [Measures::Vector] of the song
      # @param told [Measures::Vector] of the song in the tempo and key that it is told in
      # @param bpm [Numeric, nil] of the new track
      # @param key [Harmony::Key, nil] of the new track
      # @param layer [String, nil] the layer that is asked about
      def initialize(vector, told: vector, bpm: nil, key: nil, layer: nil)
        @song = Facts.new(vector, layer || LAYER)
        @told = Facts.new(told, layer || LAYER)
        @track = { bpm: bpm && Figures.plain(bpm, 2), key: key&.to_s }.compact
        @layers = vector.of("lines.register").map { |one| one.place.name }.uniq
      end

      # @return [Array<String>] layers with a register
      attr_reader :layers

      # @return [Hash{String => Hash{String => String}}] by calculation and blank what is known, as one writes it
      def to_h
        Reckoner::ALL.to_h { |calculator| [calculator::ID, filled(calculator::BLANKS.map(&:name)).transform_keys(&:to_s)] }.reject { |_, blanks| blanks.empty? }
      end

      private

      def filled(names)
        return @told.to_h.slice(*names) unless names.intersect?(STARTS)

        # What is written in the song's key comes out in the wanted one.
        ends = names.include?(:wanted) ? { bpm: @track[:bpm], wanted: @track[:key] }.compact : @track
        @song.to_h.merge(ends).slice(*names)
      end
    end
  end
end
