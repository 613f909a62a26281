# frozen_string_literal: true

module Ethoscope
  module Contract
    # Whether an analysis that comes from elsewhere is one: in its shape throughout, and with times and tempi that a song can have.
    module AnalysisCheck
      SHAPES = [*SongShapes::ALL, *PlayingShapes::ALL].freeze
      TYPE = Type.new(kind: :shape, of: :EngineAnalysis)
      # What of one analysis is looked at: all of it.
      ALL = 1_000_000
      DURATIONS = (0..2000)
      TEMPI = (1..1000)

      # @param data [Hash] symbol keys
      # @return [Array<String>] a sentence for each place that does not fit
      def self.problems(data)
        shape = Checker.new(SHAPES, WordLists.all, looked_at: ALL).problems(TYPE, data)
        shape.empty? ? sense(data) : shape
      end

      def self.sense(data)
        [["the duration is none", DURATIONS.cover?(data[:duration])], ["there are no bars", data[:bars].any?],
         ["times go backwards", times(data).all? { |times| times.each_cons(2).all? { |one, next_one| one <= next_one } }],
         ["a tempo is none", tempi(data).all? { |bpm| TEMPI.cover?(bpm) }],
         ["the meter is unknown", Rhythm::Meter::ALL.any? { |meter| meter.name == data[:meter] }],
         ["a key is unknown", named_keys(data).all? { |key| key[:tonic].match?(Harmony::PitchClass::NAME) && Harmony::Key::MODES.include?(key[:mode]) }],
         ["sections lie outside the song", sections?(data)]].reject(&:last).map(&:first)
      end
      private_class_method :sense

      def self.times(data) = [data[:beats] + [data[:end]], data[:downbeats], data[:bars].flat_map { |bar| [bar[:start], bar[:end]] }]
      private_class_method :times

      def self.tempi(data) = [data[:tempo], *data[:tempo_map], *data[:parts]].filter_map { |part| part[:bpm] }
      private_class_method :tempi

      def self.named_keys(data) = [data[:key], *data[:key]&.fetch(:rivals), *data[:key]&.fetch(:stretches)].compact
      private_class_method :named_keys

      def self.sections?(data)
        data[:sections].any? && data[:sections].all? { |section| section[:first_bar].positive? && section[:bars].positive? && section[:first_bar] <= data[:bars].size }
      end
      private_class_method :sections?
    end
  end
end
