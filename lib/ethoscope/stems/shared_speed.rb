# frozen_string_literal: true

module Ethoscope
  module Stems
    # Stems of one song that are as long as each other were exported together: where those that tell clearly say that the mix is faster or slower than they
    # are, it is so for all of them. The method is our own.
    module SharedSpeed
      # Lengths this near are one.
      SAME_SECONDS = 0.05

      # @param stems [Array<Hash>] seconds, speed and distinct of each
      # @return [Array<Float>] the speed of each
      def self.of(stems)
        stems.map do |stem|
          next stem[:speed] if clear?(stem)

          alike = stems.select { |other| clear?(other) && ((other[:seconds] || 0) - (stem[:seconds] || 0)).abs < SAME_SECONDS }
          alike.map { |other| other[:speed] }.tally.max_by(&:last)&.first || stem[:speed]
        end
      end

      def self.clear?(stem) = (stem[:distinct] || 0) >= Alignment::CLEAR
      private_class_method :clear?
    end
  end
end
