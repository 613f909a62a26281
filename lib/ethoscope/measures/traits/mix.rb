# frozen_string_literal: true

module Ethoscope
  module Measures
    module Traits
      # Levels, width and what was done to the sound.
      module Mix
        # Techniques that other traits tell already.
        TOLD = %w[four_on_floor half_time_backbeat borrowed_chord two_chord_loop].freeze

        TECHNIQUES = Trait.new(id: "mix.techniques", aspect: "Technique", kind: :set, measure: "techniques.technique",
          says: ->(kind) { kind.tr("_", " ").capitalize },
          reader: ->(song) { song.vector.rows("techniques.technique").map { |row| row[:value][:kind] }.uniq - TOLD })
        LOUDNESS = Trait.new(id: "mix.loudness", aspect: "Mix", kind: :figure, measure: "mix.loudness", spread: 1.5,
          says: ->(range) { "At #{range.map { |lufs| format("%.1f", lufs).tr("-", "−") }.uniq.join(" to ")} LUFS" }, reader: ->(song) { song.vector.value("mix.loudness") })
        WIDTH = Trait.new(id: "mix.width", aspect: "Mix", kind: :figure, measure: "mix.width", spread: 4.0,
          says: ->(range) { "#{range.map(&:round).uniq.join(" to ")} % of the energy at the sides" }, reader: ->(song) { song.vector.value("mix.width") })
        RANGE = Trait.new(id: "mix.range", aspect: "Mix", kind: :figure, measure: "mix.range", spread: 1.5,
          says: ->(range) { "A loudness range of #{range.map { |units| units.round(1) }.uniq.join(" to ")} LU" }, reader: ->(song) { song.vector.value("mix.range") })

        TRAITS = [TECHNIQUES, LOUDNESS, WIDTH, RANGE].freeze
      end
    end
  end
end
