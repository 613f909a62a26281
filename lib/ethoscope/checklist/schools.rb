# frozen_string_literal: true

module Ethoscope
  module Checklist
    # In which order the stages are worked: people disagree, each with a reason.
    School = Value.of(:id, :name, :reason, :stages) do
      # @param items [Array<Object>]
      # @yieldparam item [Object]
      # @yieldreturn [String] its stage
      # @return [Array<Array(String, Object)>] the items in this order of work, each with its number: the stage's place and its own in the stage, such as 2.3
      def ordered(items, &)
        by_stage = items.group_by(&)
        (stages & by_stage.keys).each_with_index.flat_map do |stage, place|
          by_stage.fetch(stage).each_with_index.map { |item, i| ["#{place + 1}.#{i + 1}", item] }
        end
      end
    end

    # The orders that a checklist can take.
    module Schools
      START = ["Frame", "Tempo and key"].freeze
      FINISH = %w[Techniques Mix Check].freeze
      ALL = [
        School.new(id: "chords", name: "chords first", reason: "the song is in the harmony",
          stages: START + ["Chords and bass", "Groove", "Sounds", "Arrangement"] + FINISH),
        School.new(id: "drums", name: "drums first", reason: "the body decides",
          stages: START + ["Groove", "Chords and bass", "Sounds", "Arrangement"] + FINISH),
        School.new(id: "sounds", name: "sounds first", reason: "the right sound writes the part",
          stages: START + ["Sounds", "Chords and bass", "Groove", "Arrangement"] + FINISH),
        School.new(id: "arrangement", name: "map first", reason: "know where everything goes",
          stages: START + ["Arrangement", "Chords and bass", "Groove", "Sounds"] + FINISH)
      ].freeze

      # @param id [String]
      # @return [School]
      # @raise [ArgumentError] when there is no such school
      def self.find(id) = ALL.find { |school| school.id == id } || raise(ArgumentError, "unknown order of work: #{id}")
    end
  end
end
