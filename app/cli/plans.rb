# frozen_string_literal: true

module Cli
  # The checklist of a song, as Markdown or as JSON, from its analysis.
  class Plans
    # @param options [Hash] aim, school, bpm and key (of the new track), json
    # @raise [Ethoscope::Errors::Unfit] when the aim, the order of work or the key is not known
    def initialize(options)
      @aim = options.fetch(:aim, "exact")
      raise Ethoscope::Errors::Unfit, "the aim is one of #{Ethoscope::Checklist::Brief::AIMS.join(", ")}" unless Ethoscope::Checklist::Brief::AIMS.include?(@aim)

      @school = Ethoscope::Checklist::Schools::ALL.find { |school| school.id == options.fetch(:school, "chords") }
      raise Ethoscope::Errors::Unfit, "the order of work is one of #{Ethoscope::Checklist::Schools::ALL.map(&:id).join(", ")}" unless @school

      told = Ethoscope::Corrections.of(**options.slice(:bpm), key: options[:key])
      @wanted = { bpm: told.bpm, key: told.key }
      @format = options[:json] ? Ethoscope::Export::ChecklistJson : Ethoscope::Export::ChecklistMarkdown
    end

    # @return [String] how files of it end
    def extension = @format == Ethoscope::Export::ChecklistJson ? "json" : "md"

    # @param analysis [Ethoscope::Analysis]
    # @param title [String]
    # @return [String]
    def of(analysis, title)
      song = Ethoscope::Profile::Song.new(title:, vector: Ethoscope::Measures::Vector.of(analysis))
      ordered = @school.ordered(Ethoscope::Checklist::Plan.of_song(song, aim: @aim, wanted: @wanted).items.map(&:to_h))
      items = ordered.zip(Ethoscope::Checklist::School.numbers(ordered.map(&:first))).map { |(heading, item), number| { **item, heading:, number:, state: "open", note: "" } }
      @format.write({ title:, aim: @aim, school: @school.id, items: })
    end
  end
end
