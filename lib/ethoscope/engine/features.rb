# frozen_string_literal: true

module Ethoscope
  module Engine
    # All that is measured on the samples of a recording, once: one short transform for rhythm and layers, one long transform
    # for pitch, one stereo transform for loudness and width. Everything that an analysis says is derived from these. The method is our own.
    class Features
      # From this length on memory is cleared between the steps.
      LONG_SECONDS = 600
      # @return [Float] length in seconds
      attr_reader :duration
      # @return [Integer] 1 or 2
      attr_reader :channels
      # @return [Float] the largest absolute sample
      attr_reader :peak
      # @return [Float] dBTP
      attr_reader :true_peak
      # @return [Audio::SoundField]
      attr_reader :field
      # @return [Signal::ShortTime]
      attr_reader :short
      # @return [Signal::LogSpectra]
      attr_reader :spectra
      # @return [Harmony::Tuning]
      attr_reader :tuning
      # @return [Rhythm::HarmonicClues] in 32-bit floats
      attr_reader :clues
      # @return [Audio::Echoes]
      attr_reader :echoes
      # @return [Signal::OnsetStrength]
      attr_reader :onset

      # @param recording [Audio::Recording]
      # @param tuning [Harmony::Tuning, nil] of the song that it is a part of, where that is known
      # @yieldparam stage [Symbol] :level or :spectra, when it is done
      # @return [Features]
      # @raise [Errors::SilentAudio] when the recording is silent
      def self.of(recording, tuning: nil)
        raise Errors::SilentAudio, "The recording is silent. Check the export and drop it again." if recording.peak < Audio::Recording::SILENT_PEAK

        level = { duration: recording.duration, channels: recording.channels.shape[0], peak: recording.peak,
                  true_peak: Audio::TruePeak.measure(recording), field: Audio::SoundField.of(recording) }
        tidy(recording)
        yield :level if block_given?
        features = new(**level, **transformed(recording, tuning))
        yield :spectra if block_given?
        features
      end

      def self.tidy(recording) = (Memory.release if recording.duration > LONG_SECONDS)
      private_class_method :tidy

      def self.transformed(recording, tuning)
        transforms = transforms(recording, tuning)
        tidy(recording)
        { **transforms, clues: clues(transforms[:spectra], recording.duration) }
      end
      private_class_method :transformed

      def self.transforms(recording, tuning)
        samples = Audio::Resampler.halve(recording.mono)
        rate = recording.rate / 2.0
        echoes = Audio::Echoes.of(recording, samples)
        tidy(recording)
        { **frames(samples, rate, tuning), echoes: }
      end
      private_class_method :transforms

      # What rhythm, harmony and the ear rest on.
      #
      # @param samples [Numo::SFloat] mono
      # @param rate [Float] samples a second
      # @param tuning [Harmony::Tuning, nil] as it is known
      # @return [Hash] tuning, spectra and short
      def self.frames(samples, rate, tuning = nil)
        pitches = pitches(samples, rate, tuning)
        Memory.release if samples.size > LONG_SECONDS * rate
        { **pitches, short: Signal::ShortTime.of(samples, rate) }
      end

      # The long transform is let go of here: it is the largest thing beside the samples.
      def self.pitches(samples, rate, tuning)
        long = Signal::LongTime.new(samples, rate)
        tuning ||= Harmony::Tuning.measure(long)
        { tuning:, spectra: Signal::LogSpectra.of(long, tuning.cents) }
      end
      private_class_method :pitches

      # What harmony says of bars does not depend on them, so no correction changes it.
      def self.clues(spectra, duration)
        change = Harmony::HarmonicChange.new(spectra)
        turns = Harmony::Turns.new(spectra, duration)
        curves = { treble: change.treble, bass: change.bass, turns: turns.curve, notes: turns.notes, chords: turns.chords }
        Rhythm::HarmonicClues.new(**curves.transform_values { |curve| Numo::SFloat.cast(curve) }, step: Harmony::Turns::STEP_SECONDS)
      end
      private_class_method :clues

      # @param attributes [Hash] all attributes but the onset strength, which is worked out
      def initialize(duration:, channels:, peak:, true_peak:, field:, short:, spectra:, tuning:, clues:, echoes:)
        @duration = duration
        @channels = channels
        @peak = peak
        @true_peak = true_peak
        @field = field
        @short = short
        @spectra = spectra
        @tuning = tuning
        @clues = clues
        @echoes = echoes
        @onset = Signal::OnsetStrength.new(short)
        freeze
      end
    end
  end
end
