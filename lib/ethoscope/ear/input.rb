# frozen_string_literal: true

module Ethoscope
  module Ear
    # What the listening network is shown of a song: the registers of {Signal::ShortTime} and the semitones of
    # {Signal::LogSpectra}, both as logarithms of their level beside the song's own. Teaching (`rake learn:features`) and
    # hearing come through here, so that they can't drift apart. The method is our own.
    module Input
      # Frames of the short transform that are one frame here.
      PAIR = 2
      # Bins of the long transform that are one semitone.
      SEMITONE = 3
      # A level so many times the song's mean is 1 before the logarithm of one more is taken.
      GAIN = 5.0

      # @param short [Signal::ShortTime]
      # @param spectra [Signal::LogSpectra]
      # @return [Numo::SFloat] shape [frames, registers + semitones], 0 for silence
      def self.of(short, spectra)
        registers = paired(short.bands)
        semitones = stretched(folded(spectra.frames), spectra.rate, registers.shape[0], rate(short))
        Numo::SFloat.hstack([registers, semitones].map { |levels| logarithms(levels) })
      end

      # @param short [Signal::ShortTime]
      # @return [Float] frames a second
      def self.rate(short) = short.rate / PAIR

      # The middle of a frame and the one after it lies half a short frame late; learning/ear/labels.py knows.
      def self.paired(bands)
        frames = bands.shape[0] / PAIR
        bands[0...(frames * PAIR), true].reshape(frames, PAIR, bands.shape[1]).mean(axis: 1)
      end
      private_class_method :paired

      def self.folded(bins)
        bins.reshape(bins.shape[0], bins.shape[1] / SEMITONE, SEMITONE).max(axis: 2)
      end
      private_class_method :folded

      # Each frame here is shown the frame of the long transform nearest to it.
      def self.stretched(levels, from, frames, rate)
        at = Numo::Int32.cast((Numo::DFloat.new(frames).seq * from / rate).round).clip(0, levels.shape[0] - 1)
        levels[at, true]
      end
      private_class_method :stretched

      def self.logarithms(levels)
        Numo::NMath.log((levels * (GAIN / [levels.mean, 1e-12].max)) + 1)
      end
      private_class_method :logarithms
    end
  end
end
