# frozen_string_literal: true

module Api
  # Makes a checklist from one reference or from the profile of a study.
  class Planning
    # @param library [Store::Library]
    # @param study [Hash]
    # @param key [Ethoscope::Harmony::Key, nil] wanted for the new track
    def initialize(library, study, key)
      @library = library
      @study = study
      @target = { bpm: study[:target_bpm], key: }
    end

    # @param wanted [Hash] from (profile or reference), reference_id, school
    # @return [Hash] the stored checklist
    # @raise [Problem] when there is nothing to plan from
    def create(wanted)
      school = Ethoscope::Checklist::Schools.find(wanted[:school] || "chords")
      wanted[:from] == "reference" ? from_reference(wanted[:reference_id], school) : from_profile(school)
    end

    private

    def from_reference(reference_id, school)
      raise Problem.new(422, "invalid", "Say which reference the checklist comes from.", "reference_id") unless reference_id

      reference = @library.references.find(reference_id)
      raise Problem.new(422, "invalid", "This reference belongs to another study.", "reference_id") unless reference[:study_id] == @study[:id]

      song = @library.song(reference, scope: @study[:scope_bar]) or raise not_ready
      items = Ethoscope::Checklist::SongPlan.new(song, aim: @study[:aim], target: @target).items
      reading_ids = @library.readings.current(reference_id).transform_values { |reading| reading[:id] }
      @library.checklists.create(study_id: @study[:id], title: reference[:title], school:, items:, reference_id:, reading_ids:)
    end

    def from_profile(school)
      songs = @library.songs(@study[:id])
      raise not_ready if songs.empty?

      items = Ethoscope::Checklist::ProfilePlan.new(songs, target: @target).items
      @library.checklists.create(study_id: @study[:id],
        title: "In the style of #{songs.size} #{songs.size == 1 ? "song" : "songs"}", school:, items:)
    end

    def not_ready = Problem.new(409, "nothing_analysed", "The analysis is not done yet. Wait for it, then make the checklist.")
  end
end
