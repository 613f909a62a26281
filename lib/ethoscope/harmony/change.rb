# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Curves of harmonic change over a recording, for all notes and for the bass register.
    class Change
      # Semitones over A0 that count as bass, and those that count as harmony.
      BASS = (4...28)
      HARMONY = (24...72)
      # Frames of 93 ms on each side of a moment.
      REACH = 5
      BASS_REACH = 4

      # @return [Numo::DFloat] shape [frames of the long transform]
      attr_reader :treble, :bass

      # @param long_time [Signal::LongTime]
      # @param cents [Float] tuning offset
      def initialize(long_time, cents)
        bank = Signal::LogFrequency.new(bin_width: long_time.bin_width, bins: Signal::LongTime::BINS, cents:)
        bins = Numo::NMath.sqrt(bank.map(long_time.magnitudes))
        semitones = bins.reshape(bins.shape[0], NoteActivation::NOTES, 3).sum(axis: 2)
        octaves = semitones[true, HARMONY].dup.reshape(bins.shape[0], HARMONY.size / 12, 12)
        @treble = Signal::SpectralChange.curve(octaves.sum(axis: 1), REACH)
        @bass = Signal::SpectralChange.curve(semitones[true, BASS].dup, BASS_REACH)
        freeze
      end
    end
  end
end
