# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # How long it will be.
      class Frame < Stage
        NAME = "Frame"
        CLAIMS = %w[time.length time.duration].freeze

        private

        def claimed
          length = one("time.length") or return []
          [item("Aim and length", [length, (one("time.duration") unless brief.profile)].compact, target: words(length.value), minutes: 5, steps: steps(length.value))]
        end

        def steps(bars)
          tempo = brief.bpm ? " at #{format("%.2f", brief.bpm)} BPM" : ""
          ["Set up #{bars} bars of #{brief.meter}#{tempo}, a bar lasting #{format("%.2f", brief.bar_seconds)} s."]
        end

        def words(bars) = brief.profile ? "about #{bars} bars" : "#{bars} bars, #{clock(bars * brief.bar_seconds)}"

        def clock(seconds) = format("%<minutes>d:%<rest>02d", minutes: seconds / 60, rest: seconds % 60)
      end
    end
  end
end
