# frozen_string_literal: true

require "csv"

module Ethoscope
  module Attempts
    # How far two recordings come apart in a measure though nothing differs: the ninety-fifth hundredth (of figures by section, band or register, which are many, the
    # ninety-ninth) of what was measured on pairs in which nothing was planted, and on songs against their own copies (`rake learn:repeatability`). What is nearer is no
    # difference. (After the repeatability limit of ISO 5725-6.)
    class Repeatability
      FILE = File.join(__dir__, "repeatability.csv")

      # One measure: what it is told in, how far apart pairs came and copies came, and how many of each were measured.
      Line = Value.of(:unit, :pairs, :pairs_measured, :copies, :copies_measured)

      # @return [Repeatability] as it ships
      def self.shipped = @shipped ||= new(CSV.read(FILE, headers: true).to_h { |row| [row["measure"], line(row)] })

      def self.line(row)
        Line.new(unit: row["unit"].to_s, pairs: row["pairs"].to_f, pairs_measured: row["pairs_measured"].to_i, copies: row["copies"].to_f,
          copies_measured: row["copies_measured"].to_i)
      end
      private_class_method :line

      # @param lines [Hash{String => Line}]
      def initialize(lines)
        @lines = lines.freeze
        freeze
      end

      # @param measure [String]
      # @return [Float] in its unit
      # @raise [KeyError] when it was never measured
      def of(measure) = @lines.fetch(measure).then { |line| [line.pairs, line.copies].max }

      # @return [Hash{String => Line}]
      attr_reader :lines
    end
  end
end
