# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # What the session is set to before a note is played.
      class TempoAndKey < Stage
        NAME = "Tempo and key"
        CLAIMS = %w[time.tempo time.course time.meter groove.swing harmony.key harmony.mode harmony.tuning].freeze
        # A mix this near to A 440 is left in tune.
        IN_TUNE_CENTS = 5
        # What is tapped in each meter.
        COUNTED = { "2/4" => "two quarters to the bar", "4/4" => "four quarters to the bar", "3/4" => "three quarters to the bar", "5/4" => "five quarters to the bar",
                    "7/8" => "seven eighths to the bar", "6/8" => "two dotted quarters to the bar", "12/8" => "four dotted quarters to the bar" }.freeze

        private

        def claimed = [tempo, swing, key, tuning]

        def tempo
          tempo = one("time.tempo") or return nil
          course = brief.profile ? nil : one("time.course")
          meter = one("time.meter")
          item(tempo_title(course), [tempo, course, meter].compact, minutes: 5, steps: brief.profile ? [] : tempo_steps(tempo, meter, course))
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
          ["Import the tempo map from the MIDI file: #{course.value.size} bars between #{low.round(1)} and #{high.round(1)} BPM#{counted(meter)}.",
           "Or keep #{tempo.words} and let the feel go."]
        end

        def swing
          swing = one("groove.swing")
          return nil unless swing && swing.value[:ratio] > Measures::Families::Groove::STRAIGHT

          item("Swing of the #{swing.value[:unit]}s", [swing])
        end

        def key
          key = one("harmony.key")
          return mode unless key

          item(brief.profile ? "Key" : "Key heard from the bounce", [key], tolerance: brief.profile ? "same mode" : "same", minutes: 5, steps: key_steps)
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
