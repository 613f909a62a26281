# frozen_string_literal: true

module Ethoscope
  module Sheet
    # What a chord symbol says in a key, before it is put anywhere.
    module ChordReading
      # @param text [String] as a person writes it
      # @param key [Harmony::Key]
      # @return [Hash] symbol (the one way to write it), notes, degree, function, function_of, names (of the same notes)
      # @raise [Errors::UnreadableChord]
      def self.of(text, key)
        symbol = Harmony::ChordSymbol.parse(text)
        function = symbol.function(key)
        { symbol: symbol.to_s, notes: symbol.notes, degree: symbol.degree(key), function: function&.kind, function_of: function&.of,
          names: Harmony::ChordNames.rivals(symbol, key).map(&:to_s) }
      end
    end
  end
end
