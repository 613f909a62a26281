# frozen_string_literal: true

module Ethoscope
  module Midi
    # What the notes of one part tell: pitch and polyphony, lengths, velocities and their pattern, the grid they keep to and how loosely, and
    # after how many bars they repeat. The method is our own.
    class PartStudy
      # Grids in notes to a quarter, coarse to fine, and how near to one a note must lie, in quarters.
      GRIDS = { 1 => "quarters", 2 => "eighths", 3 => "eighth triplets", 4 => "sixteenths", 6 => "sixteenth triplets", 8 => "thirty-seconds" }.freeze
      NEAR = 0.06
      KEPT = 0.95
      LEGATO = 0.05
      # A note this little before a bar, in beats, belongs to it.
      EARLY = 0.05
      PERIODS = [1, 2, 4, 8, 16].freeze
      SAME = 0.9
      VARIED = 0.5
      # Notes of a pattern that are told.
      MOST = 96

      # @param part [Part]
      # @param placement [Placement]
      # @param grid [Rhythm::BeatGrid]
      # @param sections [Array<Form::Section>]
      def initialize(part, placement, grid, sections = [])
        @part = part
        @notes = part.notes
        @placement = placement
        @grid = grid
        @sections = sections
      end

      # @return [Hash]
      def to_h
        { name: @part.name, role: @part.role, program: @part.program, notes: @notes.size, low: pitches.first, middle: middle(pitches), high: pitches.last,
          polyphony:, length_beats: middle(@notes.map(&:length)).round(2), velocity: velocity, grid: grid_name, residual_ms:, period:, transposed:,
          pattern:, variations: }
      end

      private

      def pitches = @pitches ||= @notes.map(&:pitch).sort

      def middle(values) = Signal::Middle.of(values)

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

      # Notes of each bar of the recording as [sixteenth, pitch].
      def bars
        @bars ||= @notes.map { |note| [@grid.position(@placement.seconds(note.start)), note] }.group_by { |beat, _| ((beat + EARLY) / @grid.meter.beats).floor }
                        .to_h { |bar, group| [bar, group.map { |beat, note| [((beat - (bar * @grid.meter.beats)) * 4).round, note.pitch] }.uniq] }
      end

      # Bars after which most notes come back.
      def period = @period ||= PERIODS.find { |lag| alike(lag, 0) >= SAME }

      # After how many bars the same comes back that many semitones higher or lower; nil when it never does.
      def transposed
        return nil if Layers::Role::STRUCK.include?(@part.role)

        moves = PERIODS.product([*-12..-1, *1..12])
        best = moves.max_by { |lag, semitones| alike(lag, semitones) }
        alike(*best) >= SAME ? { bars: best[0], semitones: best[1] } : nil
      end

      # Mean share of notes that come back so many bars later, moved by so many semitones.
      def alike(lag, semitones)
        pairs = bars.keys.select { |bar| bars.key?(bar + lag) }
        return 0.0 if pairs.size < 2

        pairs.sum { |bar| share(bars[bar].map { |step, pitch| [step, pitch + semitones] }, bars[bar + lag]) } / pairs.size
      end

      def share(one, other) = (one & other).size / [one.size, other.size].max.to_f

      # The first bars that are played, as long as they take to come back: [sixteenth from their start, pitch].
      def pattern
        first = bars.keys.min
        (0...(period || 1)).flat_map { |bar| bars.fetch(first + bar, []).map { |step, pitch| [step + (bar * @grid.meter.beats * 4), pitch] } }.sort.first(MOST)
      end

      # For each section a letter for what is played there, as of stems.
      def variations
        known = []
        @sections.map do |section|
          own = section.bar_range.flat_map { |bar| bars.fetch(bar - 1, []).map { |step, pitch| [bar - section.first_bar, step, pitch] } }
          own.empty? ? nil : letter(own, known)
        end
      end

      def letter(own, known)
        found = known.map { |name, notes| [name, share(own, notes)] }.max_by(&:last)
        return found.first if found && found.last >= SAME

        base = found && found.last >= VARIED ? found.first.delete("'") : nil
        name = base ? base + ("'" * known.count { |other, _| other.start_with?(base) }) : ("A".ord + known.map { |other, _| other[0] }.uniq.size).chr
        known << [name, own]
        name
      end
    end
  end
end
