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

        def words(bars)
          return "about #{bars} bars" if brief.profile

          "#{"bars #{brief.from} to #{brief.from + bars - 1} of the song: " if brief.from > 1}#{bars} bars, #{clock(bars * brief.bar_seconds)}"
        end

        def clock(seconds) = format("%<minutes>d:%<rest>02d", minutes: seconds / 60, rest: seconds % 60)
      end
    end
  end
end
