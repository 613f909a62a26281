# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # How likely each piece of the kit is struck on each step of a pattern that comes back: what a stroke sounds like is averaged over the bars in which the
    # pattern returns, so that what else sounds there averages out, and read together with the steps beside it and with the whole section and song. A network
    # with one small hidden layer; the weights in pattern_weights.csv were learnt by `rake learn:patterns`. The method is our own, after {StrokeModel}.
    class PatternModel
      WEIGHTS_FILE = File.join(__dir__, "pattern_weights.csv")
      PIECES = StrokeModel::PIECES
      # Steps beside the one that is asked about.
      BESIDE = [-2, -1, 1, 2].freeze
      # Likelihoods are read as odds, held within this.
      LIMIT = 5.0
      NAMES = (StrokeModel::INPUTS + ["here", *BESIDE.map { |step| format("%+d", step) }, "beat before", "beat after", "section", "song"].flat_map { |place| PIECES.map { |piece| "#{place} #{piece}" } } +
               PIECES.flat_map { |piece| ["often #{piece}", "top #{piece}"] } + ["on the beat", "between", "first", "returns"]).freeze

      # @return [PatternModel] with the weights that ship with Ethoscope
      def self.shipped = @shipped ||= new(Signal::WeightTable.read(WEIGHTS_FILE))

      # @param acoustics [Numo::DFloat] shape [bars, steps, StrokeModel::INPUTS] of the whole song
      # @param likely [Numo::DFloat] shape [bars, steps, PIECES], what {StrokeModel} hears there
      # @param per_beat [Integer] steps in a beat
      # @param bars [Range<Integer>] of the section, from 0, end exclusive
      # @param period [Integer] bars after which the pattern returns
      # @return [Numo::DFloat] shape [period * steps, NAMES]
      def self.inputs(acoustics, likely, per_beat, bars, period)
        steps = acoustics.shape[1]
        odds = odds(likely)
        folded = folds(bars, period).map { |group| [odds[group, true, true].mean(axis: 0), acoustics[group, true, true].mean(axis: 0)] }
        here = Numo::DFloat.vstack(folded.map(&:first))
        section = odds[bars.to_a, true, true].mean(axis: 0)
        places = [*BESIDE, -per_beat, per_beat].map { |shift| rolled(here, shift) }
        whole = [section, odds.mean(axis: 0)].map { |rows| Numo::DFloat.vstack([rows] * period) }
        Numo::DFloat.hstack([Numo::DFloat.vstack(folded.map(&:last)), here, *places, *whole, spread(densities(likely, bars, here), period * steps), positions(steps, per_beat, bars, period)])
      end

      def self.odds(likely) = likely.clip(1e-3, 1 - 1e-3).then { |share| Numo::NMath.log(share / (1 - share)).clip(-LIMIT, LIMIT) }
      private_class_method :odds

      # The bars of each row of the pattern.
      def self.folds(bars, period) = (0...period).map { |row| bars.to_a.each_slice(period).filter_map { |group| group[row] } }
      private_class_method :folds

      def self.rolled(rows, shift) = rows[(Numo::Int32.new(rows.shape[0]).seq + shift) % rows.shape[0], true]
      private_class_method :rolled

      # How much of the section each piece plays, and how sure its surest step is.
      def self.densities(likely, bars, here)
        share = likely[bars.to_a, true, true].mean(axis: 0).mean(axis: 0).to_a
        share.zip(here.max(axis: 0).to_a).flatten
      end
      private_class_method :densities

      def self.spread(values, rows) = Numo::DFloat.zeros(rows, values.size) + Numo::DFloat[*values]
      private_class_method :spread

      def self.positions(steps, per_beat, bars, period)
        rows = (0...(period * steps)).map do |step|
          place = step % per_beat
          [place.zero? ? 1.0 : 0.0, (2 * place) == per_beat ? 1.0 : 0.0, (step % steps).zero? ? 1.0 : 0.0, Math.log2([bars.size / period, 1].max) / 2]
        end
        Numo::DFloat.cast(rows)
      end
      private_class_method :positions

      # @param table [Signal::WeightTable] rows NAMES, "bias" and hidden units; columns hidden units and PIECES
      def initialize(table)
        @network = Signal::Network.new(table, NAMES, PIECES)
        freeze
      end

      # @param inputs [Numo::DFloat] shape [n, NAMES], see {inputs}
      # @return [Numo::DFloat] shape [n, PIECES], 0 to 1
      def likelihood(inputs) = @network.likelihood(inputs)
    end
  end
end
