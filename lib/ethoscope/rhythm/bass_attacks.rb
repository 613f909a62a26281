# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # How likely a bass note begins at given moments: from how the registers rise and fall there, what of the kit is struck, and whether what sounds low is
    # another pitch, or louder, afterwards. A network with one small hidden layer; the weights in bass_weights.csv were learnt by `rake learn:attacks`.
    # The method is our own, after {StrokeModel}.
    class BassAttacks
      WEIGHTS_FILE = File.join(__dir__, "bass_weights.csv")
      # Bins of {Signal::LogSpectra} in which a bass plays, three a semitone from A0: E1 to E3.
      LOW = ((7 * 3)...(32 * 3))
      # Seconds before and after a moment over which what sounds low is looked at.
      BEFORE = [-0.22, -0.03].freeze
      AFTER = [0.06, 0.26].freeze
      # The share of time in which the song's bass is no louder stands for its level; softer than this part of it is silence.
      LOUD_SHARE = 0.9
      FLOOR = 0.03
      PITCHED = ["other pitch", "change", "level before", "level after", "share before", "share after"].freeze
      NAMES = [*StrokeModel::INPUTS, *StrokeModel::PIECES, *PITCHED].freeze

      # @return [BassAttacks] with the weights that ship with Ethoscope
      def self.shipped = @shipped ||= new(Signal::WeightTable.read(WEIGHTS_FILE))

      # @param spectra [Signal::LogSpectra]
      # @param times [Numo::DFloat] shape [n], seconds
      # @param acoustics [Numo::DFloat] shape [n, StrokeModel::INPUTS] there
      # @param struck [Numo::DFloat] shape [n, StrokeModel::PIECES], 0 to 1
      # @return [Numo::DFloat] shape [n, NAMES]
      def self.inputs(spectra, times, acoustics, struck) = Numo::DFloat.hstack([acoustics, struck, pitched(spectra, times)])

      def self.pitched(spectra, times)
        before, after = [BEFORE, AFTER].map { |from, to| means(spectra, times + from, times + to) }
        levels = [before, after].map { |rows| Numo::NMath.sqrt((rows[:low]**2).sum(axis: 1)) }
        loud = [Signal::Series.percentile(levels.last, LOUD_SHARE), 1e-9].max
        alike = (before[:low] * after[:low]).sum(axis: 1) / (levels[0] * levels[1]).clip(1e-12, nil)
        tops = [before, after].map { |rows| rows[:low].max_index(axis: 1) % rows[:low].shape[1] }
        other = Numo::DFloat.cast((tops[0] - tops[1]).abs > 1)
        shares = [before, after].zip(levels).map { |rows, level| Numo::NMath.log((level / rows[:all].clip(1e-9, nil)) + FLOOR) }
        columns = [other, 1 - alike, *levels.map { |level| Numo::NMath.log((level / loud) + FLOOR) }, *shares]
        Numo::DFloat.hstack(columns.map { |column| column.reshape(times.size, 1) })
      end
      private_class_method :pitched

      # Mean magnitudes between two moments each: of the low bins, and of all as one number.
      def self.means(spectra, from, to)
        sums = Numo::DFloat.zeros(spectra.size + 1, LOW.size)
        sums[1.., true] = Numo::DFloat.cast(spectra.frames[true, LOW]).cumsum(0)
        total = Numo::DFloat.zeros(spectra.size + 1)
        total[1..] = Numo::NMath.sqrt((Numo::DFloat.cast(spectra.frames)**2).sum(axis: 1)).cumsum
        first = Numo::Int32.cast((from * spectra.rate).round).clip(0, spectra.size - 1)
        last = Numo::Int32.maximum(Numo::Int32.cast((to * spectra.rate).round).clip(0, spectra.size - 1), first) + 1
        count = Numo::DFloat.cast(last - first)
        { low: (sums[last, true] - sums[first, true]) / count.reshape(count.size, 1), all: (total[last] - total[first]) / count }
      end
      private_class_method :means

      # @param table [Signal::WeightTable] rows NAMES, "bias" and hidden units; columns hidden units and "bass"
      def initialize(table)
        @network = Signal::Network.new(table, NAMES, ["bass"])
        freeze
      end

      # @param inputs [Numo::DFloat] shape [n, NAMES], see {inputs}
      # @return [Numo::DFloat] shape [n], 0 to 1
      def likelihood(inputs) = @network.likelihood(inputs).flatten
    end
  end
end
