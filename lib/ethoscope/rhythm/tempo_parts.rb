# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Runs of bars that keep a tempo of their own where a song changes it at once: two songs in one, a fall to half the tempo and back. A tempo that drifts or
    # moves over several bars makes no parts. The method is our own.
    module TempoParts
      # From the first to the last bar, and the tempo that half of its bars lie under.
      Part = Value.of(:first_bar, :last_bar, :bpm)
      # Bars belong together whose tempo lies this near to the others'; a part has so many bars; neighbours differ by at least so much.
      NEAR = 0.015
      LEAST_BARS = 4
      EVEN = 0.75
      APART = 0.03

      # @param tempos [Array<Float>] BPM by bar
      # @return [Array<Part>] that cover all bars, at least two; none where the song keeps one tempo or moves gradually
      def self.of(tempos)
        runs = tempos.each_index.slice_when { |a, b| ((tempos[b] / tempos[a]) - 1).abs > NEAR }.to_a
        merged = with_its_end(joined(runs, tempos))
        return [] unless merged.size > 1 && merged.all? { |run| run.size >= LEAST_BARS && even?(run, tempos) }

        parts = merged.map { |run| Part.new(first_bar: run.first + 1, last_bar: run.last + 1, bpm: Signal::Middle.of(run.map { |bar| tempos[bar] }).round(2)) }
        parts.each_cons(2).all? { |one, other| ((other.bpm / one.bpm) - 1).abs >= APART } ? parts : []
      end

      # A bar or two between two tempi, where the change falls into them, go to the part after it.
      def self.joined(runs, tempos)
        runs.each_with_object([]) do |run, kept|
          if kept.any? && (kept.last.size < LEAST_BARS / 2 || ((tempos[run.first] / tempos[kept.last.last]) - 1).abs <= NEAR)
            kept[-1] = kept.last + run
          else
            kept << run
          end
        end
      end
      private_class_method :joined

      # The last bars of a song, in which little is struck, are counted less surely: a few of them make no part.
      def self.with_its_end(runs)
        runs.size > 1 && runs.last.size < LEAST_BARS ? [*runs[0...-2], runs[-2] + runs[-1]] : runs
      end
      private_class_method :with_its_end

      def self.even?(run, tempos)
        middle = Signal::Middle.of(run.map { |bar| tempos[bar] })
        run.count { |bar| ((tempos[bar] / middle) - 1).abs <= NEAR } >= EVEN * run.size
      end
      private_class_method :even?
    end
  end
end
