# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Reads step patterns off a mix with {StrokeModel}
    # (bar-synchronous drum patterns after Dixon, Gouyon & Widmer, "Towards characterisation of music via rhythmic patterns", ISMIR 2004).
    class DrumSteps
      # Softer strokes than this are as soft as this: -40 dB.
      SOFTEST = 0.01
      # A step that is struck in so few bars is free, one that is struck in as many as the rest is the pattern.
      SELDOM = 0.3
      # A stroke is taken for one when it is more likely than this.
      LIKELY = 0.5
      PIECES = StrokeModel::PIECES
      # A stroke is more likely than this; a ghost stroke lies more than this (natural log) under the piece's usual strokes.
      STROKE = 0.5
      GHOST = 0.9
      # The registers whose level says how hard a piece is struck (of StrokeModel::REGISTERS).
      LEVELS = { "kick" => (0..1), "snare" => (5..8), "hats" => (10..11) }.freeze
      # The level that the song's hard strokes reach.
      HARD_SHARE = 0.9
      # A bar departs when this share of its steps differ from the pattern.
      DEPARTS = 0.16

      # @param short_time [Signal::ShortTime]
      # @param steps [StepGrid]
      # @param told [Hash{String => Numo::DFloat}] of pieces that a better source tells, velocity on each step, shape [bars, steps]
      # @param model [StrokeModel]
      def initialize(short_time, steps, told: {}, model: StrokeModel.shipped)
        @steps = steps
        inputs = StrokeModel.inputs(short_time, steps.times.flatten)
        likelihood = model.likelihood(inputs)
        shape = steps.times.shape
        @acoustics = inputs.reshape(*shape, inputs.shape[1])
        @heard = likelihood.reshape(*shape, PIECES.size)
        @likely = PIECES.each_index.to_h { |i| [PIECES[i], likelihood[true, i].dup.reshape(*shape)] }
        @levels = LEVELS.transform_values { |registers| inputs[true, StrokeModel.level_columns(registers)].mean(axis: 1).reshape(*shape) }
        told.each do |piece, velocity|
          @likely[piece] = Numo::DFloat.cast(velocity.gt(0))
          @levels[piece] = Numo::NMath.log(velocity.clip(SOFTEST, 1))
        end
        @hard = PIECES.to_h { |piece| [piece, hard(piece)] }
        freeze
      end

      # @param first_bar [Integer] from 1
      # @param bars [Integer]
      # @return [StepPattern]
      def pattern(first_bar, bars)
        rows = PIECES.map { |piece| row(piece, (first_bar - 1)...(first_bar - 1 + bars)) }
        StepPattern.new(first_bar:, bars:, steps: @steps.steps, rows:, names: PatternNames.of(rows, @steps.meter.name),
          hat_rate: PatternNames.hat_rate(rows.last, @steps.per_beat), departures: departures(rows, first_bar, bars), confidence: confidence(rows))
      end

      # @return [Array<Float>] hat strokes per beat in each bar
      def hat_rates = (@likely["hats"].sum(axis: 1) / (@steps.steps / @steps.per_beat)).to_a

      # @param bars [Range<Integer>] from 0, end exclusive
      # @param period [Integer] bars
      # @return [Numo::DFloat] shape [period * steps, PatternModel::NAMES]: those bars laid over each other
      def fold(bars, period) = PatternModel.inputs(@acoustics, @heard, @steps.per_beat, bars, period)

      # @param piece [String] one of PIECES
      # @return [Numo::DFloat] shape [bars, steps], 0 to 1
      def likely(piece) = @likely.fetch(piece)

      private

      def hard(piece)
        struck = @levels[piece][(@likely[piece] > STROKE).where]
        struck.empty? ? 0.0 : Signal::Series.percentile(struck, HARD_SHARE)
      end

      def row(piece, bars)
        likely = @likely[piece][bars, true]
        under = @hard[piece] - @levels[piece][bars, true]
        struck = Numo::DFloat.cast((likely > STROKE) & (under < GHOST))
        soft = Numo::DFloat.cast((likely > STROKE) & (under >= GHOST))
        counts = (struck + soft).sum(axis: 0)
        velocity = (Numo::NMath.exp(under.clip(0, nil) * -1) * (struck + soft)).sum(axis: 0) / counts.clip(1, nil)
        StepRow.new(piece:, probability: rounded(likely.mean(axis: 0)), velocity: rounded(velocity), ghost: rounded(soft.mean(axis: 0)))
      end

      def rounded(values) = values.to_a.map { |value| value.round(2) }

      def departures(rows, first_bar, bars)
        (0...bars).filter_map do |bar|
          more, less = differences(rows, first_bar - 1 + bar)
          Departure.new(bar: first_bar + bar, kind: more >= less ? "fill" : "gap") if more + less >= DEPARTS * @steps.steps
        end
      end

      # Kick and snare steps that are struck against the pattern, and those that are missing.
      def differences(rows, bar)
        rows.first(2).each_with_object([0, 0]) do |row, counts|
          @likely[row.piece][bar, true].to_a.zip(row.probability) do |is, usual|
            counts[0] += 1 if is > STROKE && usual < SELDOM
            counts[1] += 1 if is < 1 - STROKE && usual > 1 - SELDOM
          end
        end
      end

      # Sure when steps are struck nearly always or nearly never.
      def confidence(rows)
        all = rows.first(2).flat_map(&:probability)
        (all.sum { |value| (value - 0.5).abs * 2 } / all.size).clamp(0.05, 0.95).round(2)
      end
    end
  end
end
