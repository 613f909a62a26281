# frozen_string_literal: true

module Ethoscope
  module Stems
    # One part of a song on its own: what its file was called, its role, how many seconds later than in its file it sounds in the mix, how many seconds of the
    # mix one of its own takes (1 unless the mix was made faster or slower afterwards), and what was measured on it. The way is our own.
    Stem = Value.of(:name, :role, :offset, :speed, :features) do
      # @param speed [Float]
      def initialize(speed: 1.0, **attributes) = super

      # @param time [Float] seconds in the stem
      # @return [Float] seconds in the mix
      def in_mix(time) = (time * speed) + offset
    end
  end
end
