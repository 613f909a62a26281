# frozen_string_literal: true

module Ethoscope
  module Techniques
    # What each technique is called, what it is and how to do it.
    Entry = Value.of(:kind, :name, :summary, :steps)

    # The techniques that Ethoscope looks for, one detector a file.
    module Library
      ENTRIES = [
        Entry.new(kind: "drum_drop", name: "Drums drop out before a section",
          summary: "Kick, snare and hats stop just before the next section, which then lands harder.",
          steps: ["Find the last bar before the section.", "Cut the drums from the named beat to the bar line.",
                  "Leave one held sound or an echo tail in the gap."]),
        Entry.new(kind: "filtered_section", name: "A dull section opens up",
          summary: "The section is low-passed; the next one has its full brightness.",
          steps: ["Put a low-pass on the whole group.", "Hold it closed through the section.",
                  "Open it within the last bar, or at once on the one."]),
        Entry.new(kind: "width_contrast", name: "A narrow section opens wide",
          summary: "The section is close to mono; the next one spreads to the sides.",
          steps: ["Fold the section's layers to the middle.", "Keep stereo effects off.", "Let the next section use the full width."]),
        Entry.new(kind: "four_on_floor", name: "Kick on every beat",
          summary: "The kick marks each beat of the bar and leaves the off-beats free.",
          steps: ["Place a kick on every beat.", "Keep off-beats clear of low end.", "Let the bass breathe between the kicks."]),
        Entry.new(kind: "hat_rate_change", name: "Hats change their rate",
          summary: "The hats double or halve how often they play when the section begins.",
          steps: ["Program the hats at the first rate.", "Change to the other rate on the first beat of the section.",
                  "Soften every second hit at the fast rate."])
      ].freeze
      DETECTORS = [DrumDropout, Opening, KickEveryBeat, HatRateChange].freeze

      # @param scene [Scene]
      # @return [Array<Sighting>] in order of time
      def self.search(scene) = DETECTORS.flat_map { |detector| detector.find(scene) }.sort_by(&:start)

      # @param kind [String]
      # @return [Entry, nil]
      def self.entry(kind) = ENTRIES.find { |entry| entry.kind == kind }
    end
  end
end
