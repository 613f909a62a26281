# frozen_string_literal: true

module Ethoscope
  module Audio
    # How wide the stereo image is: the share of the side signal in all energy, 0 for mono, 0.5 for unrelated channels,
    # towards 1 for channels in opposite phase (mid/side analysis). The method is our own.
    class Width
      # Five registers and where they end, in Hz.
      REGISTERS = { "low end" => (0..120), "low middle" => (120..500), "middle" => (500..2000), "high middle" => (2000..6000),
                    "top" => (6000..20_000) }.freeze

      # @param field [SoundField]
      def initialize(field)
        @field = field
        @power = (field.left + field.right).sum(axis: 1)
        @cross = field.product.sum(axis: 1)
      end

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @return [Float] side / (mid + side) energy of that stretch, 0.0 to 1.0
      def between(from, to)
        frames = @field.frames(from, to)
        side_share(@power[frames].sum, @cross[frames].sum)
      end

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @return [Array<BandWidth>] one for each of REGISTERS
      def registers(from, to)
        frames = @field.frames(from, to)
        REGISTERS.map do |name, hertz|
          bands = SoundField::CENTRES.each_index.select { |i| hertz.cover?(SoundField::CENTRES[i]) }
          left, right, product = [@field.left, @field.right, @field.product].map { |part| part[frames, bands].sum }
          BandWidth.new(name:, hertz: [hertz.begin, hertz.end], side: side_share(left + right, product).round(3),
            correlation: correlation(left, right, product), mono_loss_db: mono_loss(left + right, product))
        end
      end

      private

      # Mid is half the sum, side half the difference: their energies are (power / 2 ± product) / 2.
      def side_share(power, product) = power.positive? ? ((power - (2 * product)) / (2 * power)).clamp(0.0, 1.0) : 0.0

      def correlation(left, right, product)
        norm = Math.sqrt([left * right, 0].max)
        norm.positive? ? (product / norm).clamp(-1.0, 1.0).round(2) : 1.0
      end

      # Level of the mono sum against what two equal channels would give.
      def mono_loss(power, product)
        return 0.0 unless power.positive?

        (10 * Math.log10([(power + (2 * product)) / (2 * power), 1e-6].max)).clamp(-60.0, 0.0).round(1)
      end
    end
  end
end
