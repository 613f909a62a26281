# frozen_string_literal: true

module Ethoscope
  module Audio
    # Parts a recording into what is struck and what is held: held sounds are lines along time in the spectrogram, struck ones lines
    # along frequency, and medians along each keep one and drop the other
    # (D. FitzGerald, "Harmonic/percussive separation using median filtering", DAFx 2010, with Wiener masks).
    module Separation
      # Two parts, each Numo::SFloat of shape [channels, samples]; together they are the recording.
      Parts = Value.of(:struck, :steady)

      SIZE = 2048
      HOP = SIZE / 2
      # Frames on each side that the median over time looks at.
      REACH = Signal::Median::TAPS / 2
      # Bins between the taps of the median over frequency: nine of them span 17 bins, about 370 Hz.
      SPREAD = 2
      # Frames that are held at once.
      BLOCK = 256

      # The square root of a Hann window, before and after, so that overlapping halves add up to one.
      WINDOW = Numo::NMath.sqrt(Signal::Frames.hann(SIZE)).freeze

      # @param recording [Recording]
      # @yieldparam share [Float] how much is done, 0 to 1
      # @return [Parts]
      def self.of(recording, &progress)
        samples = recording.channels.shape[1]
        frames = (samples.to_f / HOP).ceil + 1
        padded = (0...recording.channels.shape[0]).map { |channel| pad(recording.channels[channel, true], frames) }
        struck = padded.map { |channel| Numo::SFloat.zeros(channel.size) }
        (0...frames).step(BLOCK) do |first|
          separate(padded, struck, first, [BLOCK, frames - first].min)
          progress&.call([(first + BLOCK).fdiv(frames), 1.0].min)
        end
        start = HOP * (REACH + 1)
        parts = Numo::SFloat.vstack(struck.map { |channel| channel[start...(start + samples)] })
        Parts.new(struck: parts, steady: recording.channels - parts)
      end

      # Zeros before and after, so that every sample lies in two frames and every frame has neighbours.
      def self.pad(samples, frames)
        padded = Numo::SFloat.zeros((frames + (2 * REACH) + 2) * HOP)
        start = HOP * (REACH + 1)
        padded[start...(start + samples.size)] = samples
        padded
      end
      private_class_method :pad

      # Adds the struck part of some frames, counted without the neighbours before them.
      def self.separate(padded, struck, first, count)
        spectra = padded.map { |channel| spectra(channel, first, count + (2 * REACH)) }
        level = Numo::SFloat.cast(Numo::NMath.sqrt(spectra.sum { |channel| Signal::Frames.power(channel) }))
        mask = mask(level)
        padded.each_index do |channel|
          count.times do |row|
            at = (first + row + REACH) * HOP
            struck[channel][at...(at + SIZE)] += Numo::SFloat.cast(Numo::Pocketfft.irfft(spectra[channel][row + REACH, true] * mask[row, true])) * WINDOW
          end
        end
      end
      private_class_method :separate

      def self.spectra(samples, first, count)
        out = Numo::DComplex.zeros(count, HOP + 1)
        count.times do |row|
          at = (first + row) * HOP
          out[row, true] = Numo::Pocketfft.rfft(samples[at...(at + SIZE)] * WINDOW)
        end
        out
      end
      private_class_method :spectra

      # How much of each point is struck; the rows at the ends are only neighbours.
      def self.mask(level)
        held = Signal::Median.down(level)**2
        hit = Signal::Median.across(level[REACH...(level.shape[0] - REACH), true], SPREAD)**2
        hit / (hit + held + 1e-12)
      end
      private_class_method :mask
    end
  end
end
