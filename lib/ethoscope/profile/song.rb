# frozen_string_literal: true

module Ethoscope
  module Profile
    # One song as profile and checklist see it: its title, all that is measured of it, its id where it has one, how it stands in its study (one of STANDINGS), and
    # the words that a person gave it. The way is our own.
    Song = Value.of(:title, :vector, :id, :standing, :words)

    # Reads the vector.
    class Song
      # What songs of each standing weigh in a profile: at its core, at its side, as an example of what it is not, or set aside.
      STANDINGS = { "core" => 1.0, "side" => 0.5, "counter" => 0.0, "aside" => 0.0 }.freeze

      # @param title [String]
      # @param vector [Measures::Vector]
      # @param id [Integer, nil]
      # @param standing [String]
      # @param words [Array<String>] themes, mood and the like
      def initialize(title:, vector:, id: nil, standing: "core", words: [])
        super
      end

      # @return [Float] how much it counts
      def weight = STANDINGS.fetch(standing)

      # @return [Hash{String => Object}] what styles differ by, see {Measures::SongTraits}; and the words
      def traits = words.empty? ? vector.traits : vector.traits.merge(Measures::Traits::Told::WORDS.id => words)

      # What words that a person gave it are about.
      WORD_KINDS = %w[theme mood voice language other].freeze
      # A layer plays in a section of which it fills this much; and the energy where none is known.
      HALF = 0.5

      # @return [Float, nil] beats per minute
      def bpm = vector.bpm

      # @return [String] such as "4/4"
      def meter = vector.value("time.meter")

      # @return [Harmony::Key, nil]
      def key = vector.key

      # @return [Integer] number of bars
      def bars = vector.value("time.length")

      # @return [Array<Hash>] its sections: label, letter, first_bar, bars, and the energy there (0 to 1)
      def sections
        energy = vector.rows("form.energy").to_h { |row| [row[:place][:first_bar], row[:value] / 100] }
        vector.rows("form.section").map { |row| { **row[:place], energy: energy.fetch(row[:place][:first_bar], HALF).round(2) } }
      end

      # @return [Hash{String => Hash{String => true}}] by role the kinds of sections of which it fills at least half of one
      def playing
        vector.rows("layers.fill").each_with_object({}) do |row, roles|
          (roles[row[:place][:role]] ||= {})[Measures::Place.kind(row[:place][:label])] = true if row[:value] >= HALF * 100
        end
      end

      # @return [Array<String>] roles, or names where there is none, of the layers that play
      def roles = vector.rows("layers.bars").map { |row| row[:place][:role] }

      # @return [Array<String>, nil] degrees of the main loop, one root each
      def loop_degrees = vector.value("harmony.loop")&.fetch(:degrees)

      # @return [Hash{String => Float}] bars spent on each degree
      def degree_bars = (vector.value("harmony.degrees") || []).to_h { |row| row.values_at(:degree, :bars) }.tap { |bars| bars.default = 0.0 }
    end
  end
end
