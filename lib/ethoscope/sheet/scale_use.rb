# frozen_string_literal: true

module Ethoscope
  module Sheet
    # The notes of a key beside what sounds: how often each of the twelve is part of a chord, and in which bars those outside the scale are.
    class ScaleUse
      # @param data [Hash] the analysis schema
      # @param key [Harmony::Key]
      def initialize(data, key)
        @data = data
        @key = key
      end

      # @return [Hash] name, signature, relative and parallel (names), notes: name, inside, share (of what sounds), beats (in chords) and
      #   bars (where it is part of a chord)
      def to_h
        { name: Readings::Words.signs(@key.to_s), signature: @key.signature, relative: words(relative), parallel: words(parallel),
          notes: (0..11).map { |step| note((@key.pitch_class + step) % 12) } }
      end

      private

      def words(key) = { tonic: key.tonic, mode: key.mode, name: Readings::Words.signs(key.to_s) }

      # The other of major and minor with the same notes.
      def relative
        @key.minor? ? Harmony::Key.new(pitch_class: (@key.pitch_class + 3) % 12, mode: "major") : Harmony::Key.new(pitch_class: (@key.pitch_class + 9) % 12, mode: "minor")
      end

      def parallel = Harmony::Key.new(pitch_class: @key.pitch_class, mode: @key.minor? ? "major" : "minor")

      def note(pitch_class)
        holding = chords.select { |_, classes| classes.include?(pitch_class) }.map(&:first)
        { name: Readings::Words.signs(@key.spell(pitch_class)), inside: @key.scale.include?(pitch_class), share: @data[:pitch_classes][:all][pitch_class],
          beats: holding.sum { |chord| chord[:beats] }, bars: holding.map { |chord| chord[:bar] }.uniq }
      end

      def chords = @chords ||= @data[:chords].map { |chord| [chord, Harmony::ChordSymbol.parse(chord[:symbol]).pitch_classes] }
    end
  end
end
