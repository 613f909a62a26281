# frozen_string_literal: true

module Ethoscope
  module Signal
    # Cuts a signal into overlapping frames and takes their power spectra, in blocks that keep memory flat. The method is our own.
    module Frames
      # Frames held at once.
      BLOCK = 128

      # @param size [Integer]
      # @return [Numo::SFloat] a periodic Hann window, shape [size]
      def self.hann(size)
        0.5 - (0.5 * Numo::NMath.cos(Numo::SFloat.new(size).seq * (2 * Math::PI / size)))
      end

      # Frame i is centred on sample i * hop; the ends are padded with zeros.
      #
      # @param samples [Numo::SFloat] shape [n]
      # @param window [Numo::SFloat] shape [size]
      # @param hop [Integer]
      # @return [Enumerator<Numo::SFloat>] blocks of shape [up to BLOCK, size / 2 + 1], squared magnitudes
      def self.each_power_block(samples, window, hop)
        return to_enum(:each_power_block, samples, window, hop) unless block_given?

        size = window.size
        count = count(samples.size, hop)
        (0...count).step(BLOCK) do |first|
          out = Numo::SFloat.zeros([BLOCK, count - first].min, (size / 2) + 1)
          stretch = cut(samples, (first * hop) - (size / 2), ((out.shape[0] - 1) * hop) + size)
          out.shape[0].times do |row|
            start = row * hop
            # The product is a copy, so the transform does not miss the view's offset.
            out[row, true] = power(Numo::Pocketfft.rfft(stretch[start...(start + size)] * window))
          end
          yield out
        end
      end

      # @param samples [Numo::SFloat] shape [n]
      # @param window [Numo::SFloat] shape [size]
      # @param hop [Integer]
      # @param columns [Integer]
      # @yieldparam power [Numo::SFloat] a block as {each_power_block} gives it
      # @yieldreturn [Numo::SFloat] shape [rows of the block, columns]
      # @return [Numo::SFloat] shape [frames, columns], what was made of all blocks
      def self.power_table(samples, window, hop, columns)
        table = Numo::SFloat.zeros(count(samples.size, hop), columns)
        first = 0
        each_power_block(samples, window, hop) do |power|
          table[first...(first + power.shape[0]), true] = yield(power)
          first += power.shape[0]
        end
        table
      end

      # @return [Integer] the number of frames that {each_power_block} makes of n samples
      def self.count(samples, hop) = (samples.to_f / hop).ceil

      # A row times its conjugate costs a third of the square of its absolute value.
      #
      # @param spectrum [Numo::DComplex]
      # @return [Numo::DFloat] squared magnitudes
      def self.power(spectrum) = (spectrum * spectrum.conj).real

      # @param samples [Numo::SFloat, Audio::OneChannel] shape [n]
      # @param first [Integer] may lie before the first sample
      # @param size [Integer]
      # @return [Numo::SFloat] shape [size], with zeros where there are no samples
      def self.cut(samples, first, size)
        out = Numo::SFloat.zeros(size)
        from = first.clamp(0, samples.size)
        to = (first + size).clamp(from, samples.size)
        out[(from - first)...(to - first)] = samples[from...to] if to > from
        out
      end
    end
  end
end
