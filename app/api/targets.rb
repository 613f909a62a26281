# frozen_string_literal: true

module Api
  # What routes share that work towards the new track of a study.
  module Targets
    # @param study [Hash]
    # @return [Ethoscope::Harmony::Key, nil] the key wanted for the new track
    def target_key(study)
      study[:target_tonic] && study[:target_mode] && Ethoscope::Harmony::Key.named(study[:target_tonic], study[:target_mode])
    end
  end
end
