# frozen_string_literal: true

module Ethoscope
  module Stems
    # What a stem plays in each bar, as strokes on steps and pitches on half beats, to be compared from bar to bar
    # (self-similarity after Foote, "Visualizing music and audio using self-similarity", ACM Multimedia 1999).
    class Pattern
      # The hardest strokes but for stray ones.
      HARDEST = 0.95
      # A section in which a part plays less has no pattern.
      PLAYS = 0.2
      PERIODS = [1, 2, 4, 8, 16].freeze
      # Two bars or runs of bars are the same from this likeness on, and variations of each other from this one on.
      SAME = 0.9
      VARIED = 0.6
      # A longer period is taken only when it repeats better by this much.
      BETTER = 0.04

      # @param features [Engine::Features] of the stem
      # @param steps [Rhythm::StepGrid] in the stem's time
      # @param notes [Notes, nil] nil where pitch does not matter
      # @param activity [Array<Float>] by bar
      def initialize(features, steps, notes, activity)
        @activity = activity
        @steps = steps
        onset = features.onset
        peaks = Signal::Series.running_max(onset.total, 2)
        struck = Signal::Series.sample(peaks, steps.times.flatten * onset.rate).reshape(steps.bars, steps.steps)
        @strokes = struck / [Signal::Series.percentile(struck.flatten, HARDEST), 1e-9].max
        @rows = notes ? Numo::DFloat.hstack([unit(@strokes), unit(pitches(notes))]) : unit(@strokes)
      end

      # @return [Numo::DFloat] shape [bars, steps], how hard each step is struck, about 1 for a hard stroke
      attr_reader :strokes

      # @return [Integer, nil] after how many bars it repeats; nil when it doesn't
      def period
        likeness = PERIODS.to_h { |lag| [lag, at_lag(lag)] }.compact
        return nil if likeness.empty?

        best = likeness.values.max
        best < VARIED ? nil : likeness.find { |_, value| value >= best - BETTER }.first
      end

      # @param sections [Array<Form::Section>]
      # @return [Array<String, nil>] for each section a letter for what is played there: A, and A' for its variations; nil where it rests
      def variations(sections)
        known = []
        sections.map do |section|
          bars = ((section.first_bar - 1)...section.last_bar).to_a
          next nil if bars.sum { |bar| @activity[bar] } < PLAYS * bars.size

          name(bars, known)
        end
      end

      private

      def pitches(notes)
        halves = @steps.meter.beats * 2
        Numo::DFloat.vstack((0...@steps.bars).map do |bar|
          Numo::DFloat.hstack((0...halves).map { |half| fold(notes.strength(((bar * halves) + half)..((bar * halves) + half))) })
        end)
      end

      def fold(strength)
        padded = Numo::DFloat.zeros(84)
        padded[0...strength.size] = strength
        padded.reshape(7, 12).sum(axis: 0)
      end

      def unit(rows)
        norm = Numo::NMath.sqrt((rows**2).sum(axis: 1)).reshape(rows.shape[0], 1)
        rows / norm.clip(1e-9, nil)
      end

      def likeness(a, b)
        norm = Math.sqrt((@rows[a, true]**2).sum * (@rows[b, true]**2).sum)
        norm.positive? ? (@rows[a, true] * @rows[b, true]).sum / norm : 0.0
      end

      def at_lag(lag)
        pairs = (0...(@steps.bars - lag)).select { |bar| @activity[bar] > 0.5 && @activity[bar + lag] > 0.5 }
        pairs.size < 2 ? nil : pairs.sum { |bar| likeness(bar, bar + lag) } / pairs.size
      end

      def name(bars, known)
        letter, primes, alike = closest(bars, known)
        return new_letter(bars, known) if alike < VARIED
        return letter + ("'" * primes) if alike >= SAME

        made = known.select { |known_letter, _, _| known_letter == letter }.map { |_, count, _| count }.max + 1
        known << [letter, made, bars]
        letter + ("'" * made)
      end

      def closest(bars, known)
        known.map { |letter, primes, other| [letter, primes, runs_alike(bars, other)] }.max_by(&:last) || [nil, 0, 0.0]
      end

      def runs_alike(bars, other)
        count = [bars.size, other.size].min
        (0...count).sum { |i| likeness(bars[i], other[i]) } / count
      end

      def new_letter(bars, known)
        letter = ("A".ord + known.map(&:first).uniq.size).chr
        known << [letter, 0, bars]
        letter
      end
    end
  end
end
