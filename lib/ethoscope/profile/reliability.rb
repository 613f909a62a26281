# frozen_string_literal: true

require "csv"

module Ethoscope
  module Profile
    # How often what is heard of a trait is so, measured on songs of known truth (`rake learn:baseline`), and what follows for a claim about several songs: that
    # a clear majority of them has it. How common it is among songs of one style is taken for a draw from a Beta distribution around how common it is among all,
    # as wide as styles differ (Gelman et al., "Bayesian Data Analysis", ch. 5, on rates of several groups); what is heard of each song then tells of the style,
    # and the style of each song.
    class Reliability
      FILE = File.expand_path("reliability.csv", __dir__)
      # Songs from which on a rate is taken for measured.
      FEWEST = 5

      # How much songs of one style differ: as much as so many songs that were seen before would leave open.
      WIDTH = 2.0
      # Rates of a style at which it is looked at.
      RATES = (1..49).map { |step| step / 50.0 }.freeze

      # Of one value of a trait: songs in which it was heard rightly, heard wrongly, missed, and rightly not heard. Rates by Laplace's rule.
      Line = Value.of(:right, :wrong, :missed, :neither) do
        # @return [Float] how often it is heard where it is
        def recall = (right + 1) / (right + missed + 2.0)

        # @return [Float] how often it is heard where it is not
        def alarm = (wrong + 1) / (wrong + neither + 2.0)

        # @return [Float] how common it is
        def common = (right + missed + 1) / (right + wrong + missed + neither + 2.0)
      end

      # @return [Reliability] as it ships
      def self.shipped = @shipped ||= new(CSV.read(FILE, headers: true).to_h { |row| [[row["trait"], row["value"].to_s], line(row)] })

      def self.line(row) = Line.new(**%i[right wrong missed neither].to_h { |name| [name, Integer(row[name.to_s])] })
      private_class_method :line

      # @param lines [Hash{Array(String, String) => Line}] by trait and value
      def initialize(lines)
        @lines = lines
      end

      # @param trait [String]
      # @param value [Object] nothing for a figure
      # @param songs [Array<Boolean, nil>] in which of them it was heard
      # @return [Float, nil] that a clear majority has it; nil where it was never measured
      def sure(trait, value, songs)
        line = @lines[[trait, value.to_s]]
        return nil if line.nil? || line.right + line.wrong < FEWEST

        told = songs.compact
        weights = RATES.map { |rate| prior(rate, line.common) * told.map { |heard| seen(heard, rate, line) }.reduce(1.0, :*) }
        majorities = RATES.map { |rate| majority(told.map { |heard| held(heard, rate, line) }) }
        (weights.zip(majorities).sum { |weight, chance| weight * chance } / weights.sum).round(3)
      end

      private

      def prior(rate, common) = (rate**((WIDTH * common) - 1)) * ((1 - rate)**((WIDTH * (1 - common)) - 1))

      # How probable it is that a song of such a style sounds so.
      def seen(heard, rate, line)
        said = (rate * line.recall) + ((1 - rate) * line.alarm)
        heard ? said : 1 - said
      end

      # How probable it is that such a song has it.
      def held(heard, rate, line) = rate * (heard ? line.recall : 1 - line.recall) / seen(heard, rate, line)

      # The chance that a clear majority has it, from that of each song.
      def majority(rates)
        counts = rates.reduce([1.0]) { |sums, rate| [*sums, 0].zip([0, *sums]).map { |less, more| (less * (1 - rate)) + (more * rate) } }
        counts.drop((Claim::CLEAR * rates.size).ceil).sum
      end
    end
  end
end
