# frozen_string_literal: true

module Api
  # What requests about attempts may hold, one schema a kind of request.
  module AttemptSchemas
    NewAttempt = Ethoscope::Forms.schema do
      optional(:style).filled(:bool)
      optional(:against_id).filled(:integer)
      optional(:checklist_id).filled(:integer)
    end

    AttemptChange = Ethoscope::Forms.schema(parent: Store::Fields::Attempt) do
      optional(:against_id).maybe(:integer)
      optional(:checklist_id).maybe(:integer)
      optional(:lies).hash(Store::Fields::Lies)
    end

    Overrule = Store::Fields::Overrule
  end
end
