# frozen_string_literal: true

module Ethoscope
  module Engine
    # How a song is counted: what is heard on its beats, tempo and bars (rhythm is nil when nothing repeats), the stems and notes that lie over them, the
    # strokes of the kit, and which source led. The method is our own.
    Count = Value.of(:hearing, :rhythm, :grid, :ensemble, :drums, :source) do
      # @return [Rhythm::StepGrid]
      def steps = hearing.steps
    end

    # Finds the {Count}. A person's count holds before a score's, and a score's before what is heard.
    class CountStage
      # @param features [Features]
      # @param corrections [Corrections]
      # @param sources [Sources]
      # @param gaps [Gaps]
      def initialize(features, corrections, sources, gaps)
        @features = features
        @corrections = corrections
        @sources = sources
        @gaps = gaps
        @heard = Hearing.new(features, corrections)
      end

      # @return [Count]
      def result
        hearing = counted
        rhythm = hearing.rhythm&.then { |found| @corrections.tempo_changes.empty? ? found : found.with_moving_tempo }
        tell_of_changes(hearing)
        ensemble = ensemble(hearing.grid, rhythm)
        strokes = @gaps.beside("the drum steps of stems and MIDI", []) { ensemble.strokes(hearing.steps) }
        Count.new(hearing:, rhythm:, grid: hearing.grid, ensemble:, drums: Rhythm::DrumSteps.of(@features.short, hearing.steps, told: strokes), source: written ? "midi" : "mix")
      end

      private

      # The count of a score that can be followed, nil without one.
      def written = score_count&.then { |count| count.correction || count.grid ? count : nil }

      def counted
        return @heard unless written
        return Hearing.new(@features, @corrections, rhythm: @heard.rhythm.counted(written.grid, @features.onset)) if written.grid

        Hearing.new(@features, Corrections.new(**@corrections.to_h, **written.correction.to_h.slice(:bpm, :meter, :first_downbeat)))
      end

      # What a score says of the count, and where it lies.
      def score_count
        return @score_count if defined?(@score_count)

        asked = @sources.score && !@corrections.counted? && @heard.rhythm
        @score_count = if asked
                         @gaps.beside("the count of the MIDI file", nil) do
                           ScoreCount.of(Ensemble::WrittenCount.new(@sources.score, @features, @heard.rhythm, @sources.place), @heard.sounding)
                         end
                       end
      end

      # Where stems or a score can't be laid over the bars, the mix alone tells.
      def ensemble(grid, rhythm)
        placement = written ? nil : score_count&.placement
        @gaps.beside("stems and MIDI", nil) { Ensemble.new(@sources, @features, grid, rhythm&.swing, placement:) } || Ensemble.new(Sources.none, @features, grid, rhythm&.swing)
      end

      # Changes of tempo that the bars could not follow.
      def tell_of_changes(hearing)
        hearing.unkept.each do |change|
          @gaps.told(format("%<bpm>.2f BPM from bar %<bar>d on", bpm: change.bpm, bar: hearing.grid.bar_at(change.at)),
            "no whole bar of that tempo fits between there and the next change, or the end of the song")
        end
      end

      # What a score's count puts right or its beats where its tempo changes (nil where the song can't be counted so), and where the score lies.
      ScoreCount = Value.of(:correction, :grid, :placement) do
        # @param count [Ensemble::WrittenCount]
        # @param sounding [Range<Float>]
        # @return [ScoreCount]
        def self.of(count, sounding) = new(correction: count.correction, grid: count.grid(sounding), placement: count.placement)
      end
      private_constant :ScoreCount
    end
  end
end
