# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # Where everything goes.
      class Arrangement < Stage
        NAME = "Arrangement"
        CLAIMS = %w[form.section form.lengths form.usual_length form.peak layers.plays].freeze

        private

        def claimed = [brief.profile ? usual_length : lengths, *(brief.profile ? [] : sections), peak]

        def lengths
          lengths = one("form.lengths")
          parts = of("form.section")
          return nil if lengths.nil? && parts.empty?

          item("Section lengths", [lengths, *parts].compact, target: parts.map do |section|
            section.place.bars
          end.join(" "), tolerance: brief.exact ? "exact" : "±1 section", minutes: 15,
            steps: parts.map { |section| "#{section.place.label}: #{bars(section.place)}, from #{clock(section.place.first_bar)}" })
        end

        # Who plays in each section, and what is new there or gone.
        def sections
          by_section = of("layers.plays").group_by { |target| target.place.first_bar }.values
          by_section.each_with_index.map { |targets, i| section(targets, i.zero? ? nil : by_section[i - 1], by_section.first(i)) }
        end

        def section(targets, before, earlier)
          place = targets.first.place
          item("Who plays from bar #{place.first_bar}, #{place.label}", targets, target: players(targets), tolerance: "the same", minutes: 8, about: "section:#{place.first_bar}",
            steps: before ? ["From #{clock(place.first_bar)}#{moves(targets, before)}.", *pass(targets, earlier)] : [])
        end

        def players(targets)
          states = %w[full thin].filter_map { |state| names(targets, state).then { |list| "#{state}: #{list.join(", ")}" unless list.empty? } }
          states.empty? ? "nobody for sure" : states.join("; ")
        end

        def names(targets, state) = targets.select { |target| target.value == state }.map { |target| target.place.name }

        def moves(targets, before)
          now, then_ = [targets, before].map { |list| names(list, "full") + names(list, "thin") }
          told = { "enters" => now - then_, "leaves" => then_ - now }.filter_map { |word, list| "#{word}: #{list.join(", ")}" unless list.empty? }
          told.empty? ? ", as before" : ", #{told.join("; ")}"
        end

        # What a later pass has more or less than the first section of its kind.
        def pass(targets, earlier)
          place = targets.first.place
          first = earlier.find { |list| list.first.place.kind == place.kind } or return []
          now, then_ = [targets, first].map { |list| names(list, "full") + names(list, "thin") }
          told = { "plus" => now - then_, "without" => then_ - now }.filter_map { |word, list| "#{word} #{list.join(", ")}" unless list.empty? }
          bars = first.first.place.bars == place.bars ? [] : ["#{place.bars} bars instead of #{first.first.place.bars}"]
          ["As the #{place.kind} from bar #{first.first.place.first_bar}#{", but #{[*bars, *told].join("; ")}" if bars.any? || told.any?}."]
        end

        def clock(bar) = ((bar - 1) * brief.bar_seconds).round.divmod(60).then { |minutes, seconds| format("%<minutes>d:%<seconds>02d", minutes:, seconds:) }

        def usual_length
          length = one("form.usual_length") or return nil
          item("Section length", [length], minutes: 20)
        end

        def peak
          peak = one("form.peak") or return nil
          item("The peak is the #{peak.value[:label]}", [peak], target: brief.profile ? holds(peak) : bars(Measures::Place.of_section(peak.value)),
            tolerance: peak.kind.tolerance_words(peak.tolerance), minutes: 10)
        end

        def bars(place) = Wording.bars(place)
      end
    end
  end
end
