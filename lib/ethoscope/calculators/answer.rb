# frozen_string_literal: true

module Ethoscope
  module Calculators
    # A line of what was worked out: what it is, the figure with its unit, and what to know of it ("" for nothing).
    Line = Value.of(:name, :figure, :note)

    # What a calculation comes to: the blanks that it filled (by name, as written), its lines, what to take care of, how figures were rounded, and how a
    # recording is played so (its rate and semitones), nil where that makes no sense. The way is our own.
    Answer = Value.of(:filled, :lines, :warnings, :rounding, :sound)

    # Builds up.
    class Answer
      # @param rounding [String] a sentence
      # @param filled [Hash{Symbol => String}]
      # @return [Answer] without lines
      def self.start(rounding, filled = {}) = new(filled:, lines: [], warnings: [], rounding:, sound: nil)

      # @param name [String]
      # @param figure [String]
      # @param note [String]
      # @return [Answer] with one more line
      def line(name, figure, note = "") = with(lines: [*lines, Line.new(name:, figure:, note:)])

      # @param condition [Boolean]
      # @param sentence [String]
      # @return [Answer] with that warning where the condition holds
      def warn(condition, sentence) = condition ? with(warnings: [*warnings, sentence]) : self

      # @param rate [Float] of its own speed
      # @param semitones [Float] up; speed by itself does not change pitch here
      # @return [Answer] that says how a recording is played so
      def heard(rate, semitones) = with(sound: { rate: rate.round(4), semitones: semitones.round(2) })

      # @param name [String]
      # @return [String, nil] figure of that line
      def [](name) = lines.find { |line| line.name == name }&.figure

      # @return [Hash]
      def to_h = { filled: filled.transform_keys(&:to_s), lines: lines.map(&:to_h), warnings:, rounding:, sound: }

      # @return [String] in one line, to be pinned somewhere
      def summary = lines.first(6).map { |line| "#{line.name} #{line.figure}" }.join(" · ")

      private

      def with(**changes) = Answer.new(filled:, lines:, warnings:, rounding:, sound:, **changes)
    end
  end
end
