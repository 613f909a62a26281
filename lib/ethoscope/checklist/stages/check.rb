# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # What only the ear can tell.
      class Check < Stage
        NAME = "Check"
        CLAIMS = [].freeze

        private

        def claimed = brief.profile ? against_each : in_three_places

        def against_each = [item("Level-matched listening against each reference", [], target: "#{brief.songs} of #{brief.songs}", tolerance: "", minutes: 20)]

        def in_three_places
          [item("Level-matched listening in three places", [], target: "3 of 3", tolerance: "", from: "loudness", minutes: 15,
            steps: ["All #{brief.bars} bars beside the reference at one loudness: on headphones, on small speakers, in mono."])]
        end
      end
    end
  end
end
