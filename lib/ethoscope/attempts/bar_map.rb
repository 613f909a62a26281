# frozen_string_literal: true

module Ethoscope
  module Attempts
    # How an attempt lies on a reference: pairs of bars ([bar of the reference, bar of the attempt], either of them nil, from 1), the tempo of both, the
    # semitones by which the attempt lies higher, how sure that is (0 to 1), how it was found (bars, part, loop or by hand), and why there is none, if so.
    # The way is our own.
    BarMap = Value.of(:pairs, :reference_bpm, :attempt_bpm, :semitones, :confidence, :kind, :refused)

    # Answers what lies where.
    class BarMap
      # @return [Boolean] whether the attempt lies on the reference at all
      def laid? = refused.nil?

      # @return [Hash{Integer => Integer}] bar of the attempt by bar of the reference, of those that both have
      def bars = pairs.select { |one, other| one && other }.to_h

      # @return [Float] how much faster the attempt is; 1 for the same tempo
      def ratio = attempt_bpm / reference_bpm

      # @return [Array<Range<Integer>>] runs of the reference's bars that the attempt leaves out
      def cut = runs(pairs.select { |_, other| other.nil? }.map(&:first))

      # @return [Array<Range<Integer>>] runs of the attempt's bars that the reference does not have
      def added = runs(pairs.select { |one, _| one.nil? }.map(&:last))

      # @param bar [Integer] of the attempt
      # @return [Integer] the reference's bar behind which it stands, 0 for before the first
      def behind(bar) = pairs.take_while { |_, other| other != bar }.filter_map(&:first).last || 0

      # @return [Hash]
      def to_h
        { tempo: { reference: reference_bpm, attempt: attempt_bpm, ratio: ratio.round(5) }, semitones:, bars: pairs.select(&:first), confidence:, kind:, refused:,
          cut: cut.map { |run| [run.first, run.last] }, added: added.map { |run| [run.first, run.last, behind(run.first)] } }
      end

      private

      def runs(bars) = bars.slice_when { |a, b| b != a + 1 }.map { |run| run.first..run.last }
    end
  end
end
