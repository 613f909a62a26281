# frozen_string_literal: true

module Ethoscope
  module Measures
    module Traits
      # What nothing measures and a person says of a song.
      module Told
        # Themes, mood, voice, language: {Profile::Song} brings them.
        WORDS = Trait.new(id: "told.words", aspect: "Words", kind: :set, says: ->(word) { "About “#{word}”" }, reader: ->(_) {})

        TRAITS = [WORDS].freeze
      end
    end
  end
end
