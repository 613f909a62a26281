# frozen_string_literal: true

module Ethoscope
  module Checklist
    # Items that recreate one reference.
    class SongPlan
      # Chords are spelled in this key where none was found.
      UNKEYED = Harmony::Key.named("C", "major")

      LONGEST_TITLE = 120
      # What is done about each type of mark.
      MARK_STEPS = { "question" => ["Listen to just these bars, alone and slowed down.", "Write the answer into the note of this item."],
                     "oddity" => ["Decide whether it is meant.", "Keep it if the bars are poorer without it."], "idea" => ["Try it in a copy of the session."],
                     "technique" => ["Listen to just these bars until you can say what happens.", "Do it in the same place of yours."],
                     "transition" => ["Listen from four bars before to two after.", "Build it last, when both sides stand."] }.freeze

      # How a technique is taken over that the library does not know.
      OWN_STEPS = ["Listen to just these bars until you can say what happens.", "Do it in the same place of yours.", "Compare at the same loudness."].freeze

      # @param song [Profile::Song]
      # @param aim [String] exact, style or study
      # @param target [Hash] bpm and key (a {Harmony::Key}) wanted for the new track, nil where the reference's own are kept
      # @param entries [#call] gives the library's entry of a kind of technique, nil for an unknown one
      def initialize(song, aim:, target: {}, entries: Techniques::Library.method(:entry))
        @song = song
        @data = song.data
        @entries = entries
        @exact = aim == "exact"
        @bpm = target[:bpm] || song.bpm
        @key = target[:key] || song.key
        @shift = @key && song.key ? ((@key.pitch_class - song.key.pitch_class + 5) % 12) - 5 : 0
      end

      # @return [Array<Item>] in the order of the stages
      def items
        [frame, *tempo_and_key, *sounds, *chords_and_bass, *groove, *arrangement, *techniques, *marks, *mix, *check].compact
      end

      private

      def item(stage, title, target, from:, tolerance: "", measure: nil, minutes: 10, steps: [], fallback: "", about: nil)
        Item.new(stage:, title:, target:, tolerance:, measure:, minutes:, steps:, fallback:, from:, about:)
      end

      def frame
        item("Frame", "Aim and length", "#{@data[:bars].size} bars, #{clock(@data[:bars].size * bar_seconds)}", from: "form", minutes: 5,
          steps: ["Set up the session with this many bars.", "Mark the sections by name."])
      end

      def bar_seconds
        @bpm ? 60.0 / @bpm * Rhythm::Meter.named(@song.meter).beats : 2.0
      end

      def clock(seconds) = format("%<minutes>d:%<rest>02d", minutes: seconds / 60, rest: seconds % 60)

      def tempo_and_key
        [tempo, swing, key, tuning]
      end

      def tempo
        return nil unless @bpm

        item("Tempo and key", "Tempo holds to the end", format("%.2f BPM", @bpm), tolerance: @exact ? "±0.05 BPM" : "±1 BPM", from: "tempo",
          measure: { value: @bpm, tolerance: @exact ? 0.05 : 1.0, unit: "BPM" }, minutes: 5,
          steps: tempo_steps)
      end

      def tempo_steps
        return ["Set the session tempo; there are no changes to follow."] if @data[:tempo][:constant]

        ["Import the tempo map from the MIDI file.", "Or keep one tempo and let the feel go."]
      end

      def swing
        ratio = @data[:groove][:swing_ratio]
        return nil unless ratio > 0.5

        item("Tempo and key", "Swing of the #{@data[:groove][:swing_unit]}s", "#{(ratio * 100).round} %", tolerance: "±2 %", from: "meter",
          measure: { value: (ratio * 100).round(1), tolerance: 2.0, unit: "%" })
      end

      def key
        return nil unless @key

        steps = if @shift.zero?
                  []
                else
                  ["Everything from the reference moves #{format("%+d", @shift)} semitones.",
                   "Set pitch tools to the new key."]
                end
        item("Tempo and key", "Key heard from the bounce", Readings::Words.signs(@key.to_s), tolerance: "same", from: "key",
          minutes: 5, steps:)
      end

      def tuning
        cents = @data[:tuning][:cents]
        return nil if cents.abs < 5 || !@exact

        item("Tempo and key", "Whole mix tuned #{cents.negative? ? "flat" : "sharp"}", "#{Readings::Words.signed(cents, 0)} cents", tolerance: "±4 cents",
          measure: { value: cents, tolerance: 4.0, unit: "cents" }, from: "tuning", minutes: 5)
      end

      def sounds = SoundItems.new(@data).list.map { |fields| item("Sounds", fields[:title], fields[:target], from: "layers", **fields.except(:title, :target)) }

      def chords_and_bass
        section_chords + [bass]
      end

      def section_chords
        first_of_letter.filter_map do |section|
          chords = chords_in(section).first(8)
          next if chords.empty?

          item("Chords and bass", "Chords of the #{section[:label]}", chords.map { |chord| transposed(chord) }.join(" "), tolerance: "same order", from: "loop", minutes: 15,
            about: "section:#{section[:first_bar]}", steps: ["Play the roots first.", "Add the upper notes and listen for the top one.", *voicings(chords)],
            fallback: "Keep the bass and the top note; leave inner notes out.")
        end
      end

      def first_of_letter = @data[:sections].uniq { |section| section[:letter] }

      def chords_in(section)
        Form::SectionChords.of(@data, section).select { |chord| chord[:degree] }.chunk_while { |a, b| a[:symbol] == b[:symbol] }.map(&:first)
      end

      # With every tone and the bass that was written.
      def transposed(chord) = Harmony::ChordSymbol.parse(chord[:symbol]).transpose(@shift, new_key).to_s

      # The notes that a person, or a MIDI file, says of a chord.
      def voicings(chords)
        chords.uniq { |chord| chord[:symbol] }.filter_map do |chord|
          names = [chord[:voicing], chord[:written]].find { |list| list && !list.empty? } or next
          "#{transposed(chord)} as voiced: #{names.map { |name| moved(name) }.join(" ")}."
        end
      end

      def moved(name) = Readings::Words.signs(Harmony::NoteName.of(Harmony::NoteName.parse(name) + @shift, new_key))

      def new_key = @key || UNKEYED

      def bass
        layer = @data[:layers].find { |candidate| candidate[:role] == "bass" }
        return nil unless layer&.fetch(:spans)&.any?

        share = (100.0 * layer[:activity].count { |value| value >= 0.5 } / layer[:activity].size).round
        item("Chords and bass", "Bass sounds in most bars", "#{share} % of bars", tolerance: "±10 %", measure: { value: share, tolerance: 10, unit: "%" },
          from: "layers", about: "layer:bass", minutes: 15, steps: ["Start on the root of each chord.", "Leave the bars empty where it rests."])
      end

      def groove
        %w[kick snare hats].filter_map do |role|
          layer = @data[:layers].find { |candidate| candidate[:role] == role }
          next unless layer&.fetch(:spans)&.any?

          count = layer[:activity].count { |value| value >= 0.5 }
          item("Groove", "#{role.capitalize} where it plays", "#{count} of #{@data[:bars].size} bars", tolerance: "±#{[count / 10, 1].max} bars",
            measure: { value: count, tolerance: [count / 10, 1].max, unit: "bars" }, from: "layers", about: "layer:#{layer[:name]}", minutes: 15,
            steps: ["Write two bars.", "Copy them through the sections where it plays."])
        end
      end

      def arrangement
        lengths = @data[:sections].map { |section| section[:bars] }
        [item("Arrangement", "Section lengths", lengths.join(" "), tolerance: @exact ? "same" : "±1 section", from: "form", minutes: 15,
          steps: @data[:sections].map do |section|
            "#{section[:label]}: bars #{section[:first_bar]} to #{section[:first_bar] + section[:bars] - 1}"
          end),
         loudest]
      end

      def loudest
        # To a tenth of a decibel, so that of two passes that are as loud the first one counts.
        section = @data[:sections].max_by { |candidate| mean_energy(candidate).round(1) }
        item("Arrangement", "The peak is the #{section[:label]}", "bars #{section[:first_bar]} to #{section[:first_bar] + section[:bars] - 1}", tolerance: "±4 bars",
          from: "form", minutes: 10)
      end

      def mean_energy(section) = @data[:bars][section[:first_bar] - 1, section[:bars]].sum { |bar| bar[:energy] } / section[:bars]

      def techniques
        @data[:techniques].group_by { |sighting| sighting[:kind] }.map do |kind, sightings|
          entry = @entries.call(kind)
          places = sightings.map { |sighting| "bar #{sighting[:first_bar]}" }.first(4).join(", ")
          item("Techniques", entry&.name || sightings.first[:name], "#{Readings::Words.times(sightings.size)}: #{places}", tolerance: "±1", from: "techniques",
            about: "technique:#{kind}", measure: { value: sightings.size, tolerance: 1, unit: "times" }, minutes: 15,
            steps: entry ? how_to.steps(entry, sightings.first) : OWN_STEPS)
        end
      end

      # What somebody pinned to a place, as things to do there.
      def marks
        @data.fetch(:marks, []).map do |mark|
          bars = mark[:first_bar] == mark[:last_bar] ? "bar #{mark[:first_bar]}" : "bars #{mark[:first_bar]} to #{mark[:last_bar]}"
          item("Techniques", "#{mark[:type].capitalize}: #{mark[:text]}"[0, LONGEST_TITLE], bars, tolerance: "by ear", from: "marks", about: "mark:#{mark[:reading_id]}",
            steps: MARK_STEPS.fetch(mark[:type]))
        end
      end

      def how_to = @how_to ||= Techniques::HowTo.new(bpm: @bpm, key: @key, meter: Rhythm::Meter.named(@song.meter), shift: @shift)

      def mix
        level = @data[:loudness][:integrated]
        width = @data[:bars].sum { |bar| bar[:width] } / @data[:bars].size * 100
        [level && item("Mix", "Loudness", "#{Readings::Words.signed(level)} LUFS", tolerance: "±1.0 LU", measure: { value: level, tolerance: 1.0, unit: "LUFS" },
          from: "loudness", minutes: 15, steps: ["Remember that the reference was mastered.", "Compare level-matched first."]),
         item("Mix", "Stereo width", "#{width.round} % side energy", tolerance: "±5 %",
           measure: { value: width.round, tolerance: 5, unit: "%" }, from: "loudness", minutes: 10)]
      end

      def check
        [item("Check", "Level-matched listening in three places", "3 of 3", from: "loudness", minutes: 15,
          steps: ["Turn the reference down to the new track.", "Listen on headphones, small speakers and in mono."])]
      end
    end
  end
end
