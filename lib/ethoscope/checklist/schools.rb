# frozen_string_literal: true

module Ethoscope
  module Checklist
    # In which order the items are worked: people disagree, each with a reason. headings says what stands together: stages or sections.
    School = Value.of(:id, :name, :reason, :stages, :headings)

    # Puts items in its order.
    class School
      # @param items [Array<Hash>] stage, about and targets (as {Measures::Target#to_h} gives them)
      # @return [Array<Array(String, Hash)>] the items in this order of work, each under its heading
      def ordered(items)
        return Appearance.new(Schools::START, stages).ordered(items) if headings == "sections"

        items.sort_by.with_index { |item, i| [stages.index(item[:stage]), i] }.map { |item| [item[:stage], item] }
      end

      # @param headings [Array<String>] of items in their order
      # @return [Array<String>] their numbers: which heading it is, and the place below it, such as 2.3
      def self.numbers(headings)
        headings.chunk_while { |one, other| one == other }.each_with_index.flat_map { |run, heading| run.each_index.map { |i| "#{heading + 1}.#{i + 1}" } }
      end
    end

    # The orders that a checklist can take.
    module Schools
      START = ["Frame", "Tempo and key"].freeze
      FINISH = %w[Techniques Mix Check].freeze
      ALL = [
        School.new(id: "chords", name: "chords first", reason: "the song is in the harmony", headings: "stages",
          stages: START + ["Chords and bass", "Groove", "Sounds", "Arrangement"] + FINISH),
        School.new(id: "drums", name: "drums first", reason: "the body decides", headings: "stages",
          stages: START + ["Groove", "Chords and bass", "Sounds", "Arrangement"] + FINISH),
        School.new(id: "sounds", name: "sounds first", reason: "the right sound writes the part", headings: "stages",
          stages: START + ["Sounds", "Chords and bass", "Groove", "Arrangement"] + FINISH),
        School.new(id: "arrangement", name: "map first", reason: "know where everything goes", headings: "stages",
          stages: START + ["Arrangement", "Chords and bass", "Groove", "Sounds"] + FINISH),
        School.new(id: "appearance", name: "as it comes", reason: "each thing where the song first needs it, from the first bar on", headings: "sections",
          stages: START + ["Arrangement", "Sounds", "Groove", "Chords and bass"] + FINISH)
      ].freeze

      # @param id [String]
      # @return [School]
      # @raise [ArgumentError] when there is no such school
      def self.find(id) = ALL.find { |school| school.id == id } || raise(ArgumentError, "unknown order of work: #{id}")
    end
  end
end
