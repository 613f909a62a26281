# frozen_string_literal: true

module Ethoscope
  module Form
    # How much changes at the start of each bar: timbre, struck sounds, strokes of the kit and notes over one to eight bars on both sides, energy and
    # width, what the bar before does, whether chords, sound and strokes go on as they did four or eight bars ago, and how the bar stands in what comes
    # back ({RecurrenceFeatures}) (novelty at several scales after Kaiser & Peeters, "A simple fusion method of state and sequence segmentation for
    # music structure discovery", ISMIR 2013).
    class BoundaryFeatures
      REACHES = [1, 2, 4, 8].freeze
      LAGS = [4, 8].freeze
      # How many columns of the timbre rows are rates of onsets.
      ONSETS = 3
      # Bars before the last one before a boundary, against which that one is held.
      PATTERN_BARS = 4
      # Bars over which a piece of the kit comes in or leaves.
      RISES = [2, 4].freeze
      STROKES = [*REACHES.map { |bars| "strokes over #{bars}" },
                 *Rhythm::StrokeModel::PIECES.product(RISES).flat_map { |piece, bars| ["#{piece} over #{bars}", "#{piece} rise over #{bars}"] },
                 "bar before: strokes", *LAGS.map { |lag| "strokes break after #{lag}" }].freeze
      PLAIN = [
        *REACHES.flat_map { |bars| %w[registers onsets notes].map { |kind| "#{kind} over #{bars}" } }, "energy step", "energy rise", "width step",
        "bar before: registers", "bar before: onsets", *LAGS.map { |lag| "chords break after #{lag}" }, *LAGS.map { |lag| "sound breaks after #{lag}" },
        *STROKES, *RecurrenceFeatures::NAMES
      ].freeze
      PLACES = ["odd bar", "second half of four", "second half of eight"].freeze
      # Each plain feature as it is, and against the song's own mean and spread.
      NAMES = (PLAIN + PLAIN.map { |name| "#{name}, in this song" } + PLACES).freeze

      # @param features [BarFeatures]
      # @param energy [Array<Float>] LUFS by bar
      # @param side [Array<Float>] side share by bar
      # @param drums [Rhythm::DrumSteps] over the same bars
      def initialize(features, energy, side, drums)
        @onsets = features.timbre[true, -ONSETS..].dup
        @registers = features.timbre[true, 0...-ONSETS].dup
        @harmony = features.harmony
        @notes = @harmony.reshape(features.size, @harmony.shape[1] / 12, 12).sum(axis: 1)
        @energy = Numo::DFloat.cast(energy).reshape(features.size, 1)
        @side = Numo::DFloat.cast(side).reshape(features.size, 1)
        @bars = features.size
        heard = drums.heard
        @strokes = heard.reshape(@bars, heard.shape[1] * heard.shape[2])
        @pieces = heard.sum(axis: 1) * drums.steps.per_beat / heard.shape[1]
      end

      # @return [Numo::DFloat] shape [bars - 1, NAMES], for the start of the second bar and on
      def rows
        back = RecurrenceFeatures.new(@harmony, @registers, @strokes).rows
        plain = Numo::DFloat.cast((1...@bars).map { |bar| [*plain(bar), *strokes(bar), *back[bar - 1]] })
        spread = Numo::NMath.sqrt(((plain - plain.mean(axis: 0))**2).mean(axis: 0)) + 1e-3
        places = Numo::DFloat.cast((1...@bars).map { |bar| [bar % 2, (bar % 4) / 2, (bar % 8) / 4] })
        Numo::DFloat.hstack([plain, (plain - plain.mean(axis: 0)) / spread, places])
      end

      private

      def plain(bar)
        far = REACHES.flat_map { |reach| [step(@registers, bar, reach), step(@onsets, bar, reach), turn(@notes, bar, reach)] }
        rise = means(@energy, bar, 2).then { |before, after| (after - before)[0] / 10 }
        [*far, rise.abs, rise, step(@side, bar, 2) * 4, before(@registers, bar), before(@onsets, bar),
         *LAGS.map { |lag| chords_break(bar, lag) }, *LAGS.map { |lag| breaks(@registers, bar, lag) }]
      end

      def strokes(bar)
        rises = RISES.map { |reach| means(@pieces, bar, reach).then { |before, after| after - before } }
        pieces = (0...@pieces.shape[1]).flat_map { |piece| rises.flat_map { |rise| [rise[piece].abs, rise[piece]] } }
        [*REACHES.map { |reach| step(@strokes, bar, reach) }, *pieces, before(@strokes, bar), *LAGS.map { |lag| breaks(@strokes, bar, lag) }]
      end

      # Means over so many bars before the start of a bar (from 0) and after it.
      def means(rows, bar, reach)
        [rows[[bar - reach, 0].max...bar, true].mean(axis: 0), rows[bar...[bar + reach, @bars].min, true].mean(axis: 0)]
      end

      def step(rows, bar, reach) = means(rows, bar, reach).then { |before, after| length(after - before) }

      def turn(rows, bar, reach)
        before, after = means(rows, bar, reach)
        1 - ((before * after).sum / [length(before) * length(after), 1e-9].max)
      end

      def length(row) = Math.sqrt((row**2).sum)

      # How far the last bar before the boundary departs from those before it: a fill, or a gap.
      def before(rows, bar)
        return 0.0 if bar < 2

        length(rows[bar - 1, true] - rows[[bar - 1 - PATTERN_BARS, 0].max...(bar - 1), true].mean(axis: 0))
      end

      # One minus the likeness of the next four bars to those some bars before.
      def chords_break(bar, lag)
        pairs = (0...PATTERN_BARS).filter_map { |i| [bar + i, bar + i - lag] if bar + i < @bars && bar + i - lag >= 0 }
        return 0.5 if pairs.empty?

        1 - (pairs.sum { |a, b| (@harmony[a, true] * @harmony[b, true]).sum } / pairs.size)
      end

      # How far the mean of the next four bars is from that of those some bars before.
      def breaks(rows, bar, lag)
        return 0.0 if (bar - lag).negative?

        length(rows[bar...[bar + PATTERN_BARS, @bars].min, true].mean(axis: 0) - rows[(bar - lag)...(bar - lag + PATTERN_BARS), true].mean(axis: 0))
      end
    end
  end
end
