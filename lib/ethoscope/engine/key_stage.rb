# frozen_string_literal: true

module Ethoscope
  module Engine
    # The key of a song: candidates with their odds (none where no chord sounds), the one that holds, how sure, where it changes, and whether the song
    # keeps to the five notes of its pentatonic scale. The method is our own.
    Keys = Value.of(:candidates, :key, :confidence, :stretches, :pentatonic)

    # Finds the {Keys}. What a person says holds.
    class KeyStage
      # Bass counts this much beside treble in the note balance.
      BASS_SHARE = 0.5
      # Half beats are taken for chordless by this much on average where nothing pitched sounds.
      CHORDLESS = 0.5
      # Under a key less sure than that no change of it is told.
      SURE = 0.5
      # Nobody is ever certain, a person neither.
      TOLD_CONFIDENCE = 0.99
      # Where no chord sounds notes are spelled as in this key.
      UNKEYED = Harmony::Key.named("C", "major")

      # @param count [Count]
      # @param spans [Array<Harmony::ChordRecognizer::Span>]
      # @param sections [Array<Form::Section>]
      # @param corrections [Corrections]
      def initialize(count, spans, sections, corrections)
        @hearing = count.hearing
        @grid = count.grid
        @sections = sections
        @corrections = corrections
        @silent = spans.all? { |span| span.chord.none? } && !pitched?
      end

      # @return [Keys]
      def result
        candidates = @silent ? [] : finder.candidates
        key = @corrections.key || candidates.first&.key || UNKEYED
        Keys.new(candidates:, key:, confidence: @corrections.key ? TOLD_CONFIDENCE : finder.confidence, stretches: stretches(key), pentatonic: finder.pentatonic?(key))
      end

      private

      # Notes may be clear where no chord is: then there is a key, however unsure.
      def pitched?
        belief = @hearing.recognizer.belief
        belief[true, -1].mean < CHORDLESS
      end

      def finder
        @finder ||= begin
          recognizer = @hearing.recognizer
          Harmony::KeyFinder.new(@hearing.key_evidence, recognizer.treble.mean(axis: 0) + (recognizer.bass.mean(axis: 0) * BASS_SHARE))
        end
      end

      def stretches(key)
        return told_stretches(key) if @silent || @corrections.key
        return [] if finder.confidence < SURE

        finder.stretches(@sections.map { |section| @grid.half_beats_of(section) }, @sections.map(&:bar_range))
      end

      # Keys from bar to bar as a person says they change; none when no change was said.
      def told_stretches(key)
        return [] if @corrections.modulations.empty?

        starts = [[1, key], *@corrections.modulations.map { |change| [@grid.bar_at(change.at), change.key] }].uniq(&:first)
        lasts = starts.drop(1).map { |bar, _| bar - 1 } + [@grid.bars]
        starts.zip(lasts).map { |(first_bar, own), last_bar| Harmony::KeyFinder::Stretch.new(key: own, first_bar:, last_bar:, confidence: 1.0) }
      end
    end
  end
end
