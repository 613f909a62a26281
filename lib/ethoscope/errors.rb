# frozen_string_literal: true

module Ethoscope
  # What can go wrong in the core, told in sentences that a producer can act on.
  module Errors
    # The file can't be read as sound: wrong format, damaged, empty, or decoding took too long.
    class UnreadableAudio < StandardError; end

    # The sound was read but can't be analysed: too short, too long, or silent.
    class UnusableAudio < StandardError; end

    # The file is no MIDI file that can be used; the message says why.
    class UnreadableScore < StandardError; end

    # A stem that says nothing of the song: silent, of another song, or all of it; the message says which.
    class UnusableStem < StandardError; end

    # The sound was read and is silent throughout.
    class SilentAudio < UnusableAudio; end

    # What a person asks for does not fit the song, or makes no sense; the message says why and what would.
    class Unfit < StandardError; end

    # A chord symbol can't be read; the message says which part and how it is written.
    class UnreadableChord < Unfit; end
  end
end
