# frozen_string_literal: true

module Ethoscope
  module Ear
    # What the network heard, frame by frame: onsets, shape [KINDS, frames], how likely each begins there; bass, shape [pitches + 1, frames], which
    # pitch a bass plays (row 0: none); rate in frames a second. The method is our own.
    Heard = Value.of(:onsets, :bass, :rate) do
      # How likely something of a kind begins within a frame of given moments.
      #
      # @param kind [String] one of KINDS
      # @param times [Numo::DFloat] shape [n], seconds
      # @return [Numo::DFloat] shape [n], 0 to 1
      def at(kind, times)
        row = onsets[self.class::KINDS.index(kind), true]
        here = Numo::Int32.cast(((times * rate) - self.class::LATE).round)
        (-1..1).map { |beside| Numo::DFloat.cast(row[(here + beside).clip(0, row.size - 1)]) }.reduce { |one, other| Numo::DFloat.maximum(one, other) }
      end
    end

    # What begins, in the order of the network's rows.
    class Heard
      KINDS = %w[kick snare hats bass beat downbeat boundary].freeze
      # The middle of a frame lies so much of one late.
      LATE = 0.25
      # MIDI number of the lowest pitch of a bass.
      LOWEST = 24
    end
  end
end
