# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # What is played in which section; of several songs, which degrees they use and the loop that they share.
      class ChordsAndBass < Stage
        NAME = "Chords and bass"
        CLAIMS = %w[harmony.chords harmony.voicings harmony.degrees harmony.loop layers.presence lines.notes lines.register].freeze
        SURE = 0.75
        FALLBACK = "Keep the bass and the top note; leave inner notes out."
        # What a line gives way to when it can't be placed.
        FALLBACKS = { "bass" => "Play the roots in that octave.", "lead" => "Play its first note of each bar in that octave, and its rhythm.",
                      "counter-melody" => "Leave it out where the lead moves." }.freeze
        OTHER_FALLBACK = "Play the chord's top note in that octave, in its rhythm."
        # Time boxes: for a page of notes, and for each chord that is another.
        MINUTES = 8
        MINUTES_A_CHORD = 2
        # Sections are played alike when no more than this share of their notes differs; so many bars that differ are listed.
        ALIKE = 0.34
        LATER = 12
        # A vocabulary is no list of everything.
        WORDS = 5

        private

        def claimed = [*(brief.profile ? [vocabulary, loop] : sections), *(lines.empty? ? [bass] : lines), register].compact

        # Sections with the same chords, beat for beat, stand together.
        def sections = of("harmony.chords").group_by { |target| target.value.map { |chord| chord.slice(:bar, :beat, :beats, :symbol) } }.values.map { |targets| section(targets) }

        def section(targets)
          first = targets.first
          chords = first.value
          voicings = of("harmony.voicings").select { |voiced| targets.any? { |target| voiced.place == target.place } }.uniq(&:value)
          heading = brief.wording.heading(brief.wording.chords_of(chords, first.place.bars), targets.map(&:place))
          written = [heading, *brief.wording.chords(chords, first.place), *degrees(chords)]
          sure = targets.select { |target| sure?(target) }
          return doubtful(targets, written) if sure.empty?

          item("Chords #{Wording.where(targets.map(&:place), brief.bars)}", [*sure, *voicings], target: symbols(chords), tolerance: "same order", minutes: minutes(chords),
            steps: written + voicings.flat_map { |voiced| voicing_steps(voiced.value) }, fallback: FALLBACK, about: "section:#{first.place.first_bar}")
        end

        # Of chords that a mix is this sure of at the least three quarters are right (docs/accuracy.md).
        def sure?(target) = target.source != "mix" || target.confidence >= SURE

        # Something to begin from, and nothing to be held against.
        def doubtful(targets, written)
          sure = (targets.map(&:confidence).max * 100).round
          place = targets.first.place
          item("Chords #{Wording.where(targets.map(&:place), brief.bars)}, to be settled by ear", [], tolerance: "by ear", minutes: minutes(targets.first.value), from: "loop",
            target: "heard as #{symbols(targets.first.value)}, sure by #{sure} %", about: "section:#{place.first_bar}", fallback: FALLBACK,
            steps: ["Play what was heard beside #{Wording.bars(place)}, slowed down; correct on the sheet what does not fit.", *written])
        end

        def symbols(chords)
          found = Returning.of(chords.map { |chord| chord[:symbol] })
          return chords.map { |chord| chord[:symbol] }.join(" ") unless found.apart.empty?

          "#{chords.first(found.bars).map { |chord| chord[:symbol] }.join(" ")}#{" and so on" if found.bars < chords.size}"
        end

        def degrees(chords)
          return [] unless brief.key

          named = chords.map { |chord| chord[:symbol] }.uniq.map { |symbol| [symbol, Harmony::ChordSymbol.parse(symbol)] }
          ["Degrees: #{named.map { |symbol, chord| "#{symbol} #{chord.degree(brief.key)}" }.join(", ")}."]
        end

        # Two chords are found sooner than twelve.
        def minutes(chords) = MINUTES + (MINUTES_A_CHORD * chords.uniq { |chord| chord[:symbol] }.size)

        # Each layer of notes, sections with the same notes together.
        def lines
          @lines ||= of("lines.notes").group_by { |target| [target.place.role, target.place.name] }.flat_map do |(role, name), targets|
            alike(targets).each_with_index.map { |group, i| line(role, name, group, i.zero?) }
          end
        end

        # Sections of one length that are played nearly alike.
        def alike(targets)
          targets.each_with_object([]) do |target, groups|
            same = groups.find { |group| group.first.place.bars == target.place.bars && target.kind.distance(group.first.value, target.value) <= ALIKE }
            same ? same << target : groups << [target]
          end
        end

        # Bars of later sections that are not as in the first one.
        def later(targets)
          first = brief.wording.places_of(targets.first.value, targets.first.place.bars)
          targets.drop(1).flat_map do |target|
            here = brief.wording.places_of(target.value, target.place.bars)
            lines = brief.wording.bars_of(target.value, target.place.bars)
            lines.each_index.reject { |i| here[i] == first[i] }.map { |i| "bar #{target.place.first_bar + i} of the song instead: #{lines[i]}" }
          end
        end

        def line(role, name, targets, first)
          bars = targets.first.place.bars
          pitches = targets.first.value.map { |note| note[:pitch] }
          presence = first ? of("layers.presence").select { |one| one.place.role == role && one.place.name == name } : []
          item("#{name.capitalize} #{Wording.where(targets.map(&:place), brief.bars)}", [*targets, *presence], tolerance: targets.first.tolerance_words,
            target: "#{targets.first.words}, #{pitches.minmax.uniq.map { |pitch| brief.wording.note(pitch) }.join(" to ")}", minutes: MINUTES + bars,
            steps: written(targets, bars),
            fallback: FALLBACKS.fetch(role, OTHER_FALLBACK), about: "layer:#{name}")
        end

        def written(targets, bars)
          notes = targets.first.value
          heading = brief.wording.heading(brief.wording.places_of(notes, bars), targets.map(&:place))
          [heading, *brief.wording.notes(notes, targets.first.place), *later(targets).first(LATER)]
        end

        def register
          targets = of("lines.register")
          return nil if targets.empty? || brief.profile

          steps = targets.map { |target| "#{target.place.label}, #{Wording.bars(target.place)}: #{register_words(target.value)}." }
          item("Register of the lead", targets, tolerance: targets.first.tolerance_words, minutes: 5, about: "layer:lead", target: register_words(targets.first.value), steps:)
        end

        def register_words(value) = "#{brief.wording.note(value[:low])} to #{brief.wording.note(value[:high])}, mostly #{brief.wording.note(value[:middle])}"

        def voicing_steps(voicings) = voicings.map { |voicing| "#{voicing[:symbol]} as voiced: #{voicing[:notes].map { |name| Readings::Words.signs(name) }.join(" ")}." }

        def vocabulary
          degrees = one("harmony.degrees")
          return nil if degrees.nil? || degrees.value.empty?

          item("Vocabulary", [degrees], target: degrees.value.first(WORDS).map { |row| row[:degree] }.join(" "), tolerance: "one more at most", minutes: 15)
        end

        def loop
          found = one("harmony.loop") or return nil
          written = if brief.key
                      "In #{Readings::Words.signs(brief.key.to_s)}: #{found.value[:degrees].map do |degree|
                        Harmony::Degree.symbol(degree, brief.key)
                      end.join(" ")}."
                    else
                      "Write the loop in the new key."
                    end
          item("Loop", [found], tolerance: "same order", minutes: 15, steps: [written, "Change one chord the last time it comes round."])
        end

        def bass
          target = of("layers.presence").find { |presence| presence.place.role == "bass" } or return nil
          item("Bass sounds in #{target.value >= 50 ? "most" : "some"} bars", [target], target: "#{target.value} % of bars", minutes: 15,
            steps: ["Start on the root of each chord.", "Leave the bars empty where it rests."], about: "layer:bass")
        end
      end
    end
  end
end
