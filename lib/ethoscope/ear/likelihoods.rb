# frozen_string_literal: true

module Ethoscope
  module Ear
    # What the listening network heard, frame by frame, 0 to 1: onsets, shape [KINDS, frames], how likely each begins there;
    # bass, shape [PITCHES + 1, frames], which pitch a bass plays (row 0: none); root, shape [13, frames], of the chord (the
    # last row: none); tones, shape [12, frames], pitch classes of the chord; roles, shape [ROLES, frames], who plays.
    # rate in frames a second. The method is our own.
    Likelihoods = Value.of(:onsets, :bass, :root, :tones, :roles, :rate) do
      # How likely something of a kind begins within a frame of given moments.
      #
      # @param kind [String] one of KINDS
      # @param times [Numo::DFloat] shape [n], seconds
      # @return [Numo::DFloat] shape [n], 0 to 1
      def at(kind, times)
        row = onsets[self.class::KINDS.index(kind), true]
        here = Numo::Int32.cast(((times * rate) - self.class::LATE).round)
        near = (-1..1).map { |beside| Numo::DFloat.cast(row[(here + beside).clip(0, row.size - 1)]) }
        near.reduce { |one, other| Numo::DFloat.maximum(one, other) }
      end
    end

    # What the rows stand for.
    class Likelihoods
      KINDS = %w[kick snare hats bass beat downbeat boundary].freeze
      ROLES = %w[kick snare hats percussion bass chords pad lead strings brass vocal].freeze
      # What a network tells, by the names of its answers.
      HEADS = %i[onsets bass root tones roles].freeze
      # The middle of a frame lies so much of one late.
      LATE = 0.25
      # MIDI number of the lowest pitch of a bass, and how many there are.
      LOWEST = 24
      PITCHES = 49
    end
  end
end
