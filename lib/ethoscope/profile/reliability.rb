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
      # Rates so many times (as a logarithm) less probable than the most probable one count for nothing; chances are kept off 0 and 1.
      NEGLIGIBLE = 8
      TINY = 1e-9
      # Of more songs sums are taken for normal.
      MANY = 40
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
        @choices = {}
      end

      # @param trait [String]
      # @param value [Object] nothing for a figure
      # @param songs [Array<Boolean, nil>] in which of them it was heard
      # @return [Float, nil] that a clear majority has it; nil where it was never measured
      def sure(trait, value, songs)
        line = @lines[[trait, value.to_s]]
        return nil if line.nil? || line.right + line.wrong < FEWEST

        heard = songs.count(true)
        missed = songs.count(false)
        weights = RATES.map { |rate| weight(rate, line, heard, missed) }
        most = weights.max
        likely = RATES.zip(weights).select { |_, weight| weight > most - NEGLIGIBLE }.map { |rate, weight| [rate, Math.exp(weight - most)] }
        chance = likely.sum { |rate, weight| weight * majority(heard, held(true, rate, line), missed, held(false, rate, line)) }
        (chance / likely.sum(&:last)).round(3)
      end

      private

      # The logarithm of how probable a rate is after what was heard, but for a constant.
      def weight(rate, line, heard, missed)
        prior = (((WIDTH * line.common) - 1) * Math.log(rate)) + (((WIDTH * (1 - line.common)) - 1) * Math.log(1 - rate))
        said = seen(rate, line)
        prior + (heard * Math.log(said)) + (missed * Math.log(1 - said))
      end

      # How probable it is that in a song of such a style it is heard.
      def seen(rate, line) = (rate * line.recall) + ((1 - rate) * line.alarm)

      # How probable it is that a song has it in which it was heard, or was not.
      def held(heard, rate, line)
        said = seen(rate, line)
        rate * (heard ? line.recall / said : (1 - line.recall) / (1 - said))
      end

      # The chance that a clear majority has it, of songs that have it with one chance and others that have it with another.
      def majority(heard, chance, missed, other)
        least = (Claim::CLEAR * (heard + missed)).ceil
        return normal_tail(least, heard, chance, missed, other) if heard + missed > MANY

        tails = binomial(missed, other).reverse.reduce([0.0]) { |sums, part| [*sums, sums.last + part] }.reverse
        binomial(heard, chance).each_with_index.sum { |part, count| part * tails.fetch((least - count).clamp(0, missed + 1)) }
      end

      # The same of many songs, whose sum is nearly normal (with a correction for whole counts).
      def normal_tail(least, heard, chance, missed, other)
        mean = (heard * chance) + (missed * other)
        variance = (heard * chance * (1 - chance)) + (missed * other * (1 - other))
        Math.erfc((least - 0.5 - mean) / Math.sqrt(2 * [variance, TINY].max)) / 2
      end

      # The chance of each count.
      def binomial(size, chance)
        return [1.0] if size.zero?

        yes, no = [chance, 1 - chance].map { |value| Math.log(value.clamp(TINY, 1 - TINY)) }
        choices(size).each_with_index.map { |choice, count| Math.exp(choice + (count * yes) + ((size - count) * no)) }
      end

      # Logarithms of how many ways there are to choose so many of them.
      def choices(size)
        @choices[size] ||= begin
          whole = Math.lgamma(size + 1).first
          (0..size).map { |count| whole - Math.lgamma(count + 1).first - Math.lgamma(size - count + 1).first }
        end
      end
    end
  end
end
