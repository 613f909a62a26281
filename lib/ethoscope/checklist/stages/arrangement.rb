# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # Where everything goes.
      class Arrangement < Stage
        NAME = "Arrangement"
        CLAIMS = %w[form.section form.lengths form.usual_length form.peak layers.plays].freeze

        private

        def claimed = [brief.profile ? usual_length : lengths, peak]

        def lengths
          lengths = one("form.lengths") or return nil
          sections = of("form.section")
          item("Section lengths", [lengths, *sections, *of("layers.plays")], tolerance: brief.exact ? "same" : "±1 section", minutes: 15,
            steps: sections.map { |section| "#{section.place.label}: #{bars(section.place)}" })
        end

        def usual_length
          length = one("form.usual_length") or return nil
          item("Section length", [length], minutes: 20)
        end

        def peak
          peak = one("form.peak") or return nil
          item("The peak is the #{peak.value[:label]}", [peak], target: brief.profile ? holds(peak) : bars(Measures::Place.of_section(peak.value)),
            tolerance: peak.kind.tolerance_words(peak.tolerance), minutes: 10)
        end

        def bars(place) = "bars #{place.first_bar} to #{place.last_bar}"
      end
    end
  end
end
