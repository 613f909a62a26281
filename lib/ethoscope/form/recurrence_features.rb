# frozen_string_literal: true

module Ethoscope
  module Form
    # How each bar stands in what comes back: whether a stretch that is heard elsewhere begins with it, so that the bar before is another, and how
    # much that which a bar is like, lag by lag, changes there (time-lag matrices after Serrà, Müller, Grosche & Arcos, "Unsupervised music structure
    # annotation by time series structure features and segment similarity", IEEE Trans. Multimedia 2014).
    class RecurrenceFeatures
      # Lengths in bars of the stretches that are looked for, and over how many bars to both sides lags are compared.
      STRETCHES = [4, 8].freeze
      REACHES = [2, 4].freeze
      # Bars that lie closer than this are no return.
      NEAREST = 4
      STREAMS = %w[chords registers strokes].freeze
      # How much the likeness of each stream counts in that of the whole.
      WEIGHTS = [1.0, 0.5, 0.5].freeze
      NAMES = [*STRETCHES.flat_map { |bars| ["comes back for #{bars}", "comes back from here for #{bars}"] },
               *STREAMS.product(REACHES).map { |stream, bars| "lags of #{stream} over #{bars}" }].freeze
      # Registers that hardly move in a song have this spread.
      STILL = 0.05

      # @param harmony [Numo::DFloat] shape [bars, n], unit rows
      # @param registers [Numo::DFloat] shape [bars, m]
      # @param strokes [Numo::DFloat] shape [bars, k]
      def initialize(harmony, registers, strokes)
        @bars = harmony.shape[0]
        spread = Numo::NMath.sqrt(((registers - registers.mean(axis: 0))**2).mean(axis: 0)) + STILL
        @streams = [harmony, unit((registers - registers.mean(axis: 0)) / spread), unit(strokes - strokes.mean(axis: 0))].map { |rows| Numo::Linalg.dot(rows, rows.transpose.dup) }
        @whole = @streams.zip(WEIGHTS).sum { |likeness, weight| likeness * weight }
      end

      # @return [Array<Array<Float>>] NAMES for the start of the second bar and on
      def rows
        back = STRETCHES.map { |length| returns(length) }
        lags = @streams.map { |likeness| lag_sums(likeness) }
        (1...@bars).map { |bar| [*back.flat_map { |found| found[bar] }, *lags.flat_map { |sums| REACHES.map { |reach| lag_change(sums, bar, reach) } }] }
      end

      private

      def unit(rows) = rows / Numo::NMath.sqrt((rows**2).sum(axis: 1, keepdims: true)).clip(1e-9, nil)

      # For each bar how alike the stretch from it and its best return are, and by how much more so than the bars before the two.
      def returns(length)
        starts = @bars - length + 1
        return Array.new(@bars) { [0.0, 0.0] } if starts <= NEAREST

        likeness = (0...length).sum { |shift| @whole[shift...(shift + starts), shift...(shift + starts)] } / length
        at = Numo::Int32.new(starts).seq
        likeness[((at.reshape(starts, 1) - at).abs < NEAREST).where] = -Float::INFINITY
        Array.new(@bars) { |bar| bar < starts ? best_return(likeness[bar, true], bar) : [0.0, 0.0] }
      end

      def best_return(row, bar)
        other = row.max_index
        return [0.0, 0.0] unless row[other].finite?

        [row[other], row[other] - (bar.positive? && other.positive? ? @whole[bar - 1, other - 1] : 0.0)]
      end

      # Running sums over bars of what each bar is like, lag by lag, round the song; shape [bars + 1, bars].
      def lag_sums(likeness)
        at = Numo::Int32.new(@bars).seq
        by_lag = likeness.flatten[(at.reshape(@bars, 1) * @bars) + ((at.reshape(@bars, 1) + at) % @bars)]
        Numo::DFloat.zeros(@bars + 1, @bars).tap { |sums| sums[1.., true] = by_lag.cumsum(0) }
      end

      def lag_change(sums, bar, reach)
        from = [bar - reach, 0].max
        to = [bar + reach, @bars].min
        change = ((sums[to, true] - sums[bar, true]) / (to - bar)) - ((sums[bar, true] - sums[from, true]) / (bar - from))
        Math.sqrt((change**2).mean)
      end
    end
  end
end
