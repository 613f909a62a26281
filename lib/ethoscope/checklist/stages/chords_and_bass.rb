# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # What is played in which section; of several songs, which degrees they use and the loop that they share.
      class ChordsAndBass < Stage
        NAME = "Chords and bass"
        CLAIMS = %w[harmony.chords harmony.voicings harmony.degrees harmony.loop layers.presence].freeze
        STEPS = ["Play the roots first.", "Add the upper notes and listen for the top one."].freeze
        # A vocabulary is no list of everything.
        WORDS = 5

        private

        def claimed = [*(brief.profile ? [vocabulary, loop] : sections), bass]

        # Each kind of part once.
        def sections = of("harmony.chords").uniq { |target| target.place.letter }.map { |target| section(target) }

        def section(target)
          voicings = of("harmony.voicings").select { |voiced| voiced.place == target.place }
          item("Chords of the #{target.place.label}", [target, *voicings], target: target.kind.kind.words(target.value, ""), tolerance: "same order", minutes: 15,
            steps: [*STEPS, *voicings.flat_map { |voiced| voicing_steps(voiced.value) }], fallback: "Keep the bass and the top note; leave inner notes out.",
            about: "section:#{target.place.first_bar}")
        end

        def voicing_steps(voicings) = voicings.map { |voicing| "#{voicing[:symbol]} as voiced: #{voicing[:notes].map { |name| Readings::Words.signs(name) }.join(" ")}." }

        def vocabulary
          degrees = one("harmony.degrees")
          return nil if degrees.nil? || degrees.value.empty?

          item("Vocabulary", [degrees], target: degrees.value.first(WORDS).map { |row| row[:degree] }.join(" "), tolerance: "one more at most", minutes: 15)
        end

        def loop
          found = one("harmony.loop") or return nil
          item("Loop", [found], tolerance: "same order", minutes: 15, steps: ["Write the loop in the new key.", "Change one chord the last time it comes round."])
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
