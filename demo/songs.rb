# frozen_string_literal: true

module Demo
  # The six songs of an invented band, the Slow Ferry Committee, as charts: chords are degrees of the tonic in semitones with
  # a quality, one entry a bar. Layers name who plays; :dull and :narrow say how a section is mixed, :drop how many beats
  # of drums are left out before the next one.
  module Songs
    ARTIST = "Slow Ferry Committee"
    BAND = %i[kick snare hats bass organ].freeze
    FULL = (BAND + %i[reed]).freeze

    # One chord a bar.
    def self.bars(text)
      degrees = { "i" => [0, "min"], "I" => [0, "maj"], "ii" => [2, "min"], "bIII" => [3, "maj"], "iii" => [4, "min"], "iv" => [5, "min"], "IV" => [5, "maj"],
                  "v" => [7, "min"], "V" => [7, "maj"], "bVI" => [8, "maj"], "vi" => [9, "min"], "bVII" => [10, "maj"] }
      text.split.map { |name| degrees.fetch(name) }
    end

    # @return [Hash] one part of a song
    def self.part(label, bars, loop, layers, **mix) = { label:, bars:, loop:, layers: }.merge(mix)

    DROP = { drop: 4 }.freeze
    DULL = { dull: true, narrow: true }.freeze

    ALL = [
      { name: "marsh_telephone", title: "Marsh Telephone", bpm: 73.26, meter: "4/4", tonic: "F", mode: "minor", feel: :one_drop, cents: -14,
        loops: { a: bars("i bVI iv v"), b: bars("bVI bVII i i"), c: bars("iv IV i v") },
        parts: [part("intro", 4, :a, %i[organ hats], **DULL), part("verse", 8, :a, BAND, **DROP), part("chorus", 4, :b, FULL),
                part("verse", 8, :a, BAND, **DROP), part("chorus", 4, :b, FULL), part("outro", 4, :a, %i[bass organ])] },
      { name: "nine_buckets_down", title: "Nine Buckets Down", bpm: 71.40, meter: "4/4", tonic: "C", mode: "minor", feel: :one_drop, cents: 0,
        loops: { a: bars("i iv"), b: bars("bVI bVII i v"), c: bars("iv IV iv IV") },
        parts: [part("intro", 4, :a, %i[organ bass], **DULL), part("verse", 8, :a, BAND, **DROP), part("chorus", 8, :b, FULL),
                part("bridge", 4, :c, %i[hats bass organ], **DROP), part("chorus", 4, :b, FULL)] },
      { name: "wet_slate", title: "Wet Slate", bpm: 76.02, meter: "4/4", tonic: "F", mode: "minor", feel: :one_drop, cents: 6,
        loops: { a: bars("i bVII bVI bVII"), b: bars("iv bVI i i"), c: bars("IV IV i i") },
        parts: [part("intro", 4, :a, %i[organ], **DULL), part("verse", 8, :a, BAND, **DROP), part("chorus", 4, :b, FULL),
                part("verse", 8, :a, BAND), part("bridge", 4, :c, %i[bass organ reed]), part("chorus", 4, :b, FULL)] },
      { name: "kettle_at_the_lock", title: "Kettle at the Lock", bpm: 146.10, meter: "4/4", tonic: "D", mode: "dorian", feel: :backbeat, cents: 0,
        loops: { a: bars("i i IV IV"), b: bars("bVII IV i i"), c: bars("IV v IV v") },
        parts: [part("intro", 8, :a, %i[organ hats], **DULL), part("verse", 16, :a, BAND, **DROP), part("chorus", 8, :b, FULL),
                part("verse", 16, :a, BAND, **DROP), part("chorus", 8, :b, FULL)] },
      { name: "pilot_light_parish", title: "Pilot Light Parish", bpm: 139.76, meter: "4/4", tonic: "Bb", mode: "minor", feel: :backbeat, cents: 9,
        loops: { a: bars("i bVI bVII i"), b: bars("iv v bVI bVI"), c: bars("IV IV i i") },
        parts: [part("intro", 8, :a, %i[organ bass], **DULL), part("verse", 16, :a, BAND, **DROP), part("chorus", 8, :b, FULL),
                part("breakdown", 8, :c, %i[organ reed], **DULL), part("chorus", 8, :b, FULL)] },
      { name: "copper_weather", title: "Copper Weather", bpm: 61.0, meter: "6/8", tonic: "Ab", mode: "major", feel: :rolling, cents: 0,
        loops: { a: bars("I IV I V"), b: bars("vi IV I V"), c: bars("IV IV I I") },
        parts: [part("intro", 4, :a, %i[organ bass]), part("verse", 16, :a, BAND), part("chorus", 8, :b, FULL), part("verse", 8, :a, BAND),
                part("chorus", 8, :b, FULL)] }
    ].freeze
  end
end
