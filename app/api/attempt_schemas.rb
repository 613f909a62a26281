# frozen_string_literal: true

module Api
  # What requests about attempts may hold, one schema a kind of request.
  module AttemptSchemas
    NewAttempt = Ethoscope::Forms.schema do
      optional(:style).filled(:bool)
      optional(:against_id).filled(:integer)
      optional(:checklist_id).filled(:integer)
    end

    AttemptChange = Ethoscope::Forms.schema do
      optional(:note).value(:string, max_size?: 1000)
      optional(:against_id).maybe(:integer)
      optional(:checklist_id).maybe(:integer)
      optional(:lies).hash do
        optional(:starts).value(:array, size?: 2).each(:integer, included_in?: 1..4000)
        optional(:semitones).filled(:integer, included_in?: -11..11)
      end
    end

    Overrule = Ethoscope::Forms.schema do
      required(:closeness).filled(:string, included_in?: Ethoscope::Measures::Closeness::ALL)
      required(:why).filled(:string, max_size?: 300)
    end
  end
end
