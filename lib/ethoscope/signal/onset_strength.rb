# frozen_string_literal: true

module Ethoscope
  module Signal
    # How strongly something starts, frame by frame: log-magnitude spectral flux with a maximum filter over neighbouring
    # bands (Böck & Widmer, DAFx 2013), less its own mean over 1.5 s.
    class OnsetStrength
      # Compression of magnitudes: larger values let soft onsets count more.
      GAIN = 100.0
      LAG = 2
      # Frames looked at together.
      BLOCK = 16_384
      MEAN_SECONDS = 1.5
      LOW = (0.0..160.0)
      MIDDLE = (160.0..4000.0)
      HIGH = (4000.0..12_000.0)

      # @return [Float] values per second
      attr_reader :rate
      # @return [Numo::DFloat] shape [frames], all bands
      attr_reader :total
      # @return [Numo::DFloat] shape [frames], under 160 Hz
      attr_reader :low
      # @return [Numo::DFloat] shape [frames], 160 Hz to 4 kHz
      attr_reader :middle
      # @return [Numo::DFloat] shape [frames], above 4 kHz
      attr_reader :high

      # @param short_time [ShortTime]
      def initialize(short_time)
        @rate = short_time.rate
        flux = flux_of(short_time.bands)
        @total = level(flux, (0...flux.shape[1]).to_a)
        @low = level(flux, short_time.bands_in(LOW))
        @middle = level(flux, short_time.bands_in(MIDDLE))
        @high = level(flux, short_time.bands_in(HIGH))
        freeze
      end

      # @return [Float] length in seconds
      def duration = total.size / rate

      private

      def flux_of(bands)
        reference = [bands.max, 1e-6].max
        flux = Numo::SFloat.zeros(*bands.shape)
        (LAG...bands.shape[0]).step(BLOCK) do |first|
          last = [first + BLOCK, bands.shape[0]].min
          flux[first...last, true] = rise(Numo::NMath.log((bands[(first - LAG)...last, true] * (GAIN / reference * 10)) + 1))
        end
        flux
      end

      def rise(log)
        widest = log.dup
        widest[true, 1..] = Numo::SFloat.maximum(widest[true, 1..], log[true, 0...-1])
        widest[true, 0...-1] = Numo::SFloat.maximum(widest[true, 0...-1], log[true, 1..])
        (log[LAG.., true] - widest[0...-LAG, true]).clip(0, nil)
      end

      def level(flux, bands)
        return Numo::DFloat.zeros(flux.shape[0]) if bands.empty?

        sum = Numo::DFloat.cast(flux[true, bands].mean(axis: 1))
        (sum - Series.running_mean(sum, (MEAN_SECONDS * rate).round)).clip(0, nil)
      end
    end
  end
end
