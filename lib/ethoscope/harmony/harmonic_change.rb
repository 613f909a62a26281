# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Curves of harmonic change over a recording, for all notes and for the bass register. The method is our own.
    class HarmonicChange
      # Semitones over A0 that count as bass, and those that count as harmony.
      BASS = (4...28)
      HARMONY = (24...72)
      # Frames of 93 ms on each side of a moment.
      REACH = 5
      BASS_REACH = 4

      # @return [Numo::DFloat] shape [frames of the log-frequency spectra]
      attr_reader :treble, :bass

      # @param log_spectra [Signal::LogSpectra]
      def initialize(log_spectra)
        bins = Numo::NMath.sqrt(log_spectra.frames)
        semitones = bins.reshape(bins.shape[0], NoteActivation::NOTES, 3).sum(axis: 2)
        octaves = semitones[true, HARMONY].dup.reshape(bins.shape[0], HARMONY.size / 12, 12)
        @treble = Signal::SpectralChange.curve(octaves.sum(axis: 1), REACH)
        @bass = Signal::SpectralChange.curve(semitones[true, BASS].dup, BASS_REACH)
        freeze
      end
    end
  end
end
