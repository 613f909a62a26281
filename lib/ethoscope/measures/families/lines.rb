# frozen_string_literal: true

module Ethoscope
  module Measures
    module Families
      # What is played, note by note: the bass, and every layer that a stem or notes tell. The way is our own.
      module Lines
        NOTES = Measure.new(
          id: "lines.notes", name: "notes", unit: "of 1", scope: :role_in_section,
          kind: Kinds::Notes.new,
          exact: 0.2, style: 0.5, stage: "Chords and bass", rests_on: %w[layers],
          reader: ->(song) { SongLines.new(song).notes }, restated: ->(value, restatement) { SongLines.moved(value, restatement) }
        )

        REGISTER = Measure.new(
          id: "lines.register", name: "register", unit: "semitones", scope: :role_in_section,
          kind: Kinds::Number.new(field: :middle, digits: 0),
          exact: 3, style: 6, stage: "Chords and bass", rests_on: %w[layers],
          reader: ->(song) { SongLines.new(song).registers }, restated: ->(value, restatement) { SongLines.moved_register(value, restatement) },
          worded: ->(value) { value.values_at(:low, :high, :middle).map { |pitch| Ethoscope::Harmony::NoteName.of(pitch, Restatement::UNKEYED) }.then { |low, high, middle| "#{low} to #{high}, mostly #{middle}" } }
        )

        MEASURES = [NOTES, REGISTER].freeze
      end
    end
  end
end
