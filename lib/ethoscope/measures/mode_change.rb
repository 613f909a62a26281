# frozen_string_literal: true

module Ethoscope
  module Measures
    # What becomes of chords where another mode is wanted than a song has: with its own mode on the wanted tonic (parallel), with its own mode in the wanted
    # notes (relative), or changed into the wanted mode, each note of the scale into the one on its degree (modal mixture; Kostka & Payne, "Tonal
    # Harmony", ch. 21).
    class ModeChange
      # @param own [Harmony::Key] of the song
      # @param wanted [Harmony::Key]
      def initialize(own, wanted)
        @own = own
        @wanted = wanted
      end

      # @param symbols [Array<String>] chords of the song
      # @return [Array<Hash>] each with its symbol, what it is by either way, what it would be in the wanted mode, and which notes that changes (such as "E♭ → E")
      def rows(symbols)
        symbols.uniq.filter_map do |symbol|
          chord = Harmony::ChordSymbol.parse(symbol)
          next if chord.none?

          { symbol:, tonic: moved(chord, "tonic").to_s, notes: moved(chord, "notes").to_s, changed: changed(chord)&.to_s, differs: differs(chord) }
        end
      end

      private

      def moved(chord, way)
        home = Restatement.home(@own, @wanted, way)
        chord.transpose(home.pitch_class - @own.pitch_class, home)
      end

      # The chord of the changed notes; nil where they have no name.
      def changed(chord)
        notes = chord.pitch_classes.map { |note| at_degree(note) }
        lowest = at_degree(chord.lowest)
        intervals = [*Harmony::ChordNames::SHAPES].find { |_, steps| steps.map { |step| (notes.first + step) % 12 }.sort == notes.sort }&.first or return nil
        Harmony::ChordSymbol.new(root: @wanted.spell(notes.first), intervals:, bass: lowest == notes.first ? nil : @wanted.spell(lowest))
      end

      # Of the parallel chord the notes that the wanted mode has not.
      def differs(chord)
        parallel = Restatement.home(@own, @wanted, "tonic")
        chord.pitch_classes.filter_map do |note|
          there = (note + parallel.pitch_class - @own.pitch_class) % 12
          changed = at_degree(note)
          Readings::Words.signs("#{parallel.spell(there)} → #{@wanted.spell(changed)}") unless there == changed
        end
      end

      # A note of the song's scale becomes the one on the same degree; what is outside it keeps its distance from the tonic.
      def at_degree(note)
        degree = @own.scale.index(note)
        degree ? @wanted.scale[degree] : (note - @own.pitch_class + @wanted.pitch_class) % 12
      end
    end
  end
end
