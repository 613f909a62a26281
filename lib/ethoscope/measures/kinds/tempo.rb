# frozen_string_literal: true

module Ethoscope
  module Measures
    module Kinds
      # Beats per minute: what several songs have in common is told once their tempos are folded by octaves. The way is our own.
      class Tempo < Number
        # @param values [Array<Hash>] bpm, one a song
        # @return [Hash] value: the middle of those that belong together; spread: half the way from slowest to fastest; songs: how many belong together
        def common(values)
          zone = Rhythm::TempoZone.new(values.map { |value| figure(value) })
          low, high = zone.range
          { value: { bpm: zone.middle }, spread: (high - low) / 2, songs: zone.points.count { |point| !point.apart } }
        end
      end
    end
  end
end
