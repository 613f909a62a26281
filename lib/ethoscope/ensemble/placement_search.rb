# frozen_string_literal: true

module Ethoscope
  class Ensemble
    # Cross-correlates what a score would sound like with what is heard, for every shift at once: strokes in three registers, and
    # pitch classes (score following by chroma and onsets after Ewert, Müller & Grosche, "High resolution audio synchronization using
    # chroma onset features", ICASSP 2009, without the warping).
    class PlacementSearch
      # Files are tried this far before and after the start of the recording.
      REACH_SECONDS = 30.0
      REACH_BEATS = 64
      # Points of the time axis in a beat.
      TICKS = 24
      # By beats only when that agrees this much better than the clock.
      BETTER = 1.1
      # Pitches below this one are struck in the low register.
      LOW = 48
      REGISTERS = %i[low middle high].freeze
      PITCHES = (33..93)
      # One way to lay the score: seconds or beats of notes, and the moments of the recording at which it is read.
      Axis = Value.of(:kind, :scale, :rate, :times, :reach, :step)

      # @param score [Midi::Score]
      # @param features [Engine::Features]
      # @param grid [Rhythm::BeatGrid]
      # @param place [Hash, nil] file_bar (from 1) and at (seconds), where a person says that this bar lies
      def initialize(score, features, grid, place = nil)
        @score = score
        @features = features
        @grid = grid
        @place = place
        @parts = Midi::Parts.of(score)
      end

      # @return [Midi::Placement]
      def placement
        clock = clocks.map { |axis| best(axis) }.max_by(&:agreement)
        beats = best(beat_axis)
        beats.agreement > clock.agreement * BETTER ? beats : clock
      end

      private

      # The file at its own speed, and at the speed that makes its tempo that of the recording.
      def clocks
        heard = @grid.bar_tempos.sort[@grid.bars / 2] * @grid.meter.quarters_per_beat
        fitting = [0.5, 1.0, 2.0].map { |times| @score.bpm / (heard * times) }.min_by { |scale| Math.log2(scale).abs }
        rate = @features.onset.rate
        times = Numo::DFloat.new(@features.onset.total.size).seq / rate
        [1.0, fitting].uniq.map { |scale| Axis.new(kind: :clock, scale:, rate:, times:, reach: (REACH_SECONDS * rate).round, step: 1) }
      end

      def beat_axis
        @edges = extended(@grid.edges)
        ticks = Numo::DFloat.new((@edges.size - 1) * TICKS).seq / TICKS
        Axis.new(kind: :beats, scale: @grid.meter.quarters_per_beat, rate: TICKS.to_f, times: Signal::Series.sample(@edges, ticks), reach: REACH_BEATS * TICKS, step: TICKS)
      end

      # Beats go on before the first and after the last one as they began and ended.
      def extended(edges)
        first = edges[1] - edges[0]
        last = edges[-1] - edges[-2]
        Numo::DFloat[*(1..REACH_BEATS).map { |k| edges.first - ((REACH_BEATS + 1 - k) * first) }, *edges, *(1..REACH_BEATS).map { |k| edges.last + (k * last) }]
      end

      def best(axis)
        strokes = agreement(stroke_rows(axis), REGISTERS.map { |name| heard_strokes(name, axis) }, axis)
        pitches = agreement(pitch_rows(axis), heard_pitches(axis), axis)
        lags = shifts(axis)
        sums = (strokes + pitches)[lags]
        place = sums.max_index
        shift = lags[place] - axis.reach + (axis.kind == :beats ? REACH_BEATS * TICKS : 0)
        placed(axis, shift, sums[place])
      end

      # Places in the correlation to choose from: the one that a person said; by beats only whole ones, from the first beat of the extended grid on.
      def shifts(axis)
        return Numo::Int32[told_shift(axis)] if @place
        return Numo::Int32.new((2 * axis.reach) + 1).seq if axis.kind == :clock

        Numo::Int32[*(-REACH_BEATS..REACH_BEATS).map { |beat| axis.reach + (beat * TICKS) }]
      end

      def told_shift(axis)
        from_start = at(axis, (@place[:file_bar] - 1) * @score.quarters_per_bar)
        there = axis.kind == :clock ? @place[:at] * axis.rate : ((@edges - @place[:at]).abs.min_index - REACH_BEATS) * axis.rate
        (axis.reach + (((there - from_start) / axis.step).round * axis.step)).clamp(0, 2 * axis.reach)
      end

      # To the hundredth of a second it lies where a person said.
      def placed(axis, shift, agreement)
        told = !@place.nil?
        if axis.kind == :clock
          offset = told ? @place[:at] - (@score.seconds((@place[:file_bar] - 1) * @score.quarters_per_bar) * axis.scale) : shift / axis.rate
          return Midi::Placement.new(score: @score, kind: :clock, offset:, scale: axis.scale, edges: nil, agreement:, told:)
        end

        edges = @edges[(shift / TICKS).clamp(0, @edges.size - 2)..].dup
        Midi::Placement.new(score: @score, kind: :beats, offset: edges[0], scale: axis.scale, edges:, agreement:, told:)
      end

      def at(axis, quarters) = axis.kind == :clock ? @score.seconds(quarters) * axis.scale * axis.rate : quarters / axis.scale * axis.rate

      def stroke_rows(axis)
        rows = Array.new(3) { Numo::DFloat.zeros(at(axis, @score.length).round + 2) }
        @parts.each { |part| part.notes.each { |note| rows[register(part, note)][at(axis, note.start).round] = 1.0 } }
        rows.map { |row| Signal::Series.running_max(row, 1) }
      end

      def register(part, note)
        return 2 if part.role == "hats"
        return 0 if part.role == "kick" || (!note.drum? && note.pitch < LOW)

        1
      end

      def pitch_rows(axis)
        rows = Array.new(12) { Numo::DFloat.zeros(at(axis, @score.length).round + 2) }
        @score.notes.reject(&:drum?).each do |note|
          from = at(axis, note.start).round
          rows[note.pitch % 12][from..[at(axis, note.end).round, from].max] = 1.0
        end
        rows
      end

      def heard_strokes(name, axis)
        curve = @features.onset.public_send(name)
        Signal::Series.sample(Numo::NMath.sqrt(curve / [curve.mean, 1e-9].max), axis.times * @features.onset.rate) * inside(axis)
      end

      # Magnitudes folded into pitch classes, compressed; what lies before and after the recording is silent.
      def heard_pitches(axis)
        spectra = @features.spectra
        frames = Numo::DFloat.cast(spectra.frames)
        folded = Array.new(12) { Numo::DFloat.zeros(spectra.size) }
        PITCHES.each { |pitch| folded[pitch % 12] += frames[true, (3 * (pitch - 21))..((3 * (pitch - 21)) + 2)].max(axis: 1) }
        total = [folded.sum.max, 1e-9].max
        folded.map { |row| Signal::Series.sample(Numo::NMath.sqrt(row / total), axis.times * spectra.rate) * inside(axis) }
      end

      def inside(axis) = Numo::DFloat.cast(Numo::Bit.cast((axis.times >= 0) & (axis.times <= @features.duration)))

      # Correlation of rows of the score with rows of the recording, each less its mean, for shifts from -reach to reach.
      def agreement(rows, heard, axis)
        rows = spread(rows)
        heard = spread(heard)
        size = Signal::Padded.size(rows.first.size + heard.first.size + (2 * axis.reach))
        raw = Signal::Padded.series(rows.zip(heard).sum { |one, other| Signal::Padded.spectrum(other, size) * Signal::Padded.spectrum(one, size).conj })
        norm = Math.sqrt([rows, heard].map { |list| list.sum { |row| (row**2).sum } }.reduce(:*))
        Numo::DFloat.hstack([raw[(size - axis.reach)...size], raw[0..axis.reach]]) / [norm, 1e-9].max
      end

      # Each row less its mean, and of pitches less what all have in common at that moment.
      def spread(rows)
        common = rows.size == 12 ? rows.sum / 12 : 0
        rows.map { |row| (row - common).then { |rest| rest - rest.mean } }
      end
    end
  end
end
