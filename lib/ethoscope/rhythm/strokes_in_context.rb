# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # What a mix tells of kick, snare, hats and of where bass notes begin, on each step of each bar, read in its context section by section
    # ({StrokeContext}). The method is our own.
    class StrokesInContext
      PIECES = StrokeContext::PIECES
      # What the context says of a stroke is not all: the odds of the moment by itself count this much beside it, by piece. Chosen on songs that taught neither;
      # for the kick it is more than those ask for, since with sounds unlike theirs the context is too sure.
      ITSELF = Numo::DFloat[1.5, 0.0, 0.0, 0.5]

      # @param drums [DrumSteps]
      # @param spectra [Signal::LogSpectra]
      # @param attacks [BassAttacks]
      # @return [Numo::DFloat] shape [bars, steps, PIECES], 0 to 1, each step by itself
      def self.heard(drums, spectra, attacks)
        bars, steps, = drums.heard.shape
        flat = [drums.acoustics, drums.heard].map { |rows| rows.reshape(bars * steps, rows.shape[2]) }
        bass = attacks.likelihood(BassAttacks.inputs(spectra, drums.steps.times.flatten, *flat)).reshape(bars, steps, 1)
        Numo::DFloat.cast(drums.heard).concatenate(bass, axis: 2)
      end

      # @param drums [DrumSteps]
      # @param spectra [Signal::LogSpectra]
      # @param sections [Array<Range<Integer>>] bars of each section, from 0, end exclusive; together all bars
      # @param attacks [BassAttacks]
      # @param context [StrokeContext]
      def initialize(drums, spectra, sections, attacks: BassAttacks.shipped, context: StrokeContext.shipped)
        bars, steps, = drums.heard.shape
        heard = self.class.heard(drums, spectra, attacks)
        @likely = Numo::DFloat.zeros(bars, steps, PIECES.size)
        sections.each do |range|
          @likely[range, true, true] = context.likelihood(StrokeContext.inputs(drums.acoustics, heard, drums.steps.per_beat, range)).reshape(range.size, steps, PIECES.size)
        end
        @likely = 1 / (1 + Numo::NMath.exp((StrokeContext.odds(@likely) + (StrokeContext.odds(heard) * ITSELF)) * -1))
        freeze
      end

      # @param piece [String] one of PIECES
      # @return [Numo::DFloat] shape [bars, steps], 0 to 1
      def likely(piece) = @likely[true, true, PIECES.index(piece)].dup
    end
  end
end
