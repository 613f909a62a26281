# frozen_string_literal: true

module Ethoscope
  module Audio
    # Energy over time and frequency in both channels and between them: what loudness, spectrum, width and mono
    # compatibility are read from. One transform serves them all.
    #
    # Third-octave bands after IEC 61260-1; the K-weighting of ITU-R BS.1770-4 is applied as a power response on the same
    # spectra (Parseval's theorem), so that no sample is filtered one by one.
    class SoundField
      # Frames follow each other without overlap, so that their energies add up to that of the sound.
      FRAME = 4096
      # Nominal centres in Hz.
      CENTRES = [25, 31.5, 40, 50, 63, 80, 100, 125, 160, 200, 250, 315, 400, 500, 630, 800, 1000, 1250, 1600, 2000, 2500, 3150, 4000,
                 5000, 6300, 8000, 10_000, 12_500, 16_000].freeze

      # @return [Numo::DFloat] shape [frames], K-weighted mean square of both channels
      attr_reader :weighted
      # @return [Numo::SFloat] shape [frames, CENTRES], mean square of the left channel, and of the right one
      attr_reader :left, :right
      # @return [Numo::SFloat] shape [frames, CENTRES], mean product of both channels
      attr_reader :product
      # @return [Float] seconds between two frames
      attr_reader :hop_seconds

      # @param recording [Recording]
      # @return [SoundField]
      def self.of(recording) = Measurement.new(recording).field

      # @param attributes [Hash] weighted, left, right, product, hop_seconds
      def initialize(weighted:, left:, right:, product:, hop_seconds:)
        @weighted = weighted
        @left = left
        @right = right
        @product = product
        @hop_seconds = hop_seconds
        freeze
      end

      # @return [Integer] number of frames
      def size = weighted.size

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @return [Range<Integer>] the frames between, at least one
      def frames(from, to)
        first = (from / hop_seconds).round.clamp(0, size - 1)
        last = ((to / hop_seconds).round - 1).clamp(first, size - 1)
        first..last
      end

      # Takes the spectra and sums them into bands.
      class Measurement
        # Frames held at once.
        BLOCK = 32

        # @param recording [Recording]
        def initialize(recording)
          @recording = recording
          @rate = recording.rate
          scale = 2.0 / (FRAME * FRAME)
          @bank = Numo::SFloat.cast(third_octaves * scale)
          @weighting = Numo::SFloat.cast(KWeighting.power_response(frequencies) * scale).reshape(bins, 1)
        end

        # @return [SoundField]
        def field
          count = (@recording.channels.shape[1].to_f / FRAME).ceil
          rows = (0...count).step(BLOCK).map { |first| measure(first, [BLOCK, count - first].min) }.transpose
          weighted, *bands = rows.map { |parts| Numo::SFloat.vstack(parts) }
          SoundField.new(weighted: Numo::DFloat.cast(weighted).flatten, left: bands[0], right: bands[1], product: bands[2],
            hop_seconds: FRAME.to_f / @rate)
        end

        private

        def bins = (FRAME / 2) + 1

        def frequencies = Numo::DFloat.new(bins).seq * (@rate.to_f / FRAME)

        # Each bin counts for a band by the share of it that lies inside.
        def third_octaves
          half = @rate.to_f / FRAME / 2
          bank = Numo::DFloat.zeros(bins, CENTRES.size)
          CENTRES.each_with_index do |centre, i|
            low, high = [-1, 1].map { |side| centre * (2**(side / 6.0)) }
            inside = (frequencies + half).clip(nil, high) - (frequencies - half).clip(low, nil)
            bank[true, i] = (inside / (2 * half)).clip(0, 1)
          end
          bank
        end

        def measure(first, count)
          left = spectra(0, first, count)
          return of_one(products(left, left)) unless @recording.stereo?

          right = spectra(1, first, count)
          powers = [[left, left], [right, right], [left, right]].map { |pair| products(*pair) }
          [Numo::Linalg.dot(powers[0] + powers[1], @weighting), *powers.map { |power| Numo::Linalg.dot(power, @bank) }]
        end

        # The last frame is filled up with zeros.
        def spectra(channel, first, count)
          (first...(first + count)).map do |frame|
            samples = @recording.channels[channel, (frame * FRAME)...[(frame + 1) * FRAME, @recording.channels.shape[1]].min]
            filled = Numo::SFloat.zeros(FRAME)
            filled[0...samples.size] = samples
            Numo::Pocketfft.rfft(filled)
          end
        end

        def of_one(power)
          bands = Numo::Linalg.dot(power, @bank)
          [Numo::Linalg.dot(power, @weighting), bands, bands, bands]
        end

        # Real part of the cross spectrum, row by row.
        def products(first, second)
          out = Numo::SFloat.zeros(first.size, bins)
          first.zip(second).each_with_index { |(one, other), i| out[i, true] = (one * other.conj).real }
          out
        end
      end
      private_constant :Measurement
    end
  end
end
