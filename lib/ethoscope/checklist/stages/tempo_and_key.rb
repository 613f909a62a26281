# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # What the session is set to before a note is played.
      class TempoAndKey < Stage
        NAME = "Tempo and key"
        CLAIMS = %w[time.tempo time.course time.meter time.rivals groove.swing groove.timing harmony.key harmony.rivals harmony.mode harmony.tuning].freeze
        # What is less sure than this is said with how sure it is.
        SURE = 0.9
        # A mix this near to A 440 is left in tune.
        IN_TUNE_CENTS = 5
        # Milliseconds from which on a shift or a scatter is felt; tempos of bars that are one; stretches that are listed.
        AUDIBLE_MS = 6
        SAME_BPM = 0.3
        MOST_STRETCHES = 12
        # What is tapped in each meter.
        COUNTED = { "2/4" => "two quarters to the bar", "4/4" => "four quarters to the bar", "3/4" => "three quarters to the bar", "5/4" => "five quarters to the bar",
                    "7/8" => "seven eighths to the bar", "6/8" => "two dotted quarters to the bar", "12/8" => "four dotted quarters to the bar" }.freeze

        private

        def claimed = [tempo, swing, *(brief.profile ? [] : [timing]), key, tuning]

        def tempo
          tempo = one("time.tempo") or return nil
          course = brief.profile ? nil : one("time.course")
          meter = one("time.meter")
          rivals = brief.profile ? nil : one("time.rivals")
          steps = brief.profile ? [] : tempo_steps(tempo, meter, course) + doubt(tempo, rivals)
          item(tempo_title(course), [tempo, course, meter, rivals].compact, minutes: 5, steps:)
        end

        def counted(meter) = meter ? " in #{meter.value}, #{COUNTED.fetch(meter.value, "beat by beat")}" : ""

        def tempo_title(course)
          return "Tempo" if brief.profile

          moving?(course) ? "Tempo follows its map" : "Tempo holds to the end"
        end

        def moving?(course) = course && course.value.size > 1

        def tempo_steps(tempo, meter, course)
          return ["Set #{tempo.words}#{counted(meter)}; nothing changes to the end."] unless moving?(course)

          low, high = course.value.minmax
          ["#{stretches(course.value).join("; ")}.",
           "Import the tempo map from the MIDI file: #{course.value.size} bars between #{low.round(1)} and #{high.round(1)} BPM#{counted(meter)}.",
           "Or keep #{tempo.words} and let the feel go."]
        end

        # Bars of one tempo together, as many as one would set by hand.
        def stretches(bpms)
          bar = 1
          runs = bpms.chunk_while { |one, other| (one - other).abs < SAME_BPM }.map { |run| [bar, run].tap { bar += run.size } }
          told = runs.first(MOST_STRETCHES).map do |first, run|
            "#{run.size == 1 ? "bar #{first}" : "bars #{first} to #{first + run.size - 1}"} at #{format("%.2f", run.sum / run.size)} BPM"
          end
          runs.size > MOST_STRETCHES ? [*told, "and so on"] : told
        end

        # How sure it is, and what else it could be.
        def doubt(target, rivals)
          others = rivals&.value&.any?
          return [] unless others || (target.confidence && target.confidence < SURE)

          sure = "Sure by #{((target.confidence || 1) * 100).round} %"
          [others ? "#{sure}; it could be #{rivals.words} as well: settle that by ear first." : "#{sure}."]
        end

        # How far ahead of the grid or behind it each register is struck, where that can be heard.
        def timing
          timing = one("groove.timing") or return nil
          return nil unless timing.value.any? { |register| register[:late_ms].abs >= AUDIBLE_MS || register[:spread_ms] >= AUDIBLE_MS }

          item("Feel: off the grid", [timing], tolerance: "±#{Measures::Families::Groove::TOGETHER_MS / 2} ms", target: timing.value.map do |register|
            late(register)
          end.join(", "), minutes: 10,
            steps: timing.value.map { |register| "#{register[:register].capitalize} register: #{late(register)}, scattered by ±#{register[:spread_ms].round} ms." })
        end

        def late(register)
          ms = register[:late_ms].round
          if ms.zero?
            "#{register[:register]} on the grid"
          else
            "#{register[:register]} #{ms.abs} ms #{ms.positive? ? "late" : "early"}"
          end
        end

        def swing
          swing = one("groove.swing")
          return nil unless swing && swing.value[:ratio] > Measures::Families::Groove::STRAIGHT

          item("Swing of the #{swing.value[:unit]}s", [swing])
        end

        def key
          key = one("harmony.key")
          return mode unless key

          rivals = brief.profile ? nil : one("harmony.rivals")
          item(brief.profile ? "Key" : "Key heard from the bounce", [key, rivals].compact, tolerance: brief.profile ? "same mode" : "exact", minutes: 5,
            steps: key_steps + (brief.profile ? [] : doubt(key, rivals)))
        end

        def key_steps
          return [] if brief.shift.zero?

          ["Everything from the reference moves #{format("%+d", brief.shift)} semitones.", "Set pitch tools to the new key."]
        end

        # Of several songs in several keys only the mode is wanted.
        def mode
          mode = one("harmony.mode") or return nil
          item("Key", [mode], target: "any #{mode.value} key", tolerance: "same mode", minutes: 5)
        end

        def tuning
          tuning = one("harmony.tuning")
          return nil unless tuning && brief.exact && tuning.value.abs >= IN_TUNE_CENTS

          item("Whole mix tuned #{tuning.value.negative? ? "flat" : "sharp"}", [tuning], minutes: 5)
        end
      end
    end
  end
end
