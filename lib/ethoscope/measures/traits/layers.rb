# frozen_string_literal: true

module Ethoscope
  module Measures
    module Traits
      # Who plays, where, and in which order they come in. The way is our own.
      module Layers
        KIT = %w[kick snare hats].freeze

        # @param song [SongTraits]
        # @param roles [Array<String>]
        # @return [Boolean, nil] whether none of them plays in the first section although some do later
        def self.late(song, roles)
          return nil if song.sections.size < 2 || roles.none? { |role| song.part?(role) }

          roles.all? { |role| song.plays(role).first[:state] == "absent" }
        end

        # @param song [SongTraits]
        # @param roles [Array<String>]
        # @return [Boolean, nil] whether they all rest in the last section
        def self.gone(song, roles)
          return nil if song.sections.size < 2 || roles.none? { |role| song.part?(role) }

          roles.all? { |role| song.plays(role).last[:state] == "absent" }
        end

        # @param song [SongTraits]
        # @return [Boolean, nil] whether the kit rests in a section between others in which it plays
        def self.rests(song)
          return nil unless song.kit?

          playing = song.sections.each_index.map { |i| KIT.any? { |role| song.plays(role)[i][:state] != "absent" } }
          first = playing.index(true)
          last = playing.rindex(true)
          playing[first..last].include?(false)
        end

        # A layer plays nearly throughout when it is full in more than this share of the bars.
        MOST = 0.75

        # @param song [SongTraits]
        # @param role [String]
        # @return [Boolean, nil] whether it plays nearly throughout; nil where it is full in no section
        def self.mostly(song, role)
          rows = song.plays(role)
          full = rows.select { |row| row[:state] == "full" }.sum { |row| row[:bars] }
          full.zero? ? nil : full > MOST * rows.sum { |row| row[:bars] }
        end

        # Roles that are told of every song, so that they can be counted.
        COUNTED = %w[kick snare hats bass].freeze

        # @param song [SongTraits]
        # @return [Array<Integer>, nil] how many of COUNTED play in each section
        def self.counts(song)
          return nil if song.sections.size < 2 || COUNTED.none? { |role| song.part?(role) }

          rows = COUNTED.map { |role| song.plays(role) }
          song.sections.each_index.map { |i| rows.count { |row| row[i][:state] == "full" } }
        end

        # @param song [SongTraits]
        # @return [Array(Float, Float), nil] how many of COUNTED play in the mean, in either half of the sections
        def self.halves(song)
          counts(song)&.then { |counts| [counts.first(counts.size / 2), counts.last(counts.size / 2)].map { |half| half.sum.fdiv(half.size) } }
        end

        # @param song [SongTraits]
        # @param roles [Array<String>]
        # @return [Array<Integer>, nil] the section in which each first plays; nil where one never does
        def self.entries(song, roles)
          entries = roles.map { |role| song.plays(role).index { |section| section[:state] != "absent" } }
          entries.include?(nil) ? nil : entries
        end

        BASS = Trait.new(id: "layers.bass", aspect: "Who plays", kind: :fact, says: { false => "No bass" }, reader: ->(song) { song.part?("bass") })
        BASS_SHARE = Trait.new(id: "layers.bass_share", aspect: "Who plays", kind: :fact, measure: "layers.presence",
          says: { true => "The bass plays nearly throughout", false => "The bass rests in a quarter of the bars or more" },
          reader: ->(song) { mostly(song, "bass") })
        LEAD = Trait.new(id: "layers.lead", aspect: "Who plays", kind: :fact, says: { true => "A lead line", false => "No lead line" }, reader: ->(song) { song.part?("lead") })
        LATE_LEAD = Trait.new(id: "layers.late_lead", aspect: "Who plays", kind: :fact, says: { true => "The lead waits until after the first section" },
          reader: ->(song) { late(song, %w[lead]) })
        PERCUSSION = Trait.new(id: "layers.percussion", aspect: "Who plays", kind: :fact, says: { true => "Percussion beside the kit", false => "No percussion beside the kit" },
          reader: ->(song) { song.part?("percussion") })
        BARE_START = Trait.new(id: "layers.bare_start", aspect: "Arrangement", kind: :fact,
          says: { true => "Begins without the kit", false => "The kit plays from the first section on" },
          reader: ->(song) { late(song, KIT) })
        KICK_LATER = Trait.new(id: "layers.kick_later", aspect: "Arrangement", kind: :fact, says: { true => "The kick waits for the second section" },
          reader: ->(song) { late(song, %w[kick]) })
        BASS_LATER = Trait.new(id: "layers.bass_later", aspect: "Arrangement", kind: :fact,
          says: { true => "Begins without the bass", false => "The bass plays from the first section on" },
          reader: ->(song) { late(song, %w[bass]) })
        BARE_END = Trait.new(id: "layers.bare_end", aspect: "Arrangement", kind: :fact, says: { true => "Ends without the kit", false => "The kit plays to the end" },
          reader: ->(song) { gone(song, KIT) })
        KIT_RESTS = Trait.new(id: "layers.kit_rests", aspect: "Arrangement", kind: :fact, says: { true => "The kit rests in between", false => "The kit does not rest in between" },
          reader: ->(song) { rests(song) })

        SHARES = { "kick" => "kick", "snare" => "snare", "hats" => "hats" }.map do |role, name|
          verb = name.end_with?("s") ? %w[play rest] : %w[plays rests]
          Trait.new(id: "layers.#{role}_share", aspect: "Who plays", kind: :fact,
            says: { true => "The #{name} #{verb[0]} nearly throughout", false => "The #{name} #{verb[1]} in a quarter of the bars or more" },
            reader: ->(song) { mostly(song, role) })
        end
        HATS_LATER = Trait.new(id: "layers.hats_later", aspect: "Arrangement", kind: :fact, says: { true => "The hats wait for the second section" },
          reader: ->(song) { late(song, %w[hats]) })
        SNARE_LATER = Trait.new(id: "layers.snare_later", aspect: "Arrangement", kind: :fact, says: { true => "The snare waits for the second section" },
          reader: ->(song) { late(song, %w[snare]) })
        BASS_ENDS = Trait.new(id: "layers.bass_ends", aspect: "Arrangement", kind: :fact, says: { true => "Ends without the bass", false => "The bass plays to the end" },
          reader: ->(song) { gone(song, %w[bass]) })

        TOGETHER = Trait.new(id: "layers.together", aspect: "Arrangement", kind: :fact,
          says: { true => "Kick and bass come in together", false => "Kick and bass come in one after the other" },
          reader: ->(song) { entries(song, %w[kick bass])&.then { |entries| entries.uniq.size == 1 } })
        GROWS = Trait.new(id: "layers.grows", aspect: "Arrangement", kind: :fact,
          says: { true => "More plays in the second half than in the first", false => "As much plays in the first half as in the second" },
          reader: ->(song) { halves(song)&.then { |first, second| second > first * 1.1 } })
        FULL_END = Trait.new(id: "layers.full_end", aspect: "Arrangement", kind: :fact,
          says: { true => "The last section is as full as any", false => "The last section is thinner than others" },
          reader: ->(song) { counts(song)&.then { |counts| counts.last == counts.max } })
        THIN_START = Trait.new(id: "layers.thin_start", aspect: "Arrangement", kind: :fact,
          says: { true => "The first section is thinner than others", false => "As full as ever from the first section on" },
          reader: ->(song) { counts(song)&.then { |counts| counts.first < counts.max } })

        TRAITS = [TOGETHER, GROWS, FULL_END, THIN_START, *SHARES, HATS_LATER, SNARE_LATER, BASS_ENDS, BASS, BASS_SHARE, LEAD, LATE_LEAD, PERCUSSION, BARE_START, KICK_LATER,
                  BASS_LATER, BARE_END, KIT_RESTS].freeze
      end
    end
  end
end
