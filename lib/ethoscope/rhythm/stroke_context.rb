# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # How likely each piece of the kit is struck, and a bass note begun, on each step of each bar, given what the bar around it, the other bars of its
    # section and the whole song have there: what comes back is surer than what is heard once. A network with one small hidden layer; the weights in
    # context_weights.csv were learnt by `rake learn:context`. The method is our own, after {StrokeModel}.
    class StrokeContext
      WEIGHTS_FILE = File.join(__dir__, "context_weights.csv")
      PIECES = [*StrokeModel::PIECES, "bass"].freeze
      # Steps beside the one that is asked about, in the bar itself and in the usual bar of its section.
      BESIDE = [-2, -1, 1, 2].freeze
      # Bars after which a pattern may return.
      RETURNS = [1, 2, 4].freeze
      # Likelihoods are read as odds, held within this.
      LIMIT = 5.0
      PLACES = ["here", *BESIDE.map { |step| format("%+d", step) }, "beat before", "beat after", *BESIDE.map { |step| format("usually %+d", step) },
                *RETURNS.map { |bars| "every #{bars}" }, "song", "often", "top"].freeze
      NAMES = [*%w[usual own].flat_map { |kind| StrokeModel::INPUTS.map { |name| "#{kind} #{name}" } }, *PLACES.flat_map { |place| PIECES.map { |piece| "#{place} #{piece}" } },
               "on the beat", "between", "first", "bars"].freeze

      # @return [StrokeContext] with the weights that ship with Ethoscope
      def self.shipped = @shipped ||= new(Signal::WeightTable.read(WEIGHTS_FILE))

      # @param acoustics [Numo::DFloat] shape [bars, steps, StrokeModel::INPUTS] of the whole song
      # @param likely [Numo::DFloat] shape [bars, steps, PIECES], what is heard there
      # @param per_beat [Integer] steps in a beat
      # @param bars [Range<Integer>] of the section, from 0, end exclusive
      # @return [Numo::DFloat] shape [bars of the section * steps, NAMES]
      def self.inputs(acoustics, likely, per_beat, bars)
        odds = odds(likely)
        list = bars.to_a
        here = odds[list, true, true].reshape(list.size * likely.shape[1], PIECES.size)
        usual, *returns = RETURNS.map { |period| folded(odds, list, period) }
        sound = folded(acoustics, list, 1)
        whole = Numo::DFloat.vstack([odds.mean(axis: 0)] * list.size)
        own = acoustics[list, true, true].reshape(here.shape[0], acoustics.shape[2])
        Numo::DFloat.hstack([sound, own, here, *[*BESIDE, -per_beat, per_beat].map { |shift| rolled(here, shift) }, *BESIDE.map { |shift| rolled(usual, shift) },
                             usual, *returns, whole, *densities(likely, list, usual), positions(likely.shape[1], per_beat, list.size)])
      end

      # @param likely [Numo::DFloat] 0 to 1
      # @return [Numo::DFloat] natural logarithms of the odds, held within LIMIT
      def self.odds(likely) = likely.clip(1e-3, 1 - 1e-3).then { |share| Numo::NMath.log(share / (1 - share)).clip(-LIMIT, LIMIT) }

      # For each bar the mean over the bars of its section that lie whole periods away, itself among them; shape [bars * steps, columns].
      def self.folded(rows, list, period)
        means = (0...[period, list.size].min).map { |row| rows[list.each_slice(period).filter_map { |group| group[row] }, true, true].mean(axis: 0) }
        Numo::DFloat.vstack(list.each_index.map { |i| means[i % period] })
      end
      private_class_method :folded

      def self.rolled(rows, shift) = rows[(Numo::Int32.new(rows.shape[0]).seq + shift) % rows.shape[0], true]
      private_class_method :rolled

      # How much of the section each piece plays, and how sure its surest step is.
      def self.densities(likely, list, usual)
        [likely[list, true, true].mean(axis: 0).mean(axis: 0), usual.max(axis: 0)].map { |row| Numo::DFloat.zeros(usual.shape[0], PIECES.size) + row }
      end
      private_class_method :densities

      def self.positions(steps, per_beat, bars)
        rows = (0...steps).map { |step| [(step % per_beat).zero?, 2 * (step % per_beat) == per_beat, step.zero?].map { |is| is ? 1.0 : 0.0 } + [Math.log2(bars) / 2] }
        Numo::DFloat.vstack([Numo::DFloat.cast(rows)] * bars)
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
