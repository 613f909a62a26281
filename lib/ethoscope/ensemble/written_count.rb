# frozen_string_literal: true

module Ethoscope
  class Ensemble
    # The count that a score writes, where the recording keeps the score's time and could be counted so: at its exact tempo, half or twice as fast as it was
    # heard, in another meter, or with all its changes of tempo. A file that was played without a click is written at some tempo that the recording has nothing
    # to do with; that one says nothing. The method is our own.
    class WrittenCount
      # How a written tempo may stand to the one heard, and how near to that.
      RELATED = [1.0, 0.5, 2.0, 1.0 / 3, 3.0, 2.0 / 3, 1.5].freeze
      NEAR = 0.02
      # Tempi that differ by less are one.
      SAME_TEMPO = 0.002
      # Beats of a tempo map go on so far before the file's start and after its last note, in bars.
      BEYOND = 64
      # Sequencers write this when nobody chose a meter.
      USUAL_METER = "4/4"

      # @param score [Midi::Score]
      # @param features [Engine::Features] of the mix
      # @param rhythm [Rhythm::Result] as heard
      # @param place [Hash, nil] see {PlacementSearch}
      def initialize(score, features, rhythm, place = nil)
        @score = score
        @features = features
        @rhythm = rhythm
        @place = place
      end

      # @return [Corrections, nil] the written count; nil where it says nothing, or where its tempo changes
      def correction
        return nil unless steady? && placed? && related?

        Corrections.of(bpm: written.round(3), meter: chosen_meter&.name, first_downbeat:)
      end

      # @param sounding [Range<Float>] seconds from the first to the last sound
      # @return [Rhythm::BeatGrid, nil] the beats of a score whose tempo changes, from the first sound to the last; nil where it says nothing, or where one tempo holds
      def grid(sounding)
        return nil if steady? || !one_meter? || !placed?

        beats = (-BEYOND * meter.beats)..(((@score.length / meter.quarters_per_beat).ceil + BEYOND) * meter.beats)
        Rhythm::BarLayout.cut(beats.map { |beat| placement.seconds(beat * meter.quarters_per_beat) }, meter, sounding)
      end

      # @return [Midi::Placement] over the bars as heard
      def placement = @placement ||= PlacementSearch.new(@score, @features, @rhythm.grid, @place).placement

      private

      # The first bar line of the score that lies in the recording, in its seconds.
      def first_downbeat = (0..).lazy.map { |bar| placement.seconds(bar * @score.quarters_per_bar) }.find { |at| at >= 0 }

      def steady? = one_meter? && @score.tempos.map(&:bpm).minmax.then { |slow, fast| (fast / slow) - 1 < SAME_TEMPO }

      def one_meter? = @score.meters.uniq { |one| [one.numerator, one.denominator] }.one?

      def meter = chosen_meter || @rhythm.grid.meter

      # The written meter, where it was chosen and is not the one heard.
      def chosen_meter
        name = "#{@score.meter.numerator}/#{@score.meter.denominator}"
        return nil if [USUAL_METER, @rhythm.grid.meter.name].include?(name)

        Rhythm::Meter::ALL.find { |meter| meter.name == name }
      end

      # Beats of the written meter a minute, in the recording.
      def written = @score.bpm / placement.scale / meter.quarters_per_beat

      def related? = RELATED.any? { |times| ((ratio / times) - 1).abs < NEAR }

      def ratio = written / @rhythm.bpm

      def placed? = placement.kind == :clock && placement.believable?
    end
  end
end
