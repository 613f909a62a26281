# frozen_string_literal: true

module Api
  # What requests about profiles and checklists may hold, one schema a kind of request.
  module PlanSchemas
    # What a profile is told beside: the generated songs that ship, the songs of all other studies, or one study.
    ProfileQuestion = Ethoscope::Forms.schema do
      optional(:against).filled(:string, format?: /\A(generated|others|\d{1,9})\z/)
    end

    # Another study, or the songs at the side of this one.
    ComparisonQuestion = Ethoscope::Forms.schema do
      required(:with).filled(:string, format?: /\A(side|\d{1,9})\z/)
    end

    ClaimedTargets = Ethoscope::Forms.schema do
      required(:claims).value(:array, min_size?: 1, max_size?: 200).each(:string, max_size?: 200)
      optional(:against).filled(:string, format?: /\A(generated|others|\d{1,9})\z/)
      optional(:checklist_id).maybe(:integer)
    end

    NewChecklist = Ethoscope::Forms.schema do
      required(:from).filled(:string, included_in?: %w[profile reference])
      optional(:reference_id).maybe(:integer)
      optional(:school).filled(:string, included_in?: Store::Fields::SCHOOLS)
    end

    ChecklistChange = Ethoscope::Forms.schema do
      optional(:title).filled(:string, max_size?: 120)
      optional(:school).filled(:string, included_in?: Store::Fields::SCHOOLS)
    end

    SessionQuestion = Ethoscope::Forms.schema do
      required(:minutes).filled(:integer, included_in?: 5..600)
    end

    NewItem = Ethoscope::Forms.schema(parent: Store::Fields::Item) do
      required(:stage).filled(:string, included_in?: Store::Fields::STAGES)
      required(:title).filled(:string, max_size?: 200)
    end

    ItemChange = Ethoscope::Forms.schema(parent: [Store::Fields::Item, Store::Fields::Work])

    NewPin = Ethoscope::Forms.schema do
      required(:calculator).filled(:string, max_size?: 40)
      required(:written).value(:hash)
    end

    ItemPlace = Ethoscope::Forms.schema do
      required(:to).filled(:integer, included_in?: 0..2000)
    end

    ItemSplit = Ethoscope::Forms.schema do
      required(:at).filled(:integer, included_in?: 2..60)
    end

    Clock = Ethoscope::Forms.schema do
      required(:action).filled(:string, included_in?: %w[start stop])
    end
  end
end
