# frozen_string_literal: true

module Ethoscope
  module Stems
    # The pitches of a stem over half beats. The method is our own.
    class Notes
      # What a stem reaches in a tenth of its time is loud.
      LOUD = 0.9
      # Lowest, middle and highest note, without stray ones.
      RANGE = [0.05, 0.5, 0.95].freeze
      # Semitones to the second, third and fourth partial ...
      OVERTONES = [12, 19, 24].freeze
      # ... which are weaker than their note.
      WEAKER = 0.8
      # A note counts when it reaches this share of the strongest of its moment, and this one of the stem's strong notes.
      BESIDE = 0.4
      STRONG = 0.25
      # The fundamental of a note reaches this share of the loudest partial.
      FUNDAMENTAL = 0.2
      # Share of sounding half beats with one pitch from which the stem is a line.
      LINE = 0.7

      # @param features [Engine::Features] of the stem
      # @param grid [Rhythm::BeatGrid] in the stem's time
      def initialize(features, grid)
        activation = Harmony::NoteActivation.of(features.spectra, grid.half_beat_edges)
        @rows = Numo::DFloat.cast(activation.activation) * Numo::DFloat.cast(activation.level).reshape(activation.size, 1) * audible(features, grid)
        @strong = Signal::Series.percentile(@rows.max(axis: 1), LOUD)
      end

      # @return [Array<Array<Integer>>] MIDI pitches that sound in each half beat, low to high
      def sounding
        @sounding ||= (0...@rows.shape[0]).map do |row|
          values = @rows[row, true]
          top = values.max
          next [] unless top.positive? && top > @strong * STRONG

          strong = (values > top * BESIDE).where.to_a
          strong.reject { |note| overtone?(note, strong, values) }.map { |note| note + Harmony::NoteActivation::LOWEST }
        end
      end

      # @return [Boolean] true when one pitch sounds at a time
      def line?
        heard = sounding.reject(&:empty?)
        heard.any? && heard.count(&:one?) >= LINE * heard.size
      end

      # @return [Array<Integer>, nil] lowest, middle and highest MIDI pitch that matter; nil where no pitch is heard
      def register
        pitches = sounding.flatten.sort
        pitches.empty? ? nil : RANGE.map { |share| pitches[((pitches.size - 1) * share).round] }
      end

      # @return [Float] pitches that sound at once, mean over the sounding half beats
      def polyphony
        heard = sounding.reject(&:empty?)
        heard.empty? ? 0.0 : (heard.sum(&:size) / heard.size.to_f).round(1)
      end

      # @param halves [Range<Integer>] half beats
      # @return [Numo::DFloat] shape [NOTES], mean strength of each semitone from A0 there
      def strength(halves)
        kept = halves.grep(0...@rows.shape[0])
        kept.empty? ? Numo::DFloat.zeros(Harmony::NoteActivation::NOTES) : @rows[kept, true].mean(axis: 0)
      end

      private

      # 1 where the fundamental of a note is heard: whitening lifts notes out of next to nothing.
      def audible(features, grid)
        spectra = Numo::DFloat.cast(features.spectra.means_between(grid.half_beat_edges))
        bins = Harmony::NoteActivation::NOTES * 3
        fundamentals = spectra[true, 0...bins].reshape(spectra.shape[0], Harmony::NoteActivation::NOTES, 3).max(axis: 2)
        Numo::DFloat.cast(fundamentals >= spectra.max(axis: 1).reshape(spectra.shape[0], 1) * FUNDAMENTAL)
      end

      # A weaker octave or twelfth over a strong note is its overtone.
      def overtone?(note, strong, values) = OVERTONES.any? { |above| strong.include?(note - above) && values[note] < values[note - above] * WEAKER }
    end
  end
end
