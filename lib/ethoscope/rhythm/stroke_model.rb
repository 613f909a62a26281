# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # How likely kick, snare or clap, and hats are struck at given moments, from how the level of twelve
    # registers rises, stays and falls there: a network with one small hidden layer (after Vogl, Dorfer & Knees, "Drum
    # transcription from polyphonic music with recurrent neural networks", ICASSP 2017, with the grid in the place of the
    # recurrence). The weights in stroke_weights.csv were learnt by `rake learn:strokes`.
    class StrokeModel
      WEIGHTS_FILE = File.join(__dir__, "stroke_weights.csv")
      PIECES = %w[kick snare hats].freeze
      REGISTERS = 12
      # Frames before, at, after and well after a moment (12 ms each) over which the level is taken: a hat that is open, and a bass, still sound then.
      BEFORE = (-7..-4)
      AT = (-2..4)
      AFTER = (8..12)
      LATER = (18..24)
      KINDS = %w[rise fall decay level share].freeze
      LEVEL = KINDS.index("level")
      INPUTS = KINDS.flat_map { |kind| (1..REGISTERS).map { |register| "#{kind} #{register}" } }.freeze
      # The level that a register reaches in its loud moments, against which it is read, and the floor under that. A register's
      # share says how loud those are beside the loudest register: where it is hardly heard its jumps mean little.
      LOUD_SHARE = 0.95
      FLOOR = 0.003

      # @return [StrokeModel] with the weights that ship with Ethoscope
      def self.shipped = @shipped ||= new(Signal::WeightTable.read(WEIGHTS_FILE))

      # @param registers [Range<Integer>] from 0
      # @return [Range<Integer>] where {inputs} has their level
      def self.level_columns(registers) = ((LEVEL * REGISTERS) + registers.begin)..((LEVEL * REGISTERS) + registers.end)

      # @param short_time [Signal::ShortTime]
      # @param times [Numo::DFloat] shape [n], seconds
      # @return [Numo::DFloat] shape [n, INPUTS], natural logarithms of ratios of level
      def self.inputs(short_time, times)
        levels, loud = levels(short_time)
        at = Numo::Int32.cast((times * short_time.rate).round)
        before, now, after, later = [BEFORE, AT, AFTER, LATER].map { |frames| around(levels, at, frames) }
        shares = Numo::NMath.log((loud / loud.max) + FLOOR)
        Numo::DFloat.hstack([now - before, now - after, now - later, now, Numo::DFloat.zeros(times.size, REGISTERS) + shares])
      end

      # Log level of each register by frame, 0 where the register is loud; and how loud that is.
      def self.levels(short_time)
        groups = short_time.registers(REGISTERS)
        groups << groups.last while groups.size < REGISTERS
        levels = Numo::DFloat.cast(Numo::Linalg.dot(short_time.bands, short_time.averaging(groups)))
        loud = Numo::DFloat[*(0...REGISTERS).map { |i| [Signal::Series.percentile(levels[true, i], LOUD_SHARE), 1e-6].max }]
        [Numo::NMath.log((levels / loud) + FLOOR), loud]
      end
      private_class_method :levels

      # The loudest frame around a moment; before and after it the mean.
      def self.around(levels, at, frames)
        parts = frames.map { |shift| levels[(at + shift).clip(0, levels.shape[0] - 1), true] }
        return parts.reduce { |a, b| Numo::DFloat.maximum(a, b) } if frames == AT

        parts.sum / parts.size
      end
      private_class_method :around

      # @param table [Signal::WeightTable] rows INPUTS, "bias" and hidden units; columns hidden units and PIECES
      def initialize(table)
        @network = Signal::Network.new(table, INPUTS, PIECES)
        freeze
      end

      # @param inputs [Numo::DFloat] shape [n, INPUTS], see {inputs}
      # @return [Numo::DFloat] shape [n, PIECES], 0 to 1
      def likelihood(inputs) = @network.likelihood(inputs)
    end
  end
end
