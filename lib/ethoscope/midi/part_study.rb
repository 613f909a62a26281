# frozen_string_literal: true

module Ethoscope
  module Midi
    # What the notes of one part tell: pitch and polyphony, lengths, velocities and their pattern, the grid they keep to and how loosely, and
    # after how many bars they repeat.
    class PartStudy
      # Grids in notes to a quarter, coarse to fine, and how near to one a note must lie, in quarters.
      GRIDS = { 1 => "quarters", 2 => "eighths", 3 => "eighth triplets", 4 => "sixteenths", 6 => "sixteenth triplets", 8 => "thirty-seconds" }.freeze
      NEAR = 0.06
      KEPT = 0.95
      LEGATO = 0.05
      PERIODS = [1, 2, 4, 8, 16].freeze
      SAME = 0.9

      # @param part [Part]
      # @param placement [Placement]
      # @param grid [Rhythm::BeatGrid]
      def initialize(part, placement, grid)
        @part = part
        @notes = part.notes
        @placement = placement
        @grid = grid
      end

      # @return [Hash]
      def to_h
        { name: @part.name, role: @part.role, program: @part.program, notes: @notes.size, low: pitches.first, middle: pitches[pitches.size / 2], high: pitches.last,
          polyphony:, length_beats: middle(@notes.map(&:length)).round(2), velocity: velocity, grid: grid_name, residual_ms:, period: }
      end

      private

      def pitches = @pitches ||= @notes.map(&:pitch).sort

      def middle(values) = values.sort[values.size / 2]

      # Most notes that sound at once; what only overlaps the next note a little does not.
      def polyphony
        events = @notes.flat_map { |note| [[note.start + LEGATO, 1], [note.end, -1]] }.sort
        events.each_with_object([0, 0]) { |(_, step), count| count[1] = [count[1], count[0] += step].max }.last
      end

      # Lowest, middle and highest velocity, how far they spread, and the mean on each sixteenth of the beat.
      def velocity
        values = @notes.map(&:velocity)
        mean = values.sum / values.size.to_f
        places = @notes.group_by { |note| (note.start * 4).round % 4 }.transform_values { |group| (group.sum(&:velocity) / group.size.to_f).round }
        { low: values.min, middle: middle(values), high: values.max, spread: Math.sqrt(values.sum { |value| (value - mean)**2 } / values.size).round(1),
          by_sixteenth: (0..3).map { |place| places[place] } }
      end

      def grid_name = @grid_name ||= GRIDS.find { |steps, _| @notes.count { |note| distance(note, steps).abs < NEAR } >= KEPT * @notes.size }&.last

      def distance(note, steps) = ((note.start * steps).round / steps.to_f) - note.start

      # Root mean square of how far notes lie from their grid: 0 when they were set by a machine.
      def residual_ms
        steps = GRIDS.key(grid_name) or return nil
        quarter = 60_000.0 / (@grid.bar_tempos.sort[@grid.bars / 2] * @grid.meter.quarters_per_beat)
        (Math.sqrt(@notes.sum { |note| distance(note, steps)**2 } / @notes.size) * quarter).round(1)
      end

      # Bars after which most notes come back.
      def period
        bar = @grid.meter.beats * @grid.meter.quarters_per_beat
        bars = @notes.group_by { |note| ((note.start / bar) + 0.02).floor }.transform_values { |group| group.map { |note| [((note.start % bar) * 4).round, note.pitch] }.uniq }
        PERIODS.find { |lag| repeats?(bars, lag) }
      end

      def repeats?(bars, lag)
        pairs = bars.keys.select { |index| bars.key?(index + lag) }
        return false if pairs.size < 2

        shared = pairs.sum { |index| (bars[index] & bars[index + lag]).size / [bars[index].size, bars[index + lag].size].max.to_f }
        shared / pairs.size >= SAME
      end
    end
  end
end
