# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Figures as they are shown: rounded, with their unit, with true minus signs. The way is our own.
    module Figures
      # @param value [Numeric]
      # @param decimals [Integer] at most
      # @return [String] without zeros at the end
      def self.plain(value, decimals = 4)
        text = format("%.#{decimals}f", value)
        text = text.sub(/\.?0+\z/, "") if text.include?(".")
        (text == "-0" ? "0" : text).tr("-", "−")
      end

      # @param value [Numeric]
      # @param decimals [Integer]
      # @return [String] with so many decimals
      def self.fixed(value, decimals) = format("%.#{decimals}f", value.round(decimals).zero? ? 0.0 : value).tr("-", "−")

      # @param value [Numeric]
      # @param decimals [Integer]
      # @return [String] with its sign, + too
      def self.signed(value, decimals = 0) = "#{"+" if value.round(decimals).positive?}#{fixed(value, decimals)}"

      # @param seconds [Numeric]
      # @return [String] such as "3:07.50"
      def self.clock(seconds) = seconds.round(2).divmod(60).then { |minutes, rest| format("%<minutes>d:%<rest>05.2f", minutes:, rest:) }

      # @param seconds [Numeric]
      # @return [String] such as "354.3 ms"
      def self.ms(seconds) = "#{fixed(seconds * 1000, 1)} ms"

      # @param hertz [Numeric]
      # @return [String] such as "55.0 Hz"
      def self.hertz(hertz) = "#{fixed(hertz, hertz < 1000 ? 1 : 0)} Hz"

      # @param semitones [Numeric]
      # @return [String] such as "+4 semitones 98 cents"
      def self.shift(semitones)
        whole = semitones.truncate
        cents = ((semitones - whole) * 100).round
        return shift(semitones.round) if cents.abs == 100

        words = "#{signed(whole)} #{whole.abs == 1 ? "semitone" : "semitones"}"
        return words if cents.zero?
        return "#{signed(cents)} #{cents.abs == 1 ? "cent" : "cents"}" if whole.zero?

        "#{words} #{cents.abs} cents"
      end

      # @param words [String]
      # @return [String] with a capital in front, the rest as it was
      def self.sentence(words) = "#{words[0].upcase}#{words[1..]}"

      # @param name [String] with b and #
      # @return [String] with ♭ and ♯
      def self.signs(name) = name.gsub(/(?<=[A-Ga-g])([b#]+)/) { |signs| signs.tr("b#", "♭♯") }

      # @param pitch [Integer] MIDI pitch
      # @param key [Harmony::Key] for the spelling
      # @return [String] such as "E♭2"
      def self.note(pitch, key = Harmony::Key.named("C", "major")) = signs(Harmony::NoteName.of(pitch, key))

      # @param key [Harmony::Key]
      # @return [String] such as "E♭ minor"
      def self.key(key) = signs(key.to_s)
    end
  end
end
