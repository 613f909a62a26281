# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # What keeps time, and where.
      class Groove < Stage
        NAME = "Groove"
        CLAIMS = %w[layers.bars groove.steps groove.hat_rate groove.feel].freeze
        ROLES = %w[kick snare hats].freeze
        # Bars that may be missing or too many: one of so many.
        SLACK = 10

        private

        def claimed
          ROLES.filter_map do |role|
            bars = of("layers.bars").find { |target| target.place.role == role } or next
            item("#{role.capitalize} where it plays", [bars, *steps_of(role)], target: words(bars), tolerance: "±#{slack(bars)} bars", minutes: 15,
              steps: ["Write two bars.", "Copy them through the sections where it plays."], about: "layer:#{bars.place.name}")
          end
        end

        def steps_of(role) = of("groove.steps").select { |target| target.place.role == role }

        def words(bars) = brief.profile ? "about #{bars.value} bars, #{holds(bars)}" : "#{bars.value} of #{brief.bars} bars"

        def slack(bars) = brief.profile ? bars.tolerance.round : [bars.value / SLACK, 1].max
      end
    end
  end
end
