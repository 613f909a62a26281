# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # A sound for each layer that has one: what its card says, where somebody filled one, and else what was measured.
      class Sounds < Stage
        NAME = "Sounds"
        CLAIMS = %w[layers.card layers.sound].freeze
        # Of a layer of which nothing more is known.
        PLAIN = "Name the family of the %s by ear; match its attack, then its length."
        A4 = [69, 440.0].freeze
        FALLBACK = "Another source of the same family, or two simpler sounds layered."
        HAVE = { "have" => "You have it.", "need" => "It is still needed.", "substitute" => "A substitute stands in for it." }.freeze
        # How each filled line of a card reads as a step.
        LINES = { register: "Register: %s.", articulation: "Played: %s.", pattern: "Pattern: %s.", variations: "Varies: %s.", pan: "Place: %s.", width: "Width: %s.",
                  sends: "Sends: %s.", automation: "Moves: %s.",
                  made_from: "Made from: %s. Where that is a recording, using it touches other people's rights: ask before a release." }.freeze

        private

        def claimed = of("layers.card").map { |target| sound(target) } + struck

        def sound(target)
          name, card = target.value.values_at(:name, :card)
          shown = brief.profile ? nil : of("layers.sound").find { |one| one.place.same_layer?(target.place) }
          said = [card[:sound], where(target)].reject { |text| text.to_s.empty? }.join("; ")
          item("A sound for the #{brief.profile ? target.place.role : name}", [target, shown].compact, tolerance: "by ear", minutes: 25, fallback: fallback(card),
            about: "layer:#{name}", target: said, steps: [*steps(target.value), *(shown ? StemWords.steps(shown.value) : [])])
        end

        # Pieces of the kit have no card of their own; what their stems show is told.
        def struck
          return [] if brief.profile

          carded = of("layers.card").map(&:place)
          of("layers.sound").reject { |shown| carded.any? { |place| place.same_layer?(shown.place) } }.map do |shown|
            item("A sound for the #{shown.place.name}", [shown], tolerance: "by ear", minutes: 15, fallback: FALLBACK, about: "layer:#{shown.place.name}",
              steps: StemWords.steps(shown.value))
          end
        end

        def where(target)
          return holds(target) if brief.profile

          target.value[:bars].positive? && brief.from == 1 ? "plays in #{target.value[:bars]} of #{target.value[:of]} bars" : "where you hear it"
        end

        def steps(value)
          card = value[:card]
          lines = LINES.filter_map { |name, line| format(line, card[name]) unless card[name].to_s.empty? }
          told = [*HAVE[card[:have]], *candidates(card), *register(value), *lines, *stack(card), *chain(card)]
          told.empty? ? [format(PLAIN, value[:name] || value[:role])] : told
        end

        # Below its lowest note nothing of it is missed. What a person wrote of it stands alone.
        def register(value)
          low, high = value.values_at(:low, :high)
          return [] unless low && value[:card][:register].to_s.empty?

          ["#{value[:name].capitalize}: #{brief.wording.note(low)} to #{brief.wording.note(high)}; cut below #{hertz(low).round} Hz, its lowest note."]
        end

        def hertz(pitch) = A4.last * (2**((pitch - A4.first) / 12.0))

        def candidates(card)
          surest_first = card.fetch(:candidates, []).sort_by { |candidate| -(candidate[:sure] || 0) }
          surest_first.map { |candidate| "Try #{candidate[:text]}#{" (#{candidate[:cost]})" unless candidate[:cost].to_s.empty?}." }
        end

        def stack(card) = card.fetch(:stack, []).map { |part| "#{part[:text]} for #{part[:gives]}." }

        def chain(card)
          card.fetch(:chain, []).each_with_index.map do |step, i|
            "#{i + 1}. #{[step[:type], step[:setting], step[:amount]].reject { |text| text.to_s.empty? }.join(", ")}#{" (#{step[:why]})" unless step[:why].to_s.empty?}"
          end
        end

        def fallback(card) = card[:have] == "substitute" && !card[:lost].to_s.empty? ? "A substitute is in use; what is lost: #{card[:lost]}." : FALLBACK
      end
    end
  end
end
