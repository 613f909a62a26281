# frozen_string_literal: true

module Ethoscope
  module Export
    # A chord symbol as MusicXML says it: root, kind, bass, and the degrees that the kind does not hold (MusicXML 4.0, 2021, element "harmony").
    class ChordXml
      # What a kind holds beside the root.
      KINDS = {
        "major-13th" => %w[3 5 7 9 11 13], "dominant-13th" => %w[3 5 b7 9 11 13], "minor-13th" => %w[b3 5 b7 9 11 13], "major-11th" => %w[3 5 7 9 11],
        "dominant-11th" => %w[3 5 b7 9 11], "minor-11th" => %w[b3 5 b7 9 11], "major-ninth" => %w[3 5 7 9], "dominant-ninth" => %w[3 5 b7 9], "minor-ninth" => %w[b3 5 b7 9],
        "major-seventh" => %w[3 5 7], "dominant" => %w[3 5 b7], "minor-seventh" => %w[b3 5 b7], "major-minor" => %w[b3 5 7], "diminished-seventh" => %w[b3 b5 bb7],
        "half-diminished" => %w[b3 b5 b7], "augmented-seventh" => %w[3 #5 b7], "major-sixth" => %w[3 5 6], "minor-sixth" => %w[b3 5 6], "augmented" => %w[3 #5],
        "diminished" => %w[b3 b5], "suspended-fourth" => %w[4 5], "suspended-second" => %w[9 5], "minor" => %w[b3 5], "major" => %w[3 5], "power" => %w[5]
      }.freeze
      ALTER = { "bb" => -2, "b" => -1, "" => 0, "#" => 1 }.freeze
      NAME = /\A(bb|b|#|)(\d+)\z/

      # @param symbol [Harmony::ChordSymbol]
      def initialize(symbol)
        @symbol = symbol
      end

      # @return [String] of the standard's names
      def kind
        return "none" if @symbol.none?

        KINDS.find { |_, tones| (tones - over).empty? }&.first || "other"
      end

      # @return [Array<Hash>] value, alter and type (add or subtract) of each tone that the kind does not say
      def degrees
        return [] if @symbol.none?

        held = KINDS.fetch(kind, [])
        (over - held).map { |name| degree(name, "add") } + (held - over).map { |name| degree(name, "subtract") }
      end

      # @param xml [Nokogiri::XML::Builder]
      # @param offset [Integer] divisions after the place where it stands
      def write(xml, offset)
        xml.harmony do
          if @symbol.none? then xml.root { xml.public_send(:"root-step", "C", text: "") }
          else xml.root { note(xml, "root", @symbol.root) }
          end
          xml.kind(kind, text:)
          xml.bass { note(xml, "bass", @symbol.bass) } if @symbol.bass
          degrees.each { |degree| written(xml, degree) }
          xml.offset(offset) if offset.positive?
        end
      end

      private

      # Tones over the root.
      def over = @symbol.intervals - ["1"]

      # As it is written here, without root and bass.
      def text
        return "N.C." if @symbol.none?

        @symbol.to_s.sub(/\A[A-G][♭♯]*/, "").sub(%r{/[A-G][♭♯]*\z}, "")
      end

      def degree(name, type)
        sign, value = NAME.match(name).captures
        { value: value.to_i, alter: ALTER.fetch(sign), type: }
      end

      def written(xml, degree)
        xml.degree do
          xml.public_send(:"degree-value", degree[:value])
          xml.public_send(:"degree-alter", degree[:alter])
          xml.public_send(:"degree-type", degree[:type])
        end
      end

      def note(xml, name, pitch)
        xml.public_send(:"#{name}-step", pitch[0])
        alter = pitch.count("#") - pitch.count("b")
        xml.public_send(:"#{name}-alter", alter) unless alter.zero?
      end
    end
  end
end
