# frozen_string_literal: true

module Api
  # All that the sheet of a reference shows: the analysis with what a person says over it, the readings, what is to settle, the history.
  class SheetPage
    # @param library [Store::Library]
    # @param reference [Hash]
    # @param wanted [Work::Wanted] in which tempo and key it is told
    def initialize(library, reference, wanted = Work::Wanted.theirs)
      @wanted = wanted
      @library = library
      @reference = reference
    end

    # @return [Hash]
    def to_h
      problem = sheet_problem
      { reference: @reference.merge(run:), analysis: @sheet && shown(@sheet.analysis), problem:, readings:,
        current: current.transform_values { |reading| reading[:id] }, contradictions: @library.readings.contradictions(@reference[:id]),
        journal: @library.journal.state(@reference[:id]), derivation:, stems:, score:, table: @sheet && table, frame: frame&.to_h }
    end

    # @return [Array] changes whenever something on the page does
    def stamp
      @stamp ||= [:sheet, @wanted.to_h, @reference, run, derivation, @library.analysis_id(@reference), @library.readings.stamp(@reference[:id]), stems, score]
    end

    private

    # What two songs are laid on each other by is not drawn. Seconds stay those of the recording, which is played beside it.
    def shown(analysis)
      restated(analysis.to_h.except(:prints))
    end

    def restated(data) = plain? ? data : Ethoscope::Measures::RestatedSong.new(data, @to).over_sound

    # Nothing moves and nothing is named otherwise.
    def plain?
      return true unless @sheet && @wanted != Work::Wanted.theirs

      @to ||= @wanted.restatement(@library.song(@reference).vector)
      @to.stays? && @to.same_speed?
    end

    def frame = @frame ||= (Work::Frame.new(@wanted, @library.song(@reference)) if @sheet && @wanted.said?)

    # Lays the sheet out, or says why that can't be done.
    def sheet_problem
      @sheet = @library.sheet(@reference)
      Store::Unshowable.instead(@reference[:title]) { @sheet && [table, measured_now] }
      nil
    rescue Store::Unshowable => e
      @sheet = nil
      e.message
    end

    def run = @run ||= @library.analyses.latest(@reference[:recording_id])

    def derivation = @derivation ||= @library.derivation(@reference)&.slice(:state, :stage, :progress, :error)

    def stems = @stems ||= @library.stems.of_reference(@reference[:id])

    def score = @score ||= @library.scores.of_reference(@reference[:id])

    def table = @table ||= Ethoscope::Sheet::SectionTable.new(@sheet.analysis.to_h).rows

    def current = @current ||= @library.readings.current(@reference[:id])

    # Bars are told in the present count, and what is measured and open as it follows from what was put right.
    def readings
      rows = @library.readings.of_reference(@reference[:id])
      return rows unless @sheet

      rows.map { |row| placed(current[row[:aspect]]&.fetch(:id) == row[:id] ? derived(row) : row) }
    end

    def placed(row)
      return row unless row[:starts_at] && row[:ends_at]

      first_bar, last_bar = @sheet.timeline.bar_run(row[:starts_at], row[:ends_at])
      row.merge(first_bar:, last_bar:)
    end

    def derived(row)
      return row.merge(plain? ? {} : Ethoscope::Measures::RestatedReading.of(row[:aspect], row[:value], @to)) unless row[:source] == "measured"
      return row if plain? && row[:state] != "open"

      row.merge(measured_now.fetch(row[:aspect]).to_h.slice(:value, :statement, :note, :why, :rivals, :confidence))
    end

    # What is measured, with the loop that follows from the chords as a person put them.
    def measured_now
      @measured_now ||= begin
        data = restated(@library.analysis(@reference).to_h.merge(@sheet.analysis.to_h.slice(:loop)))
        Ethoscope::Readings::Reader.new(Ethoscope::Analysis.new(data)).readings.to_h { |reading| [reading.aspect, reading] }
      end
    end
  end
end
