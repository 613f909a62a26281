# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # What is struck on each step of each bar, as {StrokeModel} hears it on a mix, or as stems and a score tell.
    # (after Dixon, Gouyon & Widmer, "Towards characterisation of music via rhythmic patterns", ISMIR 2004).
    class DrumSteps
      # A stroke is taken for one when it is more likely than this.
      LIKELY = 0.5
      PIECES = StrokeModel::PIECES

      # @return [StepGrid]
      attr_reader :steps
      # @return [Array<ToldStrokes>] what better sources tell
      attr_reader :told
      # @return [Numo::DFloat] shape [bars, steps, StrokeModel::INPUTS]
      attr_reader :acoustics
      # @return [Numo::DFloat] shape [bars, steps, PIECES], 0 to 1, what the mix tells
      attr_reader :heard

      # @param short_time [Signal::ShortTime]
      # @param steps [StepGrid]
      # @param told [Array<ToldStrokes>]
      # @param model [StrokeModel]
      # @return [DrumSteps]
      def self.of(short_time, steps, told: [], model: StrokeModel.shipped)
        inputs = StrokeModel.inputs(short_time, steps.times.flatten)
        shape = steps.times.shape
        heard = model.likelihood(inputs).reshape(*shape, PIECES.size)
        new(steps:, told:, acoustics: inputs.reshape(*shape, inputs.shape[1]), heard:, mix: PIECES.each_with_index.to_h { |piece, i| [piece, heard[true, true, i].dup] })
      end

      # @param steps [StepGrid]
      # @param told [Array<ToldStrokes>]
      # @param acoustics [Numo::DFloat] shape [bars, steps, StrokeModel::INPUTS]
      # @param heard [Numo::DFloat] shape [bars, steps, PIECES]
      # @param mix [Hash{String => Numo::DFloat}] of each piece what the mix tells, shape [bars, steps]
      def initialize(steps:, told:, acoustics:, heard:, mix:)
        @steps = steps
        @told = told
        @acoustics = acoustics
        @heard = heard
        @mix = mix
        @likely = PIECES.to_h { |piece| [piece, told_strokes(piece) || mix.fetch(piece)] }
        freeze
      end

      # @param context [StrokesInContext]
      # @return [DrumSteps] the same with what the mix tells read in its context
      def read_in(context) = DrumSteps.new(steps:, told:, acoustics:, heard:, mix: PIECES.to_h { |piece| [piece, context.likely(piece)] })

      # @return [Array<Float>] hat strokes per beat in each bar
      def hat_rates = (likely("hats").sum(axis: 1) / (steps.steps / steps.per_beat)).to_a

      # @param piece [String] one of PIECES
      # @return [Numo::DFloat] shape [bars, steps], 0 to 1
      def likely(piece) = @likely.fetch(piece)

      # @param piece [String] one of PIECES
      # @return [Numo::DFloat] shape [bars, steps], 0 to 1, what the mix tells whatever else does
      def of_mix(piece) = @mix.fetch(piece)

      # @param piece [String] one of PIECES
      # @return [Boolean] whether stems or a score tell it
      def told?(piece) = told.any? { |strokes| strokes.role == piece }

      private

      # 1 where any layer of that role is struck; nil where none tells.
      def told_strokes(role)
        struck = told.select { |strokes| strokes.role == role }.map(&:velocity)
        struck.empty? ? nil : Numo::DFloat.cast(struck.reduce { |a, b| Numo::DFloat.maximum(a, b) }.gt(0))
      end
    end
  end
end
