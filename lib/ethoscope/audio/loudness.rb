# frozen_string_literal: true

module Ethoscope
  module Audio
    # Loudness after ITU-R BS.1770-4: K-weighted energy in overlapping blocks of 400 ms, gated at -70 LUFS and at
    # 10 LU under the mean of what is left.
    #
    # The K-weighting is applied as a power response on short spectra (Parseval's theorem), so that no sample is
    # filtered one by one; tests hold it against the meter in ffmpeg.
    class Loudness
      WINDOW = 8192
      HOP = 4096
      BLOCK_SECONDS = 0.4
      ABSOLUTE_GATE = -70.0
      RELATIVE_GATE = -10.0
      OFFSET = -0.691

      # @param recording [Recording]
      def initialize(recording)
        @rate = recording.rate
        @energy = Array.new(recording.channels.shape[0]) { |c| frame_energy(recording.channels[c, true].dup) }.sum
      end

      # @return [Float] seconds between two values of {#frames}
      def hop_seconds = HOP.to_f / @rate

      # @return [Numo::DFloat] shape [frames], K-weighted mean square of both channels, frames centred {#hop_seconds} apart
      def frames = @energy

      # @return [Float, nil] integrated loudness in LUFS to 0.1; nil when nothing passes the gate
      def integrated
        blocks = block_energy
        loud = blocks[(level(blocks) > ABSOLUTE_GATE).where]
        return nil if loud.empty?

        kept = loud[(level(loud) > level_of(loud.mean) + RELATIVE_GATE).where]
        level_of(kept.mean).round(1)
      end

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @return [Float] ungated loudness of that stretch in LUFS, -70 at the least
      def between(from, to)
        first = (from / hop_seconds).round.clamp(0, @energy.size - 1)
        last = ((to / hop_seconds).round - 1).clamp(first, @energy.size - 1)
        level_of(@energy[first..last].mean)
      end

      private

      def level_of(energy) = [OFFSET + (10 * Math.log10([energy, 1e-12].max)), ABSOLUTE_GATE].max

      def level(energies) = (Numo::NMath.log10(energies.clip(1e-12, nil)) * 10) + OFFSET

      # Means over about 400 ms, one every hop: more overlap than the standard's 75 %, which changes nothing but the grain.
      def block_energy
        n = [(BLOCK_SECONDS / hop_seconds).round, @energy.size].min
        sums = Numo::DFloat.zeros(@energy.size + 1)
        sums[1..] = @energy.cumsum
        (sums[n..] - sums[0..-(n + 1)]) / n
      end

      def frame_energy(samples)
        window = Signal::Frames.sine(WINDOW)
        gain = power_response / ((window**2).sum * WINDOW) * 2
        Signal::Frames.each_block(samples, WINDOW, HOP).map do |frames|
          spectra = Signal::Frames.power(frames * window)
          Numo::Linalg.dot(Numo::DFloat.cast(spectra), gain)
        end.reduce { |a, b| a.append(b) }
      end

      # Power response of the two K-weighting filters at the bins (coefficients for 48 kHz from the standard).
      def power_response
        freq = Numo::DFloat.new((WINDOW / 2) + 1).seq * (@rate.to_f / WINDOW)
        omega = freq * (2 * Math::PI / 48_000)
        shelf = response(omega, [1.53512485958697, -2.69169618940638, 1.19839281085285],
          [1.0, -1.69065929318241, 0.73248077421585])
        high_pass = response(omega, [1.0, -2.0, 1.0], [1.0, -1.99004745483398, 0.99007225036621])
        shelf * high_pass
      end

      def response(omega, numerator, denominator)
        biquad_power(omega, numerator) / biquad_power(omega, denominator)
      end

      def biquad_power(omega, taps)
        real = taps[0] + (Numo::NMath.cos(omega) * taps[1]) + (Numo::NMath.cos(omega * 2) * taps[2])
        imaginary = (Numo::NMath.sin(omega) * taps[1]) + (Numo::NMath.sin(omega * 2) * taps[2])
        (real**2) + (imaginary**2)
      end
    end
  end
end
