# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Explains spectra by notes: whitened log-frequency spectra as non-negative sums of harmonic note profiles (Mauch & Dixon, ISMIR
    # 2010; multiplicative updates after Lee & Seung, 1999).
    module Explanation
      ITERATIONS = 20
      WHITENING_BINS = 37

      # @param spectra [Numo::SFloat] shape [spans, Signal::LogFrequency::BINS]
      # @return [Numo::SFloat] shape [spans, NoteActivation::NOTES]
      def self.of(spectra)
        profiles = Profiles.matrix
        gram = Numo::Linalg.dot(profiles, profiles.transpose.dup)
        target = Numo::Linalg.dot(whiten(spectra), profiles.transpose.dup)
        activation = target.clip(0, nil) + 1e-3
        ITERATIONS.times { activation *= target / (Numo::Linalg.dot(activation, gram) + 1e-6) }
        activation
      end

      def self.whiten(spectra)
        mean = band_mean(spectra)
        deviation = Numo::NMath.sqrt((band_mean(spectra**2) - (mean**2)).clip(1e-16, nil))
        ((spectra - mean) / (deviation + (deviation.max * 1e-4))).clip(0, nil)
      end
      private_class_method :whiten

      def self.band_mean(rows)
        bins = rows.shape[1]
        sums = Numo::DFloat.zeros(rows.shape[0], bins + 1)
        sums[true, 1..] = Numo::DFloat.cast(rows).cumsum(1)
        index = Numo::Int32.new(bins).seq
        low = (index - (WHITENING_BINS / 2)).clip(0, bins)
        high = (index + (WHITENING_BINS / 2) + 1).clip(0, bins)
        Numo::SFloat.cast((sums[true, high] - sums[true, low]) / (high - low))
      end
      private_class_method :band_mean
    end
  end
end
