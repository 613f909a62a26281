# frozen_string_literal: true

module Ethoscope
  module Measures
    # A song's vector as its traits read it: chords with their degrees, sections, who plays where, and the main pattern of each piece. The way is our own.
    class SongTraits
      # @param vector [Vector]
      # @return [Hash{String => Object}] by trait its value, without those that the song does not tell
      def self.of(vector)
        song = new(vector)
        Traits.all.to_h { |trait| [trait.id, trait.read(song)] }.compact
      end

      # @return [Vector]
      attr_reader :vector

      # @param vector [Vector]
      def initialize(vector)
        @vector = vector
      end

      # @return [Integer] beats of a bar
      def beats = @beats ||= Rhythm::Meter.named(vector.value("time.meter")).beats

      # @return [Integer, nil]
      def bars = vector.value("time.length")

      # @return [Harmony::Key, nil]
      def key = vector.key

      # @return [Array<Hash>] label, letter, first_bar, bars
      def sections = @sections ||= vector.rows("form.section").map { |row| row[:place].merge(label: Place.kind(row[:place][:label])) }

      # @return [Array<Integer>] bars of each section
      def lengths = sections.map { |section| section[:bars] }

      # @return [Array<Hash>] all chords in order: root (0 to 11), quality, bass (interval or nil), beats, the section's first bar,
      #   and at: the beat of the section on which it begins, from 0, where that is told
      def chords
        @chords ||= vector.rows("harmony.chords").flat_map do |row|
          row[:value].filter_map { |chord| parsed(chord)&.merge(section: row[:place][:first_bar], at: chord[:bar] && (((chord[:bar] - 1) * beats) + chord[:beat] - 1)) }
        end
      end

      # @yieldparam chord [Hash]
      # @return [Float, nil] the share of the time with chords for which something holds
      def share(&holds)
        whole = chords.sum { |chord| chord[:beats] }
        whole.positive? ? chords.select(&holds).sum { |chord| chord[:beats] } / whole.to_f : nil
      end

      # @return [Hash{String => Float}] by degree the share of the time with chords that is spent there, such as {"iv" => 0.2}
      def degrees
        return {} unless key && chords.any?

        whole = chords.sum { |chord| chord[:beats] }.to_f
        chords.group_by { |chord| degree(chord) }.transform_values { |list| list.sum { |chord| chord[:beats] } / whole }
      end

      # @param chord [Hash]
      # @return [String] such as "♭VI" or "iv"
      def degree(chord)
        numeral = Harmony::Degree.numeral_of(chord[:root], key)
        small?(chord) ? numeral.tr("IV", "iv") : numeral
      end

      # @param chord [Hash]
      # @return [Boolean] whether its third is minor
      def small?(chord) = chord[:quality].start_with?("min", "dim", "hdim")

      # @return [Array<Integer>] steps of the root from chord to chord within sections, 0 to 11
      def moves
        chords.each_cons(2).select { |one, other| one[:section] == other[:section] && one[:root] != other[:root] }.map { |one, other| (other[:root] - one[:root]) % 12 }
      end

      # @param role [String]
      # @return [Array<Hash>] first_bar, bars, label and state (absent, thin, full) by section, the fullest layer of the role
      def plays(role)
        @plays ||= vector.rows("layers.plays").group_by { |row| row[:place][:role] }
        states = @plays.fetch(role, []).group_by { |row| row[:place][:first_bar] }
        sections.map do |section|
          section.merge(state: (states[section[:first_bar]] || []).map do |row|
            row[:value]
          end.max_by { |state| %w[absent thin full].index(state) } || "absent")
        end
      end

      # @param role [String]
      # @return [Boolean] whether it plays in some section
      def part?(role) = plays(role).any? { |section| section[:state] == "full" }

      # @return [Boolean] whether anything of the kit plays
      def kit? = %w[kick snare hats].any? { |role| part?(role) }

      # The strokes of a piece over its period, in the section in which most of the kit is struck.
      #
      # @param role [String] kick, snare, hats or percussion
      # @return [Array<Array<Float>>] bar by bar, by step; none where it rests
      def strokes(role)
        row = main_rows.find { |one| one[:place][:role] == role } or return []
        value = row[:value]
        value[:hits].each_slice(value[:steps]).to_a
      end

      # @return [Integer] steps in a beat of the main pattern
      def per_beat = main_rows.first&.dig(:value, :per_beat) || 4

      private

      def parsed(chord)
        root, rest = chord[:label].split(":", 2)
        return nil unless rest

        quality, bass = rest.split("/", 2)
        { root: Harmony::PitchClass.parse(root), quality:, bass:, beats: chord[:beats] }
      end

      def main_rows
        @main_rows ||= begin
          sections = vector.rows("groove.steps").group_by { |row| row[:place][:first_bar] }.values
          sections.max_by { |rows| [rows.map { |row| row[:place][:role] }.uniq.size, rows.first[:place][:bars]] } || []
        end
      end
    end
  end
end
