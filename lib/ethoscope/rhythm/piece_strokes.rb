# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # The strokes of one piece of the kit, bar by bar, and its pattern over any run of bars. The method is our own.
    class PieceStrokes
      # A stroke is more likely than this; a ghost stroke lies more than this (natural log) under the piece's usual strokes.
      STROKE = 0.5
      GHOST = 0.9
      # A step is part of the pattern from this likelihood on, mean over the bars: a stroke that comes back is worth more than one that is heard once.
      PATTERN = 0.4
      # Softer strokes than this are as soft as this: -40 dB.
      SOFTEST = 0.01
      # The level that the song's hard strokes reach.
      HARD_SHARE = 0.9
      # A step that is struck in so few bars is free, one that is struck in as many as the rest is the pattern.
      SELDOM = 0.3
      # A stroke that a mix tells is more than its pattern has, or missing, only where it is this sure.
      SURE = 0.85

      # The registers whose level says how hard a piece is struck (of StrokeModel::REGISTERS).
      LEVELS = { "kick" => (0..1), "snare" => (5..8), "hats" => (10..11) }.freeze

      # @param piece [String] kick, snare or hats
      # @param likely [Numo::DFloat] shape [bars, steps], 0 to 1
      # @param acoustics [Numo::DFloat] shape [bars, steps, columns], see {StrokeModel}
      # @return [PieceStrokes] as a mix tells them
      def self.of_mix(piece, likely, acoustics) = new(piece:, likely:, levels: acoustics[true, true, StrokeModel.level_columns(LEVELS.fetch(piece))].mean(axis: 2))

      # @param strokes [Array<Array(Float, Float)>] beat from the start of bar 1, and how hard, 0 to 1
      # @param meter [Meter]
      # @param bars [Integer] of the song
      # @param about [Hash] piece, role, layer and source
      # @return [PieceStrokes] as they are written
      def self.written(strokes, meter, bars, **about)
        table = Numo::DFloat.zeros(bars, meter.steps)
        strokes.each do |beat, velocity|
          bar, step = (beat * meter.steps_per_beat).round.divmod(meter.steps)
          table[bar, step] = [velocity, table[bar, step], SOFTEST].max if bar.between?(0, bars - 1)
        end
        new(likely: Numo::DFloat.cast(table.gt(0)), levels: Numo::NMath.log(table.clip(SOFTEST, 1)), **about)
      end

      # @return [String] the piece and its role, the layer that is told of, and the source that tells of it
      attr_reader :piece, :role, :layer, :source
      # @return [Numo::DFloat] shape [bars, steps], 0 to 1
      attr_reader :likely

      # @param piece [String]
      # @param likely [Numo::DFloat] shape [bars, steps]
      # @param levels [Numo::DFloat] shape [bars, steps], natural logarithms
      # @param role [String] kick, snare, hats or percussion
      # @param layer [String]
      # @param source [String] "mix", "stem" or "midi"
      def initialize(piece:, likely:, levels:, role: piece, layer: piece, source: "mix")
        @piece = piece
        @role = role
        @likely = likely
        @levels = levels
        @layer = layer
        @source = source
        struck = levels[(likely > STROKE).where]
        @hard = struck.empty? ? 0.0 : Signal::Series.percentile(struck, HARD_SHARE)
        freeze
      end

      # @return [Numo::DFloat] shape [bars, steps], how hard a stroke there would be, 0 to 1 of the song's hard strokes
      def strengths = Numo::NMath.exp((@levels - @hard).clip(nil, 0))

      # @param bars [Range<Integer>] from 0, end exclusive
      # @return [StepRow]
      def row(bars)
        period = PatternPeriod.of(@likely[bars, true])
        usual = folded(bars, 1)
        StepRow.new(piece:, layer:, source:, period:, hits: hits(bars, period), probability: rounded(usual), velocity: rounded(velocity(bars, 1)), ghost: rounded(soft(bars)))
      end

      # @param bar [Integer] from 0
      # @param row [StepRow] of its section
      # @param first [Integer] first bar of that section, from 0
      # @param per_beat [Integer] steps in a beat
      # @return [Array<StrokeApart>] how the bar departs from the pattern
      def apart(bar, row, first, per_beat)
        steps = @likely.shape[1]
        hits = row.hits[((bar - first) % row.period) * steps, steps]
        sure = source == "mix" ? SURE : STROKE
        @likely[bar, true].to_a.each_with_index.filter_map do |share, step|
          more = share > sure && hits[step].zero? && row.probability[step] < SELDOM
          StrokeApart.new(piece: layer, beat: (step / per_beat.to_f) + 1, more:) if more || (share < 1 - sure && hits[step].positive?)
        end
      end

      private

      # Shape [period, steps].
      def folded(bars, period) = Numo::DFloat.vstack(groups(bars, period).map { |group| @likely[group, true].mean(axis: 0) })

      def groups(bars, period) = (0...period).map { |row| bars.to_a.each_slice(period).filter_map { |group| group[row] } }

      def hits(bars, period)
        rounded(velocity(bars, period) * Numo::DFloat.cast(folded(bars, period) >= PATTERN))
      end

      # Mean velocity of the strokes that are heard on each step; where the pattern has a stroke that none of its bars tells clearly, that of the likeliest.
      def velocity(bars, period)
        all = strengths
        Numo::DFloat.vstack(groups(bars, period).map do |group|
          weights = @likely[group, true] + 1e-3
          (all[group, true] * weights).sum(axis: 0) / weights.sum(axis: 0)
        end)
      end

      def soft(bars)
        under = @hard - @levels[bars, true]
        Numo::DFloat.cast((@likely[bars, true] > STROKE) & (under >= GHOST)).mean(axis: 0)
      end

      def rounded(values) = values.flatten.to_a.map { |value| value.round(2) }
    end
  end
end
