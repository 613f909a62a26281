# frozen_string_literal: true

module Ethoscope
  module Measures
    module Traits
      # What the kit does in its main pattern. The way is our own.
      module Groove
        # @param song [SongTraits]
        # @param role [String]
        # @return [Array<Float>] beats, from 1, on which it is struck in at least half of the bars
        def self.beats_of(song, role)
          bars = song.strokes(role)
          return [] if bars.empty?

          (0...bars.first.size).select { |step| bars.count { |bar| bar[step].positive? } * 2 >= bars.size }.map { |step| 1 + (step / song.per_beat.to_f) }
        end

        # @param song [SongTraits]
        # @param role [String]
        # @yieldparam beats [Array<Float>]
        # @return [Object, nil] nil where the piece is in no pattern
        def self.struck(song, role)
          beats = beats_of(song, role)
          beats.empty? ? nil : yield(beats)
        end

        # @param beats [Array<Float>]
        # @return [Array<String>] as one counts them: 1, 2.5, 4.75
        def self.named(beats) = beats.map { |beat| Kinds.plain(beat.round(2)) }

        # @param song [SongTraits]
        # @return [String, nil] where the snare answers
        def self.answer(song)
          struck(song, "snare") do |beats|
            if song.beats == 4 then { [true, true, false] => "2 and 4", [false, false, true] => "3" }[[beats.include?(2.0), beats.include?(4.0), beats.include?(3.0)]] || "other"
            else "other"
            end
          end
        end

        # @param song [SongTraits]
        # @return [String, nil] how often the hats are struck
        def self.rate(song)
          struck(song, "hats") do |beats|
            off = beats.count { |beat| (beat % 1).between?(0.4, 0.7) }
            on = beats.count { |beat| (beat % 1).zero? }
            rate_of(on, off, beats.size / song.beats.to_f)
          end
        end

        def self.rate_of(on, off, density)
          return "off" if off.positive? && on.zero?

          if density >= 2.6
            "sixteenths"
          else
            (density >= 1.6 ? "eighths" : "quarters")
          end
        end
        private_class_method :rate_of

        # @param song [SongTraits]
        # @param roles [Array<String>]
        # @return [Boolean] whether none of them plays anywhere
        def self.without?(song, roles) = roles.none? { |role| song.part?(role) }

        FOUR = Trait.new(id: "groove.every_beat", aspect: "Drums", kind: :fact, measure: "groove.steps", says: { true => "The kick on every beat" },
          reader: ->(song) { struck(song, "kick") { |beats| (1..song.beats).all? { |beat| beats.include?(beat.to_f) } } })
        ONE = Trait.new(id: "groove.one", aspect: "Drums", kind: :fact, says: { true => "The kick on the one", false => "No kick on the one" },
          reader: ->(song) { struck(song, "kick") { |beats| beats.include?(1.0) } })
        SPARSE = Trait.new(id: "groove.sparse_kick", aspect: "Drums", kind: :fact, says: { true => "One or two kicks to the bar", false => "Three kicks to the bar or more" },
          reader: ->(song) { struck(song, "kick") { |beats| beats.size <= 2 } })
        OFF = Trait.new(id: "groove.kick_off", aspect: "Drums", kind: :fact, says: { true => "Kicks between the beats", false => "Kicks on beats alone" },
          reader: ->(song) { struck(song, "kick") { |beats| beats.any? { |beat| (beat % 1).positive? } } })
        ANSWER = Trait.new(id: "groove.answer", aspect: "Drums", kind: :category, says: { "2 and 4" => "The snare on two and four", "3" => "The snare on three alone" },
          reader: ->(song) { answer(song) })
        HATS = Trait.new(id: "groove.hats", aspect: "Drums", kind: :category, measure: "groove.hat_rate",
          says: { "off" => "Hats between the beats alone", "sixteenths" => "Hats at three or four to the beat", "eighths" => "Hats at two to the beat",
                  "quarters" => "Hats at one to the beat" }, reader: ->(song) { rate(song) })
        NONE = Trait.new(id: "groove.none", aspect: "Drums", kind: :fact, says: { true => "No kit at all" }, reader: ->(song) { without?(song, %w[kick snare hats]) })
        NO_SNARE = Trait.new(id: "groove.no_snare", aspect: "Drums", kind: :fact, says: { true => "No snare" }, reader: ->(song) { without?(song, %w[snare]) })
        NO_KICK = Trait.new(id: "groove.no_kick", aspect: "Drums", kind: :fact, says: { true => "No kick" }, reader: ->(song) { without?(song, %w[kick]) })
        NO_HATS = Trait.new(id: "groove.no_hats", aspect: "Drums", kind: :fact, says: { true => "No hats or cymbal time" }, reader: ->(song) { without?(song, %w[hats]) })

        KICKS = Trait.new(id: "groove.kick_at", aspect: "Drums", kind: :set, measure: "groove.steps", says: ->(beat) { beat == "1" ? nil : "The kick on #{beat}" },
          reader: ->(song) { struck(song, "kick") { |beats| named(beats) } })
        SNARES = Trait.new(id: "groove.snare_at", aspect: "Drums", kind: :set, measure: "groove.steps", says: ->(beat) { "The snare on #{beat}" },
          reader: ->(song) { struck(song, "snare") { |beats| named(beats) } })
        STILL = Trait.new(id: "groove.kick_rests_at", aspect: "Drums", kind: :set, says: ->(beat) { "No kick on #{beat}" },
          reader: ->(song) { struck(song, "kick") { |beats| (1..song.beats).map(&:to_s) - named(beats) } })
        SILENT = Trait.new(id: "groove.snare_rests_at", aspect: "Drums", kind: :set, says: ->(beat) { "No snare on #{beat}" },
          reader: ->(song) { struck(song, "snare") { |beats| (1..song.beats).map(&:to_s) - named(beats) } })
        GHOSTS = Trait.new(id: "groove.busy_snare", aspect: "Drums", kind: :fact, says: { true => "Three snares to the bar or more", false => "One or two snares to the bar" },
          reader: ->(song) { struck(song, "snare") { |beats| beats.size > 2 } })
        SNARES_OFF = Trait.new(id: "groove.snare_off", aspect: "Drums", kind: :fact, says: { true => "Snares between the beats", false => "Snares on beats alone" },
          reader: ->(song) { struck(song, "snare") { |beats| beats.any? { |beat| (beat % 1).positive? } } })

        TRAITS = [KICKS, SNARES, STILL, SILENT, GHOSTS, SNARES_OFF, FOUR, ONE, SPARSE, OFF, ANSWER, HATS, NONE, NO_SNARE, NO_KICK, NO_HATS].freeze
      end
    end
  end
end
