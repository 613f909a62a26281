# frozen_string_literal: true

module Ethoscope
  module Form
    # The chords that sound in a section: one that began before its first bar and goes on is among them. The method is our own.
    module SectionChords
      # Times are rounded, so a little less than the least is enough.
      ROUNDING = 0.9
      # A chord that only hangs over by less than this many beats belongs to the section before.
      LEAST_BEATS = 0.5

      # @param data [Hash] the analysis schema
      # @param section [Hash] first_bar and bars
      # @return [Array<Hash>] chords in the schema, in order
      def self.of(data, section)
        bars = data[:bars][section[:first_bar] - 1, section[:bars]]
        return [] if bars.nil? || bars.empty?

        from = bars.first[:start]
        to = bars.last[:end]
        least = LEAST_BEATS * (to - from) / (bars.size * Rhythm::Meter.named(data[:meter]).beats) * ROUNDING
        data[:chords].select { |chord| [chord[:end], to].min - [chord[:start], from].max >= least }
      end
    end
  end
end
