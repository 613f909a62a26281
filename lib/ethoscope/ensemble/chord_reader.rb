# frozen_string_literal: true

module Ethoscope
  class Ensemble
    # Chords of written notes: what sounds in each half beat, exactly, in the place of what is heard; the rest is as on sound
    # ({Harmony::ChordRecognizer}). The method is our own.
    class ChordReader
      # A note that only touches a half beat does not sound in it.
      INSIDE = 0.1
      # Parts that carry the harmony; a melody passes through other notes and counts less.
      CARRIERS = %w[bass chords pad strings guitar brass].freeze
      PASSING = 0.35
      # Effects have notes where they were put on a key, and a drone stays whatever the chord is.
      NONE = %w[fx texture].freeze

      # @param parts [Array<Midi::Part>]
      # @param placement [Midi::Placement]
      # @param grid [Rhythm::BeatGrid]
      def initialize(parts, placement, grid)
        @grid = grid
        @placement = placement
        @parts = parts.reject { |part| [*Layers::Role::STRUCK, *NONE].include?(part.role) || part.notes.any?(&:drum?) }
      end

      # @return [Array<Harmony::ChordRecognizer::Span>] without gaps; none when no part carries harmony
      def spans
        return [] if @parts.none? { |part| CARRIERS.include?(part.role) && part.role != "bass" }

        Harmony::ChordRecognizer.new(notes, @grid.half_beat_positions).spans
      end

      private

      def notes
        rows = Numo::SFloat.zeros(2 * (@grid.edges.size - 1), Harmony::NoteActivation::NOTES)
        @parts.each { |part| part.notes.each { |note| place(rows, note, CARRIERS.include?(part.role) ? 1.0 : PASSING) } }
        Harmony::NoteActivation.new(activation: rows, level: rows.sum(axis: 1))
      end

      def place(rows, note, weight)
        column = note.pitch - Harmony::NoteActivation::LOWEST
        return unless column.between?(0, rows.shape[1] - 1)

        from, to = [note.start, note.end].map { |quarters| 2 * (@grid.position(@placement.seconds(quarters)) + @grid.pickup) }
        (from + INSIDE).floor.upto((to - INSIDE).floor) do |half|
          rows[half, column] += weight * ([to, half + 1].min - [from, half].max) if half.between?(0, rows.shape[0] - 1)
        end
      end
    end
  end
end
