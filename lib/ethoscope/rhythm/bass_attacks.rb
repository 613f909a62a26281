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
        sums = Signal::SpanMeans.new(spectra, LOW)
        before, after = [BEFORE, AFTER].map { |from, to| sums.between(times + from, times + to) }
        levels = [before, after].map(&:level)
        loud = [Signal::Series.percentile(levels.last, LOUD_SHARE), 1e-9].max
        columns = [Numo::DFloat.cast((before.top - after.top).abs > 1), 1 - alike(before, after), *levels.map { |level| log(level / loud) },
                   *[before, after].map { |span| log(span.level / span.all.clip(1e-9, nil)) }]
        Numo::DFloat.hstack(columns.map { |column| column.reshape(times.size, 1) })
      end
      private_class_method :pitched

      def self.alike(before, after) = (before.bins * after.bins).sum(axis: 1) / (before.level * after.level).clip(1e-12, nil)
      private_class_method :alike

      def self.log(ratio) = Numo::NMath.log(ratio + FLOOR)
      private_class_method :log

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
