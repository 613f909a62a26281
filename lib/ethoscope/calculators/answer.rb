# frozen_string_literal: true

module Ethoscope
  module Calculators
    # A line of what was worked out: what it is, the figure with its unit, and what to know of it ("" for nothing).
    Line = Value.of(:name, :figure, :note)

    # What a calculation comes to: the blanks that it filled (by name, as written), its lines, what to take care of, and how figures were rounded. The
    # way is our own.
    Answer = Value.of(:filled, :lines, :warnings, :rounding)

    # Builds up.
    class Answer
      # @param rounding [String] a sentence
      # @param filled [Hash{Symbol => String}]
      # @return [Answer] without lines
      def self.start(rounding, filled = {}) = new(filled:, lines: [], warnings: [], rounding:)

      # @param name [String]
      # @param figure [String]
      # @param note [String]
      # @return [Answer] with one more line
      def line(name, figure, note = "") = Answer.new(filled:, lines: [*lines, Line.new(name:, figure:, note:)], warnings:, rounding:)

      # @param condition [Boolean]
      # @param sentence [String]
      # @return [Answer] with that warning where the condition holds
      def warn(condition, sentence) = condition ? Answer.new(filled:, lines:, warnings: [*warnings, sentence], rounding:) : self

      # @param name [String]
      # @return [String, nil] figure of that line
      def [](name) = lines.find { |line| line.name == name }&.figure

      # @return [Hash]
      def to_h = { filled: filled.transform_keys(&:to_s), lines: lines.map(&:to_h), warnings:, rounding: }

      # @return [String] in one line, to be pinned somewhere
      def summary = lines.first(6).map { |line| "#{line.name} #{line.figure}" }.join(" · ")
    end
  end
end
