# frozen_string_literal: true

module Ethoscope
  module Midi
    # The notes of one role: a track, or the pieces of a drum track apart. Notes are in order of their start. The way is our own.
    Part = Value.of(:name, :role, :program, :notes)

    # Knows what is not for ears.
    class Part
      # Names of tracks that only drive something else: a ghost kick that ducks, a guide, a click.
      UNHEARD = /\b(?:ghosts?|guide|triggers?|side ?chain|duck|ducker|ducking|cues?|click|metronome|count ?in|muted?|dummy)\b/
      # MIDI velocities whose mean is less are not heard.
      SOFTEST = 8

      # @return [Boolean]
      def silent? = UNHEARD.match?(name.downcase.tr("_-", "  ")) || notes.sum(&:velocity) < SOFTEST * notes.size
    end
  end
end
