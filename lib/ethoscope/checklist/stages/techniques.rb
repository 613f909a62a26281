# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # Each technique once, with its places and the library's steps; and what somebody pinned to a place.
      class Techniques < Stage
        NAME = "Techniques"
        CLAIMS = %w[techniques.technique techniques.mark].freeze
        LONGEST_TITLE = 120
        # Places of a technique that are listed.
        PLACES = 4
        # How a technique is taken over that the library does not know.
        OWN_STEPS = ["Listen to just these bars until you can say what happens.", "Do it in the same place of yours.", "Compare at the same loudness."].freeze
        # What is done about each type of mark.
        MARK_STEPS = { "question" => ["Listen to just these bars, alone and slowed down.", "Write the answer into the note of this item."],
                       "oddity" => ["Decide whether it is meant.", "Keep it if the bars are poorer without it."], "idea" => ["Try it in a copy of the session."],
                       "technique" => ["Listen to just these bars until you can say what happens.", "Do it in the same place of yours."],
                       "transition" => ["Listen from four bars before to two after.", "Build it last, when both sides stand."] }.freeze

        private

        def claimed
          of("techniques.technique").group_by { |target| target.value[:kind] }.map { |kind, targets| technique(kind, targets) } + of("techniques.mark").map do |target|
            mark(target)
          end
        end

        def technique(kind, targets)
          entry = brief.entries.call(kind)
          item(entry&.name || targets.first.value[:name], targets, target: places(targets), tolerance: brief.profile ? "at least once" : "±1", minutes: 15,
            steps: steps(entry, targets.first), about: "technique:#{kind}")
        end

        # Of a song those steps that say a figure of its own; the card has all of them.
        def steps(entry, target)
          return OWN_STEPS unless entry

          all = how_to.steps(entry, sighting(target))
          told = brief.profile ? [] : all.grep(/\d/)
          told.empty? ? all : told
        end

        def how_to = @how_to ||= brief.how_to

        def places(targets)
          return holds(targets.first) if brief.profile

          "#{Readings::Words.times(targets.size)}: #{targets.first(PLACES).map { |target| "bar #{target.place.first_bar}" }.join(", ")}"
        end

        def sighting(target) = brief.profile ? {} : { detail: target.value[:detail], first_bar: target.place.first_bar, last_bar: target.place.last_bar }

        def mark(target)
          type, text, title, reading = target.value.values_at(:type, :text, :title, :reading_id)
          bars = target.place.bars == 1 ? "bar #{target.place.first_bar}" : "bars #{target.place.first_bar} to #{target.place.last_bar}"
          item("#{type.capitalize}: #{text}"[0, LONGEST_TITLE], [target], target: title ? "“#{title}”, #{bars}" : bars, tolerance: "by ear", steps: MARK_STEPS.fetch(type),
            about: "mark:#{reading}")
        end
      end
    end
  end
end
