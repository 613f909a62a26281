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

      # @param data [Hash] symbol keys
      # @return [Array<String>] a sentence for each place that does not fit
      def self.problems(data)
        shape = Checker.new(SHAPES, WordLists.all, looked_at: ALL).problems(TYPE, data)
        shape.empty? ? sense(data) : shape
      end

      def self.sense(data)
        times = data[:beats] + [data[:end]]
        bars = data[:bars].flat_map { |bar| [bar[:start], bar[:end]] }
        tempi = [data[:tempo][:bpm], *data[:tempo_map].map { |entry| entry[:bpm] }, *data[:parts].map { |part| part[:bpm] }].compact
        [
          !DURATIONS.cover?(data[:duration]) && "the duration is none",
          data[:bars].empty? && "there are no bars",
          !(ascending?(times) && ascending?(bars) && ascending?(data[:downbeats])) && "times go backwards",
          !tempi.all? { |bpm| bpm.between?(1, 1000) } && "a tempo is none",
          Rhythm::Meter::ALL.none? { |meter| meter.name == data[:meter] } && "the meter is unknown",
          !named_keys(data).all? { |key| key[:tonic].match?(Harmony::PitchClass::NAME) && Harmony::Key::MODES.include?(key[:mode]) } && "a key is unknown",
          !sections?(data) && "sections lie outside the song"
        ].select { |sentence| sentence }
      end
      private_class_method :sense

      def self.ascending?(times) = times.each_cons(2).all? { |one, next_one| one <= next_one }
      private_class_method :ascending?

      def self.named_keys(data) = [data[:key], *data[:key]&.fetch(:rivals), *data[:key]&.fetch(:stretches)].compact
      private_class_method :named_keys

      def self.sections?(data)
        data[:sections].any? && data[:sections].all? { |section| section[:first_bar].positive? && section[:bars].positive? && section[:first_bar] <= data[:bars].size }
      end
      private_class_method :sections?
    end
  end
end
