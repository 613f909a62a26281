# frozen_string_literal: true

module Ethoscope
  module Audio
    # The highest point of the waveform between samples, by interpolating to four times the rate (ITU-R BS.1770-4, annex 2).
    # Only the surroundings of the highest samples are interpolated.
    module TruePeak
      PHASES = [0.25, 0.5, 0.75].freeze
      TAPS = 24
      # Peaks between samples are looked for beside samples that reach this share of the highest one.
      NEAR = 0.75
      # Samples looked at closely, in runs of so many.
      MOST = 120_000
      RUN = 200
      # Samples whose highest are found at once.
      BLOCK = RUN * 2000

      # @param recording [Recording]
      # @return [Float] dBTP, -120 for silence
      def self.measure(recording)
        peaks = (0...recording.channels.shape[0]).map { |c| peak(recording.channels[c, true], recording.peak) }
        (20 * Math.log10([peaks.max, 1e-6].max)).round(1)
      end

      def self.peak(samples, highest)
        return highest if samples.size < TAPS * 2

        at = loud(samples, highest)
        return highest if at.empty?

        around = Numo::Int32.cast(at).reshape(at.size, 1) + Numo::Int32.new(TAPS).seq.reshape(1, TAPS) - (TAPS / 2)
        between = Numo::Linalg.dot(Numo::SFloat.cast(samples[around]), kernel)
        [highest, between.abs.max].max
      end
      private_class_method :peak

      # The places of the highest samples, at most MOST of them; only runs that hold one are looked at closely.
      def self.loud(samples, highest)
        tops = highest_of_runs(samples)
        loud = tops.sort_index.to_a.reverse.first(MOST / RUN).select { |run| tops[run] >= highest * NEAR }
        places = loud.flat_map { |run| ((run * RUN)...((run + 1) * RUN)).to_a }
        places.select! { |place| place.between?(TAPS / 2, samples.size - (TAPS / 2)) }
        places.empty? ? Numo::Int32[] : Numo::Int32[*places].then { |at| at[(samples[at].abs >= highest * NEAR).where] }
      end
      private_class_method :loud

      def self.highest_of_runs(samples)
        whole = samples.size / RUN * RUN
        Numo::SFloat.concatenate((0...whole).step(BLOCK).map do |first|
          part = samples[first...[first + BLOCK, whole].min].dup
          table = part.reshape(part.size / RUN, RUN)
          Numo::SFloat.maximum(table.max(axis: 1), table.min(axis: 1) * -1)
        end)
      end
      private_class_method :highest_of_runs

      # Windowed sinc for the three points between a sample and the next; column by phase.
      def self.kernel
        offsets = Numo::DFloat.new(TAPS).seq - (TAPS / 2)
        columns = PHASES.map do |phase|
          distance = (offsets - phase) * Math::PI
          distance += 1e-9 unless distance.eq(0).where.empty?
          window = (Numo::NMath.cos(distance / (TAPS / 2)) * 0.5) + 0.5
          Numo::NMath.sin(distance) / distance * window
        end
        Numo::SFloat.cast(Numo::DFloat.vstack(columns).transpose.dup)
      end
      private_class_method :kernel
    end
  end
end
