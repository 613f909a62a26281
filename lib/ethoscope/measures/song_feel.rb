# frozen_string_literal: true

module Ethoscope
  module Measures
    # How registers are struck against each other: where the grid lies against all of them says nothing. The way is our own.
    module SongFeel
      # @param timings [Array<Hash>] register, offsets_ms by step and spread_ms, as the schema has them
      # @return [Array<Hash>] register, late_ms (against the mean of all registers) and spread_ms
      def self.registers(timings)
        told = timings.select { |timing| timing[:spread_ms] && timing[:offsets_ms].compact.any? }
        late = told.map { |timing| timing[:offsets_ms].compact.then { |offsets| offsets.sum / offsets.size } }
        mean = late.sum / [late.size, 1].max
        told.zip(late).map { |timing, own| { register: timing[:register], late_ms: (own - mean).round(1), spread_ms: timing[:spread_ms] } }
      end
    end
  end
end
