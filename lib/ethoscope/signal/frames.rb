# frozen_string_literal: true

module Ethoscope
  module Signal
    # Cuts a signal into overlapping frames and takes their spectra, in blocks that keep memory flat.
    module Frames
      # Frames held at once; 512 of 8192 samples are 16 MiB.
      BLOCK = 512

      # @param size [Integer]
      # @return [Numo::SFloat] a periodic Hann window, shape [size]
      def self.hann(size)
        0.5 - (0.5 * Numo::NMath.cos(Numo::SFloat.new(size).seq * (2 * Math::PI / size)))
      end

      # @param size [Integer]
      # @return [Numo::SFloat] a sine window, shape [size]; its squares add up to one at half overlap
      def self.sine(size)
        Numo::NMath.sin((Numo::SFloat.new(size).seq + 0.5) * (Math::PI / size))
      end

      # Frame i is centred on sample i * hop; the ends are padded with zeros.
      #
      # @param samples [Numo::SFloat] shape [n]
      # @param size [Integer] frame length, a multiple of hop
      # @param hop [Integer]
      # @return [Enumerator<Numo::SFloat>] blocks of shape [up to BLOCK, size]
      # @raise [ArgumentError] when size is no multiple of hop
      def self.each_block(samples, size, hop)
        raise ArgumentError, "size must be a multiple of hop" unless (size % hop).zero?
        return to_enum(:each_block, samples, size, hop) unless block_given?

        count = count(samples.size, hop)
        padded = pad(samples, size, hop, count)
        (0...count).step(BLOCK) do |first|
          yield block(padded, first, [BLOCK, count - first].min, size, hop)
        end
      end

      # @return [Integer] the number of frames that {each_block} makes of n samples
      def self.count(samples, hop) = (samples.to_f / hop).ceil

      # @param frames [Numo::SFloat] shape [rows, size], already windowed
      # @return [Array<Numo::DComplex>] the spectrum of each row, size / 2 + 1 bins
      def self.spectra(frames)
        # The transform ignores a view's offset, so each row is copied first.
        (0...frames.shape[0]).map { |i| Numo::Pocketfft.rfft(frames[i, true].dup) }
      end

      # @param frames [Numo::SFloat] shape [rows, size], already windowed
      # @return [Numo::SFloat] shape [rows, size / 2 + 1], squared magnitudes
      def self.power(frames)
        out = Numo::SFloat.zeros(frames.shape[0], (frames.shape[1] / 2) + 1)
        # A row times its conjugate costs a third of the square of its absolute value.
        spectra(frames).each_with_index { |row, i| out[i, true] = (row * row.conj).real }
        out
      end

      def self.pad(samples, size, hop, count)
        padded = Numo::SFloat.zeros((count * hop) + size)
        padded[(size / 2)...((size / 2) + samples.size)] = samples
        padded
      end
      private_class_method :pad

      # Reshaping shifted copies is three times faster than an index array.
      def self.block(padded, first, rows, size, hop)
        frames = Numo::SFloat.zeros(rows, size)
        (size / hop).times do |part|
          start = (first + part) * hop
          frames[true, (part * hop)...((part + 1) * hop)] = padded[start...(start + (rows * hop))].reshape(rows, hop)
        end
        frames
      end
      private_class_method :block
    end
  end
end
