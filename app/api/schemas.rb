# frozen_string_literal: true

require "dry/schema"

module Api
  # What requests may hold, one schema a kind of request.
  module Schemas
    TONICS = %w[C Db D Eb E F F# G Ab A Bb B C# D# G# A# Gb].freeze
    MODES = Ethoscope::Harmony::Key::MODES
    SOURCES = %w[heard credited published told assumed].freeze

    StudyFields = Dry::Schema.Params do
      optional(:scope_bar).maybe(:integer, gteq?: 1, lteq?: 2000)
      optional(:target_bpm).maybe(:float, gteq?: 20, lteq?: 400)
      optional(:target_tonic).maybe(:string, included_in?: TONICS)
      optional(:target_mode).maybe(:string, included_in?: MODES)
    end

    NewStudy = Dry::Schema.Params(parent: StudyFields) do
      required(:title).filled(:string, max_size?: 120)
      required(:aim).filled(:string, included_in?: %w[exact style study])
    end

    StudyChange = Dry::Schema.Params(parent: StudyFields) do
      optional(:title).filled(:string, max_size?: 120)
      optional(:aim).filled(:string, included_in?: %w[exact style study])
    end

    ReferenceChange = Dry::Schema.Params do
      optional(:title).filled(:string, max_size?: 200)
      optional(:artist).maybe(:string, max_size?: 200)
    end

    ReadingState = Dry::Schema.Params do
      required(:state).filled(:string, included_in?: %w[open confirmed refuted])
    end

    Correction = Dry::Schema.Params do
      required(:value).filled(:hash)
      optional(:source).filled(:string, included_in?: SOURCES)
      optional(:note).maybe(:string, max_size?: 500)
    end

    NewLayer = Dry::Schema.Params do
      required(:name).filled(:string, max_size?: 60)
    end

    Paint = Dry::Schema.Params do
      required(:first_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      required(:last_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      required(:level).filled(:integer, gteq?: 0, lteq?: 3)
    end

    NewTechnique = Dry::Schema.Params do
      required(:name).filled(:string, max_size?: 120)
      required(:first_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      required(:last_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      optional(:note).maybe(:string, max_size?: 500)
    end

    NewChecklist = Dry::Schema.Params do
      required(:from).filled(:string, included_in?: %w[profile reference])
      optional(:reference_id).maybe(:integer)
      optional(:school).filled(:string, included_in?: Ethoscope::Checklist::Schools::ALL.map(&:id))
    end

    ChecklistChange = Dry::Schema.Params do
      required(:school).filled(:string, included_in?: Ethoscope::Checklist::Schools::ALL.map(&:id))
    end

    ItemChange = Dry::Schema.Params do
      optional(:state).filled(:string, included_in?: %w[open done skipped])
      optional(:note).value(:string, max_size?: 1000)
    end
  end
end
