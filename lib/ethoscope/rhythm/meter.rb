# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # A time signature and the beat that a person taps in it: the dotted quarter in 6/8 and 12/8, the eighth in 7/8. The method is our own.
    Meter = Value.of(:name, :beats, :compound)

    # The meters that a person can choose.
    class Meter
      ALL = [
        new(name: "2/4", beats: 2, compound: false),
        new(name: "4/4", beats: 4, compound: false),
        new(name: "3/4", beats: 3, compound: false),
        new(name: "5/4", beats: 5, compound: false),
        new(name: "7/8", beats: 7, compound: false),
        new(name: "6/8", beats: 2, compound: true),
        new(name: "12/8", beats: 4, compound: true)
      ].freeze
      # The meters that the engine tells apart; 2/4 is heard as half a bar of 4/4.
      HEARD = ALL.drop(1).freeze

      # @param name [String] such as "4/4"
      # @return [Meter]
      # @raise [ArgumentError] when the engine knows no such meter
      def self.named(name)
        ALL.find { |meter| meter.name == name } or raise ArgumentError, "unknown meter: #{name}"
      end

      # @return [Integer] steps of a drum grid in one bar: sixteenths
      def steps
        return beats * 6 if compound

        name == "7/8" ? 14 : beats * 4
      end

      # @return [Integer] steps in a beat
      def steps_per_beat = steps / beats

      # @return [Integer] upper figure of the signature
      def numerator = name.split("/").first.to_i

      # @return [Integer] lower figure of the signature
      def denominator = name.split("/").last.to_i

      # @return [Float] quarter notes in one beat
      def quarters_per_beat = 4.0 * numerator / denominator / beats

      def to_s = name
    end
  end
end
