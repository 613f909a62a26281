# frozen_string_literal: true

module Ethoscope
  module Measures
    module Families
      # The parts of a song, their lengths and order, and how the energy goes through them. The way is our own.
      module Form
        SECTION = Measure.new(
          id: "form.section", name: "section", unit: "", scope: :section,
          kind: Kinds::Category.new(by: ->(value) { value[:label] }),
          exact: 0, style: 0, stage: "Arrangement", rests_on: %w[form],
          reader: ->(song) { song.by_section(aspect: "form") { |section| section.slice(:label, :letter, :start, :end) } },
          restated: ->(value, restatement) { value.merge(value.slice(:start, :end).transform_values { |seconds| restatement.seconds(seconds) }) }
        )

        LENGTHS = Measure.new(
          id: "form.lengths", name: "section lengths", unit: "section", scope: :song,
          kind: Kinds::Sequence.new(most: 99),
          exact: 0, style: 1, stage: "Arrangement", rests_on: %w[form],
          reader: ->(song) { SongForm.whole(song, song.sections.map { |section| section[:bars] }) }
        )

        USUAL_LENGTH = Measure.new(
          id: "form.usual_length", name: "usual length of a section", unit: "bars", scope: :song,
          kind: Kinds::Number.new(digits: 0),
          exact: 0, style: 4, stage: "Arrangement", rests_on: %w[form],
          reader: ->(song) { SongForm.whole(song, song.sections.map { |section| section[:bars] }.tally.max_by(&:last)&.first) }
        )

        ORDER = Measure.new(
          id: "form.order", name: "order of sections", unit: "sections", scope: :song,
          kind: Kinds::Sequence.new(most: 99),
          exact: 0, style: 2, stage: nil, rests_on: %w[form],
          reader: ->(song) { SongForm.whole(song, song.sections.map { |section| section[:letter] }) }
        )

        PEAK = Measure.new(
          id: "form.peak", name: "peak", unit: "bars", scope: :song,
          kind: Kinds::Category.new(by: ->(value) { value[:label] }, apart: ->(one, other) { (one[:first_bar] - other[:first_bar]).abs }),
          exact: 4, style: 8, stage: "Arrangement", rests_on: %w[form],
          reader: ->(song) { SongForm.whole(song, SongForm.peak(song)) },
          worded: ->(value) { "#{value[:label]}, bars #{value[:first_bar]} to #{value[:first_bar] + value[:bars] - 1}" }
        )

        ENERGY = Measure.new(
          id: "form.energy", name: "energy", unit: "%", scope: :section,
          kind: Kinds::Share.new(digits: 0),
          exact: 10, style: 20, stage: nil, rests_on: %w[form],
          reader: ->(song) { SongForm.energy(song) }
        )

        MEASURES = [SECTION, LENGTHS, USUAL_LENGTH, ORDER, PEAK, ENERGY].freeze
      end
    end
  end
end
