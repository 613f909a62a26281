# frozen_string_literal: true

module Ethoscope
  module Harmony
    # How strongly each semitone sounds in each span of time, overtones explained away: whitened log-frequency spectra as
    # non-negative sums of harmonic note profiles (Mauch & Dixon, ISMIR 2010; multiplicative updates after Lee & Seung, 1999).
    class NoteActivation
      NOTES = 84
      # MIDI number of the lowest note, A0.
      LOWEST = 21
      ITERATIONS = 20
      WHITENING_BINS = 37

      # @return [Numo::SFloat] shape [spans, NOTES]
      attr_reader :activation
      # @return [Numo::SFloat] shape [spans], how loud each span is, the loudest being 1
      attr_reader :level

      # @param log_spectra [Signal::LogSpectra]
      # @param times [Array<Float>] ascending edges of the spans in seconds
      def initialize(log_spectra, times)
        spectra = log_spectra.means_between(times)
        sums = spectra.sum(axis: 1)
        @level = sums / [sums.max, 1e-9].max
        @activation = explain(whiten(spectra))
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
        ((inside + 6) / 6.0).clamp(0.0, 1.0)
      end

      def whiten(spectra)
        mean = band_mean(spectra)
        deviation = Numo::NMath.sqrt((band_mean(spectra**2) - (mean**2)).clip(1e-16, nil))
        ((spectra - mean) / (deviation + (deviation.max * 1e-4))).clip(0, nil)
      end

      def band_mean(rows)
        bins = rows.shape[1]
        sums = Numo::DFloat.zeros(rows.shape[0], bins + 1)
        sums[true, 1..] = Numo::DFloat.cast(rows).cumsum(1)
        index = Numo::Int32.new(bins).seq
        low = (index - (WHITENING_BINS / 2)).clip(0, bins)
        high = (index + (WHITENING_BINS / 2) + 1).clip(0, bins)
        Numo::SFloat.cast((sums[true, high] - sums[true, low]) / (high - low))
      end

      def explain(spectra)
        profiles = Profiles.matrix
        gram = Numo::Linalg.dot(profiles, profiles.transpose.dup)
        target = Numo::Linalg.dot(spectra, profiles.transpose.dup)
        activation = target.clip(0, nil) + 1e-3
        ITERATIONS.times { activation *= target / (Numo::Linalg.dot(activation, gram) + 1e-6) }
        activation
      end
    end
  end
end
