# frozen_string_literal: true

module Ethoscope
  module Form
    # How likely two sections carry the same label, by how alike their chords, notes, sound and lengths are: a logistic regression
    # over pairs of sections (pairwise comparison after Paulus & Klapuri, "Music structure analysis using a probabilistic fitness
    # measure", TASLP 2009). The weights in likeness_weights.csv were learnt by `rake learn:labels`.
    class Likeness
      WEIGHTS_FILE = File.join(__dir__, "likeness_weights.csv")
      # The columns at the end of the timbre rows that are rates of onsets.
      ONSETS = BoundaryFeatures::ONSETS
      # Differences beyond this many spreads of the song say no more.
      FARTHEST = 3.0
      # Bars at the start of two sections that are compared for themselves.
      FIRST = 4
      NAMES = ["chords in order", "first four bars", "notes", "sound", "onsets", "length", "loudness", "side by side"].freeze

      # @return [Hash{String => Float}] the weights that ship with Ethoscope
      def self.shipped
        @shipped ||= Signal::WeightTable.read(WEIGHTS_FILE).then { |table| table.rows.zip(table.block(table.rows, ["weight"]).flatten.to_a).to_h.freeze }
      end

      # @param features [BarFeatures]
      # @param energy [Array<Float>] loudness of each bar in LUFS
      # @param ranges [Array<Range<Integer>>] bars of each section, from 0
      # @param weights [Hash{String => Float}] by feature, and "bias"
      def initialize(features, energy, ranges, weights: Likeness.shipped)
        @harmony = features.harmony
        @ranges = ranges
        @weights = weights
        @notes = means(features.harmony.reshape(features.size, features.harmony.shape[1] / 12, 12).sum(axis: 1))
        @onsets = in_spreads(features.timbre[true, -ONSETS..].dup)
        @registers = in_spreads(features.timbre[true, 0...-ONSETS].dup)
        @energy = means(Numo::DFloat.cast(energy).reshape(features.size, 1))
      end

      # @param i [Integer] a section
      # @param j [Integer] an earlier one
      # @return [Float] natural log of the odds for one label
      def log_odds(i, j) = NAMES.zip(features(i, j)).sum(@weights.fetch("bias")) { |name, value| @weights.fetch(name) * value }

      # @param i [Integer] a section
      # @param j [Integer] an earlier one
      # @return [Array<Float>] in the order of NAMES
      def features(i, j)
        a, b = @ranges.values_at(i, j)
        [chords(a, b), chords(a.first(FIRST), b.first(FIRST)), notes(i, j), distance(@registers, i, j), distance(@onsets, i, j),
         Math.log2(a.size.to_f / b.size).abs, distance(@energy, i, j, 10), (i - j).abs == 1 ? 1.0 : 0.0]
      end

      # @param i [Integer] a section
      # @param j [Integer] another
      # @return [Float] -1 to 1, how alike their chords are bar by bar, as far as the shorter one goes
      def harmony(i, j) = chords(*@ranges.values_at(i, j))

      private

      def chords(a, b)
        bars = [a.size, b.size].min
        (0...bars).sum { |bar| (@harmony[a.first + bar, true] * @harmony[b.first + bar, true]).sum } / bars
      end

      def notes(i, j)
        one = @notes[i, true]
        other = @notes[j, true]
        (one * other).sum / [Math.sqrt((one**2).sum * (other**2).sum), 1e-9].max
      end

      def means(rows) = Numo::DFloat.vstack(@ranges.map { |bars| rows[bars, true].mean(axis: 0) })

      # Means of each section, in units of the spread of all bars.
      def in_spreads(rows)
        means(rows) / Math.sqrt([((rows - rows.mean(axis: 0, keepdims: true))**2).sum(axis: 1).mean, 1e-9].max)
      end

      def distance(rows, i, j, unit = 1) = (Math.sqrt(((rows[i, true] - rows[j, true])**2).sum) / unit).clamp(0, FARTHEST)
    end
  end
end
