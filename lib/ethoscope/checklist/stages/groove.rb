# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # What keeps time: each piece of the kit with its pattern, the same one once with all its places, and the bars that depart from them.
      class Groove < Stage
        NAME = "Groove"
        CLAIMS = %w[layers.bars groove.steps groove.departures groove.hat_rate groove.feel].freeze
        ROLES = %w[kick snare hats percussion].freeze
        # Bars that may be missing or too many: one of so many.
        SLACK = 10
        # A time box for one pattern, and for each further bar of it.
        MINUTES = 8
        MINUTES_A_BAR = 3
        # Bars of a pattern that are its target, word for word.
        SHORT = 2
        # Bars that depart from a pattern, as many as are listed.
        ODD_BARS = 24

        private

        def claimed = [*of("layers.bars").select { |bars| struck?(bars.place) }.flat_map { |bars| layer(bars) }, departures].compact

        def struck?(place) = ROLES.include?(place.role)

        def layer(bars)
          found = brief.profile ? [] : patterns(bars.place)
          found.empty? ? [where(bars)] : found.each_with_index.map { |targets, i| pattern(bars, targets, i.zero?) }
        end

        # Sections in which a piece is struck alike stand together; where it rests, nothing is to be done.
        def patterns(place)
          own = of("groove.steps").select { |target| belongs?(target.place, place) && target.value[:hits].any?(&:positive?) }
          own.group_by { |target| [target.place.layer, target.value.slice(:steps, :bars, :hits)] }.values
        end

        # The pieces of one kit go with the first layer of their role.
        def belongs?(piece, place)
          layers = of("layers.bars").map(&:place)
          return piece.same_layer?(place) if layers.any? { |layer| layer.same_layer?(piece) }

          layers.find { |layer| layer.role == piece.role } == place
        end

        def pattern(bars, targets, first)
          value = targets.first.value
          places = targets.map(&:place)
          strokes = brief.wording.strokes(value)
          item("#{name(bars, value)} #{Wording.where(places, brief.bars)}", first ? [*targets, bars] : targets, target: short(strokes),
            tolerance: targets.first.tolerance_words, minutes: MINUTES + (MINUTES_A_BAR * (value[:bars] - 1)), steps: lines(strokes, places),
            about: "layer:#{bars.place.name}")
        end

        # What fits on one line.
        def short(strokes) = strokes.size > SHORT ? "#{strokes.size} bars: #{strokes.first} and so on" : strokes.join("; ")

        def name(bars, value) = (value[:piece] && value[:piece] != bars.place.role ? value[:piece] : bars.place.name).capitalize

        def lines(strokes, places)
          return ["#{Wording.places(places)}: each bar #{strokes.first}."] if strokes.size == 1

          ["#{Wording.places(places)}, the same every #{strokes.size} bars.", *strokes.each_with_index.map { |line, i| "Bar #{i + 1} of #{strokes.size}: #{line}." }]
        end

        def where(bars)
          item("#{bars.place.name.capitalize} where it plays", [bars], target: words(bars), tolerance: "±#{slack(bars)} bars", minutes: 15,
            steps: ["Write two bars.", "Copy them through the sections where it plays."], about: "layer:#{bars.place.name}")
        end

        def departures
          targets = of("groove.departures")
          odd = targets.flat_map { |target| target.value.map { |departure| odd_bar(target.place, departure) } }
          return nil if odd.empty?

          item("Fills and bars that differ", targets, target: "#{odd.size} #{odd.size == 1 ? "bar" : "bars"}", minutes: 5 + odd.size, steps: odd.first(ODD_BARS))
        end

        def odd_bar(place, departure)
          strokes = departure[:strokes].map { |stroke| "#{stroke[:more] ? "one more" : "no"} #{stroke[:piece]} on #{Wording.beat(stroke[:beat])}" }
          "Bar #{place.first_bar + departure[:bar] - 1} (#{departure[:kind]}): #{strokes.join(", ")}."
        end

        def words(bars) = brief.profile ? "about #{bars.value} bars, #{holds(bars)}" : "#{bars.value} of #{brief.bars} bars"

        def slack(bars) = brief.profile ? bars.tolerance.round : [bars.value / SLACK, 1].max
      end
    end
  end
end
