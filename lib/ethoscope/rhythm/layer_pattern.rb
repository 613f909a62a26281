# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # After how many bars what a layer plays in a section returns, and each bar that departs from that. The method is our own.
    class LayerPattern
      PERIODS = PatternPeriod::PERIODS
      # Bars a period apart that have this share of their notes in common return; a longer period must do better by so much.
      RETURNS = 0.7
      BETTER = 0.08
      # A note is part of the pattern when it stands in this share of the bars that it could.
      USUAL = 0.5
      # A section in which fewer of the bars play has no pattern.
      PLAYS = 0.25

      # @param places [Array<Array(Float, Integer)>] of each note the beat from the start of bar 1, and the MIDI pitch, nil for a stroke
      # @param meter [Meter]
      def initialize(places, meter)
        @per_beat = meter.steps_per_beat
        @bars = Hash.new { |bars, bar| bars[bar] = [] }
        places.each do |beat, pitch|
          bar, step = (beat * @per_beat).round.divmod(meter.steps)
          @bars[bar] |= [[step, pitch]]
        end
      end

      # @param first_bar [Integer] from 1
      # @param bars [Integer]
      # @return [Hash, nil] first_bar, bars, period (nil where nothing returns) and departures; nil where the layer rests
      def of(first_bar, bars)
        list = (0...bars).map { |i| @bars.fetch(first_bar - 1 + i, []) }
        return nil if list.count(&:any?) < PLAYS * bars

        period = period(list)
        { first_bar:, bars:, period:, departures: period ? departures(list, period, first_bar) : [] }
      end

      private

      def period(list)
        likeness = PERIODS.select { |lag| list.size >= 2 * lag }.to_h { |lag| [lag, (lag...list.size).sum { |bar| alike(list[bar], list[bar - lag]) } / (list.size - lag).to_f] }
        best = likeness.values.max
        best.nil? || best < RETURNS ? nil : likeness.find { |_, value| value >= best - BETTER }.first
      end

      def alike(one, other) = one.empty? && other.empty? ? 1.0 : 2.0 * (one & other).size / (one.size + other.size)

      def departures(list, period, first_bar)
        usual = (0...period).map { |row| usual(list.each_slice(period).filter_map { |group| group[row] }) }
        list.each_with_index.filter_map do |notes, i|
          apart = (notes - usual[i % period]).map { |note| stroke(note, true) } + (usual[i % period] - notes).map { |note| stroke(note, false) }
          { bar: first_bar + i, strokes: apart.sort_by { |one| one[:beat] } } if apart.any?
        end
      end

      def usual(bars) = bars.flatten(1).tally.select { |_, count| count > USUAL * bars.size }.keys

      def stroke((step, pitch), more) = { beat: (step / @per_beat.to_f) + 1, pitch:, more: }
    end
  end
end
