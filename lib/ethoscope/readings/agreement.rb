# frozen_string_literal: true

module Ethoscope
  module Readings
    # Whether two readings of the same aspect say the same.
    module Agreement
      # Tempi this close, as a share, are one count; tunings and levels this close, in cents and LU, one measurement.
      TEMPO = 0.005
      CENTS = 5
      LOUDNESS = 0.5

      # @param aspect [String] one of {Reader::ASPECTS}
      # @param one [Hash, nil] a value
      # @param other [Hash, nil] a value
      # @return [Boolean]
      def self.same?(aspect, one, other)
        return one == other if one.nil? || other.nil? || one[:text] || other[:text]

        case aspect
        when "tempo" then same_tempo?(one, other)
        when "meter" then one[:name] == other[:name]
        when "key" then same_key?(one, other)
        when "tuning" then near?(one[:cents], other[:cents], CENTS)
        when "loudness" then near?(one[:lufs], other[:lufs], LOUDNESS)
        when "loop" then one[:degrees] == other[:degrees]
        else letters(one) == letters(other)
        end
      end

      def self.near?(one, other, distance)
        one && other ? (one - other).abs <= distance : one == other
      end
      private_class_method :near?

      def self.same_tempo?(one, other)
        near?(one[:bpm], other[:bpm], TEMPO * one[:bpm].to_f) && list(one, :changes) == list(other, :changes)
      end
      private_class_method :same_tempo?

      def self.list(value, name) = value[name] || []
      private_class_method :list

      def self.same_key?(one, other)
        keys = [one, other].map { |value| Harmony::Key.named(value[:tonic], value[:mode]) }
        keys.first == keys.last && list(one, :modulations) == list(other, :modulations)
      end
      private_class_method :same_key?

      def self.letters(value) = value[:entries] ? value[:entries].map { |entry| entry[:letter] } : value[:letters]
      private_class_method :letters
    end
  end
end
