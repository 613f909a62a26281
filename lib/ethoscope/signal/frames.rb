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
        padded = pad(samples, size, hop, count)
        (0...count).step(BLOCK) do |first|
          out = Numo::SFloat.zeros([BLOCK, count - first].min, (size / 2) + 1)
          out.shape[0].times do |row|
            start = (first + row) * hop
            # The product is a copy, so the transform does not miss the view's offset.
            out[row, true] = power(Numo::Pocketfft.rfft(padded[start...(start + size)] * window))
          end
          yield out
        end
      end

      # @return [Integer] the number of frames that {each_power_block} makes of n samples
      def self.count(samples, hop) = (samples.to_f / hop).ceil

      # A row times its conjugate costs a third of the square of its absolute value.
      #
      # @param spectrum [Numo::DComplex]
      # @return [Numo::DFloat] squared magnitudes
      def self.power(spectrum) = (spectrum * spectrum.conj).real

      def self.pad(samples, size, hop, count)
        padded = Numo::SFloat.zeros((count * hop) + size)
        padded[(size / 2)...((size / 2) + samples.size)] = samples
        padded
      end
      private_class_method :pad
    end
  end
end
