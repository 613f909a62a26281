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
      optional(:school).filled(:string, included_in?: Ethoscope::Checklist::Schools::ALL.map(&:id))
    end

    ChecklistChange = Ethoscope::Forms.schema do
      optional(:title).filled(:string, max_size?: 120)
      optional(:school).filled(:string, included_in?: Ethoscope::Checklist::Schools::ALL.map(&:id))
    end

    SessionQuestion = Ethoscope::Forms.schema do
      required(:minutes).filled(:integer, included_in?: 5..600)
    end

    ItemWords = Ethoscope::Forms.schema do
      optional(:title).filled(:string, max_size?: 200)
      optional(:target).filled(:string, max_size?: 500)
      optional(:tolerance).value(:string, max_size?: 100)
      optional(:minutes).filled(:integer, included_in?: 1..600)
      optional(:steps).value(:array, max_size?: 60).each(:string, max_size?: 500)
    end

    NewItem = Ethoscope::Forms.schema(parent: ItemWords) do
      required(:stage).filled(:string, included_in?: Ethoscope::Checklist::Plan::STAGES.map { |stage| stage::NAME })
      required(:title).filled(:string, max_size?: 200)
    end

    ItemChange = Ethoscope::Forms.schema(parent: ItemWords) do
      optional(:state).filled(:string, included_in?: Ethoscope::Checklist::Item::STATES)
      optional(:result).maybe(:string, included_in?: Ethoscope::Checklist::Item::RESULTS)
      optional(:why).value(:string, max_size?: 300)
      optional(:note).value(:string, max_size?: 1000)
      optional(:who).value(:string, max_size?: 60)
      optional(:links).value(:array, max_size?: 8).each(:string, max_size?: 500, format?: %r{\Ahttps?://\S+\z})
      optional(:extra).filled(:integer, included_in?: 0..600)
    end

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
