# frozen_string_literal: true

module Ethoscope
  module Harmony
    # How strongly each semitone sounds in each span of time, overtones explained away: whitened log-frequency spectra as
    # non-negative sums of harmonic note profiles (Mauch & Dixon, ISMIR 2010; multiplicative updates after Lee & Seung, 1999).
    class NoteActivation
      # A note fades in over so many bins at the edge of what is told.
      FADE = 6.0
      NOTES = 84
      # MIDI number of the lowest note, A0.
      LOWEST = 21

      # @return [Numo::SFloat] shape [spans, NOTES]
      attr_reader :activation
      # @return [Numo::SFloat] shape [spans], how loud each span is, the loudest being 1
      attr_reader :level

      # @param log_spectra [Signal::LogSpectra]
      # @param times [Array<Float>] ascending edges of the spans in seconds
      # @return [NoteActivation]
      def self.of(log_spectra, times)
        spectra = log_spectra.means_between(times)
        new(activation: Explanation.of(spectra), level: spectra.sum(axis: 1))
      end

      # @param activation [Numo::SFloat] shape [spans, NOTES]
      # @param level [Numo::SFloat] shape [spans], in any unit
      def initialize(activation:, level:)
        @activation = activation
        @level = level / [level.max, 1e-9].max
        freeze
      end

      # @return [Integer] number of spans
      def size = activation.shape[0]

      # @param range [Range<Integer>] MIDI numbers
      # @return [Numo::DFloat] shape [spans, 12], pitch classes from C, square roots of summed activation
      def chroma(range)
        folded = Numo::DFloat.zeros(activation.shape[0], 12)
        NOTES.times do |note|
          folded[true, (note + LOWEST) % 12] += activation[true, note] * emphasis(note + LOWEST, range)
        end
        Numo::NMath.sqrt(folded)
      end

      private

      # Fades over half an octave at both ends, so that no note falls off an edge.
      def emphasis(note, range)
        inside = [note - range.begin, range.end - note].min
        ((inside + FADE) / FADE).clamp(0.0, 1.0)
      end
    end
  end
end
