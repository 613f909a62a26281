# frozen_string_literal: true

module Ethoscope
  module Measures
    module Traits
      # What bass and lead do, and how far the chorus rises. The way is our own.
      module Lines
        # A bass stays on the roots when so many of its notes are roots of the chord that sounds.
        ROOTS = 0.7
        # A chorus rises from the verse by this much of the song's range of levels.
        RISE = 10
        # A fill is frequent when there is one in so many bars.
        FREQUENT = 8

        # @param song [SongTraits]
        # @return [Array<Hash>] all notes of the bass, with the section's first bar
        def self.bass(song)
          rows = song.vector.rows("lines.notes").select { |row| row[:place][:role] == "bass" }
          rows.flat_map { |row| row[:value].map { |note| note.merge(section: row[:place][:first_bar]) } }
        end

        # @param figures [Array<Numeric>]
        # @return [Numeric, nil]
        def self.middle(figures) = figures.empty? ? nil : figures.sort[figures.size / 2]

        # @param range [Array<Numeric>] MIDI pitches
        # @return [String]
        def self.named(range) = range.map { |pitch| Ethoscope::Harmony::NoteName.of(pitch.round, Restatement::UNKEYED).tr("b#", "♭♯") }.uniq.join(" to ")

        # @param song [SongTraits]
        # @return [Boolean, nil] whether the bass stays on the roots
        def self.rooted(song)
          found = bass(song).filter_map { |note| root_at(song, note)&.then { |root| (note[:pitch] - root) % 12 } }
          found.empty? ? nil : found.count(&:zero?) >= ROOTS * found.size
        end

        def self.root_at(song, note)
          at = ((note[:bar] - 1) * song.beats) + note[:beat] - 1
          song.chords.select { |chord| chord[:section] == note[:section] }.reverse.find { |chord| chord[:at] && chord[:at] <= at + 0.1 }&.fetch(:root)
        end
        private_class_method :root_at

        # @param song [SongTraits]
        # @return [Float, nil] how many notes a bar the bass plays where it plays
        def self.density(song)
          notes = bass(song)
          notes.empty? ? nil : (notes.size / notes.map { |note| [note[:section], note[:bar]] }.uniq.size.to_f).round(2)
        end

        # @param song [SongTraits]
        # @return [Float, nil] by how much the first chorus is above the verse before it, in per cent of the song's range of levels
        def self.rise(song)
          energy = song.vector.rows("form.energy").to_h { |row| [row[:place][:first_bar], row[:value]] }
          chorus = song.sections.find { |section| %w[chorus drop].include?(section[:label]) } or return nil
          before = song.sections.reverse.find { |section| section[:first_bar] < chorus[:first_bar] && section[:label] == "verse" } or return nil
          energy.values_at(chorus[:first_bar], before[:first_bar]).then { |high, low| high && low && (high - low) }
        end

        BASS_REGISTER = Trait.new(id: "lines.bass_register", aspect: "Bass", kind: :figure, spread: 3.0, says: ->(range) { "The bass lies around #{named(range)}" },
          reader: ->(song) { middle(bass(song).map { |note| note[:pitch] }) })
        BASS_DENSITY = Trait.new(id: "lines.bass_density", aspect: "Bass", kind: :figure, spread: 1.0, says: lambda { |range|
          "#{range.map(&:round).uniq.join(" to ")} bass notes to the bar"
        },
          reader: ->(song) { density(song) })
        BASS_ROOTS = Trait.new(id: "lines.bass_roots", aspect: "Bass", kind: :fact, says: { true => "The bass stays on the roots", false => "The bass leaves the roots" },
          reader: ->(song) { rooted(song) })
        LEAD_REGISTER = Trait.new(id: "lines.lead_register", aspect: "Lead", kind: :figure, spread: 4.0, says: ->(range) { "The lead lies around #{named(range)}" },
          reader: ->(song) { middle(song.vector.rows("lines.register").map { |row| row[:value][:middle] }) })
        FILLS = Trait.new(id: "lines.fills", aspect: "Drums", kind: :fact, says: { true => "A fill at least every eight bars", false => "Few fills" },
          reader: lambda { |song|
            fills = song.vector.rows("groove.departures").sum { |row| row[:value].count { |departure| departure[:kind] == "fill" } }
            song.kit? ? fills * FREQUENT >= song.bars : nil
          })
        LIFT = Trait.new(id: "lines.lift", aspect: "Arrangement", kind: :fact,
          says: { true => "The chorus is louder than the verse", false => "The chorus is no louder than the verse" },
          reader: ->(song) { rise(song)&.then { |rise| rise >= RISE } })

        TRAITS = [BASS_REGISTER, BASS_DENSITY, BASS_ROOTS, LEAD_REGISTER, FILLS, LIFT].freeze
      end
    end
  end
end
