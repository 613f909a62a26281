# frozen_string_literal: true

require_relative "songs"

module Demo
  # Two tries at “Marsh Telephone”, in the tempo and key of the study: other sounds and levels, and known faults. The second comes closer, but loses the snare of the last chorus.
  module Attempts
    BAND = Songs::BAND
    MIX = { gains: { kick: 0.9, snare: 0.7, hats: 0.5, bass: 0.95, organ: 0.5, reed: 0.65 }, programs: { bass: 32, organ: 18 } }.freeze
    REFERENCE = Songs::ALL.find { |song| song[:name] == "marsh_telephone" }
    ALIKE = REFERENCE.merge(tonic: "G", cents: 0, **MIX).freeze
    # Another chord for the third bar of the loop.
    WRONG = REFERENCE[:loops].merge(w: Songs.bars("i bVI bVII v")).freeze

    ALL = [
      ALIKE.merge(name: "low_water_1", title: "Low Water, first bounce", bpm: 74.5, loops: WRONG, level: 0.5, width: 0.3,
        parts: [Songs.part("intro", 4, :a, %i[organ hats], **Songs::DULL), Songs.part("verse", 8, :w, BAND), Songs.part("chorus", 4, :b, BAND),
                Songs.part("verse", 8, :w, BAND - [:hats]), Songs.part("chorus", 4, :b, BAND - [:hats] + [:reed]), Songs.part("outro", 4, :a, %i[organ])]),
      ALIKE.merge(name: "low_water_2", title: "Low Water, second bounce", bpm: 73.0, level: 0.8,
        parts: [Songs.part("intro", 4, :a, %i[organ hats], **Songs::DULL), Songs.part("verse", 8, :a, BAND, **Songs::DROP), Songs.part("chorus", 4, :b, Songs::FULL),
                Songs.part("verse", 8, :a, BAND - [:hats], **Songs::DROP), Songs.part("chorus", 4, :b, Songs::FULL - [:snare]), Songs.part("outro", 4, :a, %i[bass organ])])
    ].freeze
  end
end
