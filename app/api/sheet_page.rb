# frozen_string_literal: true

module Api
  # All that the sheet of a reference shows: the analysis with what a person says over it, the readings, what is to settle, the history.
  class SheetPage
    # @param library [Store::Library]
    # @param reference [Hash]
    def initialize(library, reference)
      @library = library
      @reference = reference
    end

    # @return [Hash]
    def to_h
      { reference: @reference.merge(run: @library.analyses.latest(@reference[:recording_id])), analysis: sheet&.analysis&.to_h, readings:,
        current: current.transform_values { |reading| reading[:id] }, contradictions: @library.readings.contradictions(@reference[:id]),
        journal: @library.journal.state(@reference[:id]), derivation: @library.derivation(@reference)&.slice(:state, :stage, :progress, :error),
        stems: @library.stems.of_reference(@reference[:id]), score: @library.scores.of_reference(@reference[:id]), table: sheet && table }
    end

    private

    def table = Ethoscope::Layers::SectionTable.new(sheet.analysis.to_h).rows

    def sheet = @sheet ||= @library.sheet(@reference)

    def current = @current ||= @library.readings.current(@reference[:id])

    # Bars are told in the present count, and what is measured and open as it follows from what was put right.
    def readings
      rows = @library.readings.of_reference(@reference[:id])
      return rows unless sheet

      rows.map { |row| placed(current[row[:aspect]]&.fetch(:id) == row[:id] ? derived(row) : row) }
    end

    def placed(row)
      return row unless row[:starts_at] && row[:ends_at]

      first_bar, last_bar = sheet.timeline.bar_run(row[:starts_at], row[:ends_at])
      row.merge(first_bar:, last_bar:)
    end

    def derived(row)
      return row unless row[:source] == "measured" && row[:state] == "open"

      row.merge(measured_now.fetch(row[:aspect]).to_h.slice(:value, :statement, :note, :why, :rivals, :confidence))
    end

    def measured_now
      @measured_now ||= Ethoscope::Readings::Reader.new(@library.analysis(@reference)).readings.to_h { |reading| [reading.aspect, reading] }
    end
  end
end
