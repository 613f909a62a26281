# frozen_string_literal: true

module Ethoscope
  module Techniques
    # What every detector looks at: the grid, the sections, the onsets beat by beat and the sound bar by bar.
    class Scene
      # @return [Rhythm::BeatGrid]
      attr_reader :grid
      # @return [Array<Form::Section>]
      attr_reader :sections
      # @return [Hash{Symbol => Array<Float>}] :low, :middle, :high onset strength on each beat, the song's mean being 1
      attr_reader :beats
      # @return [Hash{String => Layers::Layer}] by role
      attr_reader :layers
      # @return [Array<Float>] side share by bar
      attr_reader :width
      # @return [Array<Float>] level above 3 kHz against all, in dB, by bar
      attr_reader :brightness

      # @return [Array<Rhythm::StepPattern>] one for each section
      attr_reader :patterns
      # @return [Array<Float>] hat strokes per beat, by bar
      attr_reader :hat_rates

      # @param grid [Rhythm::BeatGrid]
      # @param sections [Array<Form::Section>]
      # @param onset [Signal::OnsetStrength]
      # @param short_time [Signal::ShortTime]
      # @param layers [Array<Layers::Layer>]
      # @param width [Array<Float>]
      # @param patterns [Array<Rhythm::StepPattern>]
      # @param hat_rates [Array<Float>]
      def initialize(grid:, sections:, onset:, short_time:, layers:, width:, patterns:, hat_rates:)
        @patterns = patterns
        @hat_rates = hat_rates
        @grid = grid
        @sections = sections
        @layers = layers.to_h { |layer| [layer.role, layer] }
        @width = width
        @beats = { low: onset.low, middle: onset.middle, high: onset.high }.transform_values { |curve| by_beat(curve, onset.rate) }
        @brightness = bar_brightness(short_time)
        freeze
      end

      # @param bar [Integer] from 1
      # @return [Range<Integer>] its beats, counted from the first one of the recording
      def beats_of(bar)
        first = grid.pickup + ((bar - 1) * grid.meter.beats)
        first...(first + grid.meter.beats)
      end

      # @param attributes [Hash] kind, bars (Range from 1) and optional start, end, confidence, detail
      # @return [Sighting]
      def sighting(kind, bars, confidence:, start: nil, detail: {})
        edges = grid.bar_edges
        Sighting.new(kind:, first_bar: bars.begin, last_bar: bars.end, start: (start || edges[bars.begin - 1]).round(3),
          end: edges[bars.end].round(3), confidence: confidence.clamp(0.0, 0.99).round(2), detail:)
      end

      private

      def by_beat(curve, rate)
        mean = [curve.mean, 1e-9].max
        grid.edges.each_cons(2).map do |from, to|
          first = ((from - 0.03) * rate).round.clamp(0, curve.size - 1)
          last = ((to - 0.05) * rate).round.clamp(first, curve.size - 1)
          curve[first..last].max / mean
        end
      end

      def bar_brightness(short_time)
        top = short_time.level(3000.0..11_000.0)
        all = short_time.level(60.0..11_000.0)
        grid.bar_edges.each_cons(2).map do |from, to|
          frames = Signal::Series.frames(from, to, short_time.rate, short_time.size)
          20 * Math.log10((top[frames].mean + 1e-7) / (all[frames].mean + 1e-7))
        end
      end
    end
  end
end
