# frozen_string_literal: true

module Ethoscope
  module Measures
    module Traits
      # Keys, degrees, colours and how chords move (Kostka & Payne, "Tonal Harmony", ch. 6, 7 and 21).
      module Harmony
        # A degree is used from this share of the time on.
        USED = 0.04
        COLOURED = 0.35
        INVERTED = 0.15
        OFTEN = 0.4
        FEW = 4
        FOURTHS = [5, 7].freeze
        STEPS = [1, 2, 10, 11].freeze
        # Chords of each mode's own scale; anything else is borrowed, or the dominant of a degree.
        OWN = {
          "major" => %w[I ii iii IV V vi], "mixolydian" => %w[I ii IV v vi ♭VII], "minor" => %w[i ♭III iv v V ♭VI ♭VII], "dorian" => %w[i ii ♭III IV v ♭VII],
          "phrygian" => %w[i ♭II ♭III iv ♭VI ♭vii], "lydian" => %w[I II iii V vi], "harmonic minor" => %w[i iv V ♭VI]
        }.freeze
        MINOR_MODES = ["minor", "harmonic minor", "dorian", "phrygian"].freeze
        # Major chords a fifth above a degree of the scale, by what they lead to.
        DOMINANTS = { "II" => "V", "III" => "vi", "VI" => "ii", "VII" => "iii" }.freeze
        TONICS = %w[I i].freeze
        KINDS = { "major sevenths" => /\Amaj[79]/, "minor sevenths" => /\Amin[79]/, "dominant sevenths" => /\A(7|9|13)/, "suspended chords" => /\Asus/,
                  "diminished chords" => /\A(dim|hdim)/, "sixth chords" => /\A(maj|min)6/ }.freeze
        EXTENDED = /7|9|11|13|maj6|min6/

        # @param degree [String]
        # @param mode [String] of the key
        # @return [String] such as "borrowed iv" or "III (V of vi)"
        def self.named(degree, mode)
          return degree if OWN.fetch(mode, []).include?(degree)

          !MINOR_MODES.include?(mode) && DOMINANTS.key?(degree) ? "#{degree} (V of #{DOMINANTS[degree]})" : "borrowed #{degree}"
        end

        # @param song [SongTraits]
        # @return [Float, nil] bars that a chord lasts, in the middle
        def self.lasting(song)
          lengths = song.chords.map { |chord| chord[:beats] / song.beats.to_f }.sort
          lengths.empty? ? nil : lengths[lengths.size / 2]
        end

        # @param song [SongTraits]
        # @return [String, nil]
        def self.rate(song)
          bars = lasting(song) or return nil
          if bars < 0.75
            "two"
          else
            (bars < 1.5 ? "one" : "long")
          end
        end

        # @param song [SongTraits]
        # @param steps [Array<Integer>]
        # @return [Boolean, nil] whether roots often move so
        def self.often(song, steps)
          moves = song.moves
          moves.empty? ? nil : moves.count { |move| steps.include?(move) } >= OFTEN * moves.size
        end

        # @param song [SongTraits]
        # @return [Boolean, nil] whether each section has the chords of any other, but for one
        def self.alike(song)
          sections = song.chords.group_by { |chord| chord[:section] }.values.map { |chords| chords.map { |chord| [chord[:root], song.small?(chord)] }.uniq }
          sections.size < 2 ? nil : sections.combination(2).all? { |one, other| (one - other).size + (other - one).size <= 1 }
        end

        # @param song [SongTraits]
        # @return [Boolean, nil] whether most sections begin with the tonic
        def self.from_home(song)
          return nil if song.degrees.empty?

          firsts = song.chords.group_by { |chord| chord[:section] }.values.map { |chords| song.degree(chords.first) }
          firsts.count { |degree| TONICS.include?(degree) } * 2 > firsts.size
        end

        # @param song [SongTraits]
        # @return [Array<String>, nil] degrees that are used, the borrowed ones named so; not the tonic
        def self.used(song)
          degrees = song.degrees
          degrees.empty? ? nil : degrees.select { |_, share| share >= USED }.keys.reject { |degree| TONICS.include?(degree) }.map { |degree| named(degree, song.key.mode) }
        end

        MINOR = Trait.new(id: "harmony.minor", aspect: "Key", kind: :fact, measure: "harmony.mode",
          says: { true => "A minor third in the key", false => "A major third in the key" },
          reader: ->(song) { song.key&.minor? })
        MODE = Trait.new(id: "harmony.mode", aspect: "Key", kind: :category, measure: "harmony.mode", says: ->(mode) { "In #{mode}" },
          reader: ->(song) { song.key&.mode })
        DEGREES = Trait.new(id: "harmony.degrees", aspect: "Harmony", kind: :set, measure: "harmony.degrees", says: ->(degree) { "Uses #{degree}" },
          reader: ->(song) { used(song) })
        COLOUR = Trait.new(id: "harmony.coloured", aspect: "Harmony", kind: :fact,
          says: { true => "Sevenths, ninths or sixths in more than a third of the chords", false => "Triads, with few sevenths" },
          reader: ->(song) { song.share { |chord| chord[:quality].match?(EXTENDED) }&.then { |share| share >= COLOURED } })
        INVERSIONS = Trait.new(id: "harmony.inverted", aspect: "Harmony", kind: :fact, says: { true => "Chords over another bass than their root" },
          reader: ->(song) { song.share { |chord| chord[:bass] }&.then { |share| share >= INVERTED } })
        RATE = Trait.new(id: "harmony.rate", aspect: "Harmony", kind: :category,
          says: { "two" => "Two chords to the bar or more", "one" => "About one chord to the bar", "long" => "Chords last two bars or more" }, reader: ->(song) { rate(song) })
        VARIETY = Trait.new(id: "harmony.few", aspect: "Harmony", kind: :fact, says: { true => "No more than four different chords", false => "More than four different chords" },
          reader: ->(song) { song.degrees.empty? ? nil : song.degrees.count { |_, share| share >= USED } <= FEW })
        BY_FOURTHS = Trait.new(id: "harmony.fourths", aspect: "Harmony", kind: :fact,
          says: { true => "Roots move by fourths and fifths", false => "Roots seldom move by fourths and fifths" }, reader: ->(song) { often(song, FOURTHS) })
        BY_STEPS = Trait.new(id: "harmony.steps", aspect: "Harmony", kind: :fact, says: { true => "Roots move by step" }, reader: ->(song) { often(song, STEPS) })
        DOMINANT = Trait.new(id: "harmony.dominant", aspect: "Harmony", kind: :fact, says: { false => "No dominant V", true => "A dominant V" },
          reader: ->(song) { song.degrees.empty? ? nil : song.degrees.fetch("V", 0) >= USED })
        LOOP = Trait.new(id: "harmony.loop", aspect: "Harmony", kind: :category, measure: "harmony.loop",
          says: ->(bars) { "A loop of #{Form.lasting(bars)}" }, reader: ->(song) { song.vector.value("harmony.loop")&.fetch(:bars) })

        INSIDE = Trait.new(id: "harmony.inside", aspect: "Harmony", kind: :fact, says: { true => "No chord from outside the scale", false => "Chords from outside the scale" },
          reader: ->(song) { used(song)&.then { |degrees| (degrees - OWN.fetch(song.key.mode, [])).empty? } })
        HOME = Trait.new(id: "harmony.home", aspect: "Harmony", kind: :fact,
          says: { true => "More than a third of the time on the tonic", false => "Less than a third of the time on the tonic" },
          reader: ->(song) { song.degrees.empty? ? nil : TONICS.sum { |tonic| song.degrees.fetch(tonic, 0) } >= 1 / 3.0 })
        MAJOR_CHORDS = Trait.new(id: "harmony.bright", aspect: "Harmony", kind: :fact, says: { true => "Major chords most of the time", false => "Minor chords most of the time" },
          reader: ->(song) { song.share { |chord| !song.small?(chord) }&.then { |share| share > 0.5 } })
        MOSTLY_SEVENTHS = Trait.new(id: "harmony.sevenths", aspect: "Harmony", kind: :fact, says: { true => "Sevenths or ninths in most chords" },
          reader: ->(song) { song.share { |chord| chord[:quality].match?(EXTENDED) }&.then { |share| share >= 0.6 } })
        FROM_HOME = Trait.new(id: "harmony.from_home", aspect: "Harmony", kind: :fact,
          says: { true => "Sections set out from the tonic", false => "Sections set out from another chord than the tonic" },
          reader: ->(song) { from_home(song) })
        TWO = Trait.new(id: "harmony.two", aspect: "Harmony", kind: :fact, says: { true => "Two chords carry most of it" },
          reader: ->(song) { song.degrees.empty? ? nil : song.degrees.values.max(2).sum >= 0.7 })

        QUALITIES = Trait.new(id: "harmony.qualities", aspect: "Harmony", kind: :set, says: ->(name) { "Uses #{name}" },
          reader: ->(song) { song.chords.empty? ? nil : KINDS.select { |_, pattern| song.share { |chord| chord[:quality].match?(pattern) } >= USED }.keys })
        SAME = Trait.new(id: "harmony.same_everywhere", aspect: "Harmony", kind: :fact,
          says: { true => "All sections run over the same chords", false => "Sections have chords of their own" }, reader: ->(song) { alike(song) })
        FINAL = Trait.new(id: "harmony.final", aspect: "Harmony", kind: :fact, says: { true => "Ends on the tonic", false => "Ends on another chord than the tonic" },
          reader: ->(song) { song.degrees.empty? ? nil : TONICS.include?(song.degree(song.chords.last)) })
        FIRST = Trait.new(id: "harmony.first", aspect: "Harmony", kind: :fact, says: { true => "Begins on the tonic", false => "Begins on another chord than the tonic" },
          reader: ->(song) { song.degrees.empty? ? nil : TONICS.include?(song.degree(song.chords.first)) })

        TRAITS = [QUALITIES, SAME, FINAL, FIRST, INSIDE, HOME, MAJOR_CHORDS, MOSTLY_SEVENTHS, FROM_HOME, TWO, MINOR, MODE, DEGREES, COLOUR, INVERSIONS, RATE, VARIETY, BY_FOURTHS,
                  BY_STEPS, DOMINANT, LOOP].freeze
      end
    end
  end
end
