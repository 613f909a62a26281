# frozen_string_literal: true

module Api
  # All that the sheet of an attempt shows: both songs on the bars of the reference, what differs, and what became of the items of the checklist.
  class AttemptPage
    # @param library [Store::Library]
    # @param laying [Work::Laying]
    # @param attempt [Hash]
    # @param beside [Hash, nil] another attempt that it is held against, in the place of the reference
    def initialize(library, laying, attempt, beside: nil)
      @library = library
      @laying = laying
      @attempt = attempt
      @beside = beside
    end

    # @return [String]
    def title = "Attempt #{@attempt[:number]}"

    # @return [Hash, nil] the row of the song that it is held against
    def reference
      return { **@library.references.find(@beside[:song_id]), title: "Attempt #{@beside[:number]}" } if @beside

      @reference ||= @attempt[:against_id] && @library.references.find(@attempt[:against_id])
    end

    # @return [Hash] the attempt as a list shows it: its file, how far its analysis is, how many items came how close, and why there is no comparison, if so
    def row
      song = @library.references.find(@attempt[:song_id])
      counts, problem = counted
      { **@attempt, title:, file: song[:original_name], run: @library.analyses.latest(song[:recording_id]), counts:, problem: }
    end

    # @return [Hash]
    def to_h
      told, problem = compared
      comparison = told if reference
      { attempt: row, reference:, problem:, comparison: comparison&.to_h, sheet: comparison && sheet(comparison), style: reference ? nil : told&.to_h,
        verdicts: told && !@beside ? @laying.verdicts(@attempt) : {}, attempts: others }
    end

    private

    def counted
      return [{}, nil] unless analysed?

      return [@laying.style(@attempt) && @laying.counts(@attempt), nil] unless @attempt[:against_id]

      [@laying.counts(@attempt), @laying.comparison(@attempt).alignment.refused]
    rescue Work::Refused, Store::Unshowable, Store::Missing, Ethoscope::Errors::Unfit => e
      [{}, e.message]
    end

    def compared
      return [@laying.versions(@beside, @attempt), nil] if @beside

      [@attempt[:against_id] ? @laying.comparison(@attempt) : @laying.style(@attempt), nil]
    rescue Work::Refused, Store::Unshowable, Store::Missing, Ethoscope::Errors::Unfit => e
      [nil, e.message]
    end

    def analysed? = !@library.analysis_id(@library.references.find(@attempt[:song_id])).nil?

    def sheet(comparison)
      songs = [reference[:id], @attempt[:song_id]].map { |id| @library.sheet(@library.references.find(id)).settled }
      Ethoscope::Attempts::TwoInks.new(comparison, *songs).to_h
    end

    # The line of each item over all attempts that are held against the same.
    def others
      same = @library.attempts.standing(@attempt[:study_id]).select { |other| other[:against_id] == @attempt[:against_id] }
      same.map { |other| AttemptPage.new(@library, @laying, other).line }
    end

    protected

    # @return [Hash] number, date, and of each item how close it came
    def line
      verdicts = analysed? ? @laying.verdicts(@attempt) : {}
      { **@attempt.slice(:id, :number, :note, :created_at), closeness: verdicts.transform_values { |verdict| verdict[:closeness] } }
    rescue Work::Refused, Store::Unshowable, Store::Missing, Ethoscope::Errors::Unfit
      { **@attempt.slice(:id, :number, :note, :created_at), closeness: {} }
    end
  end
end
