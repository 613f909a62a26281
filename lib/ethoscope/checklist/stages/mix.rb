# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # Loudness and width.
      class Mix < Stage
        NAME = "Mix"
        CLAIMS = %w[mix.loudness mix.width].freeze

        private

        def claimed = [loudness, width]

        def loudness
          level = one("mix.loudness") or return nil
          item("Loudness", [level], tolerance: "±#{level.tolerance} LU", minutes: 15,
            steps: ["The reference stands at #{level.words}, mastered: turn it down to yours before you compare."])
        end

        def width
          width = one("mix.width") or return nil
          item("Stereo width", [width], tolerance: "±#{Measures::Kinds.plain(width.tolerance)} %")
        end
      end
    end
  end
end
