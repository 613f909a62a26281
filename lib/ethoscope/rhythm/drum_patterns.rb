# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # The patterns of a kit, section by section: of each piece that a stem or a score tells, and of kick, snare and hats as the mix tells them otherwise
    # (bar-synchronous drum patterns after Dixon, Gouyon & Widmer, "Towards characterisation of music via rhythmic patterns", ISMIR 2004).
    class DrumPatterns
      PIECES = StrokeModel::PIECES
      # A bar departs as a whole when strokes for this share of its steps differ from the pattern.
      DEPARTS = 0.16

      # @param drums [DrumSteps]
      # @param played [StrokesInContext]
      # @param silent [Array<String>] roles that nobody plays, whatever the mix sounds like
      def initialize(drums, played, silent: [])
        @steps = drums.steps
        told = drums.told
        pieces = told.map { |strokes| of_told(strokes) } + (PIECES - told.map(&:role) - silent).map { |piece| PieceStrokes.of_mix(piece, played.likely(piece), drums.acoustics) }
        @pieces = pieces.sort_by.with_index { |piece, i| [PIECES.index(piece.role) || PIECES.size, i] }
      end

      # @param first_bar [Integer] from 1
      # @param bars [Integer]
      # @return [StepPattern]
      def pattern(first_bar, bars)
        range = (first_bar - 1)...(first_bar - 1 + bars)
        rows = @pieces.map { |piece| piece.row(range) }
        whole = kit(rows)
        StepPattern.new(first_bar:, bars:, steps: @steps.steps, rows:, names: PatternNames.of(whole, @steps.meter.name),
          hat_rate: PatternNames.hat_rate(whole.last, @steps.per_beat), departures: departures(rows, range), confidence: confidence(whole))
      end

      # @param more [Integer] strokes that a bar has more than its pattern
      # @param less [Integer] strokes that it has less
      # @param steps [Integer] steps in a bar
      # @return [String] see {Departure}
      def self.kind(more, less, steps)
        return "change" if more + less < DEPARTS * steps

        more >= less ? "fill" : "gap"
      end

      private

      def of_told(strokes)
        PieceStrokes.new(piece: strokes.piece, role: strokes.role, layer: strokes.layer, source: strokes.source, likely: Numo::DFloat.cast(strokes.velocity.gt(0)),
          levels: Numo::NMath.log(strokes.velocity.clip(PieceStrokes::SOFTEST, 1)))
      end

      # One row each for kick, snare and hats, whatever layers tell them.
      def kit(rows)
        by_role = rows.zip(@pieces).group_by { |_, piece| piece.role }
        PIECES.map do |piece|
          group = by_role.fetch(piece, []).map(&:first)
          group.empty? ? rest(piece) : StepRow.new(**group.first.to_h, piece:, probability: group.map(&:probability).transpose.map(&:max))
        end
      end

      def rest(piece)
        StepRow.new(piece:, layer: piece, source: "mix", period: 1, **%i[hits probability velocity ghost].to_h { |name| [name, [0.0] * @steps.steps] })
      end

      def departures(rows, range)
        range.filter_map do |bar|
          strokes = rows.zip(@pieces).flat_map { |row, piece| piece.apart(bar, row, range.begin, @steps.per_beat) }
          Departure.new(bar: bar + 1, kind: self.class.kind(*strokes.partition(&:more).map(&:size), @steps.steps), strokes:) unless strokes.empty?
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
