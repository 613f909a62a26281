# frozen_string_literal: true

require "json"

module Bench
  # The checklist of an exact remake as the corpus' scorer of rebuilding reads it: that of the command line, and where only the register of a lead is known, its
  # middle as one note of that role.
  class Checklists
    # @param data [Hash] an analysis as JSON has it
    def initialize(data)
      @analysis = Ethoscope::Analysis.from_h(data)
    end

    # @return [Hash] items with their targets
    def to_h
      plan = JSON.parse(Cli::Plans.new(json: true).of(@analysis, "song"), symbolize_names: true)
      plan.merge(items: plan[:items].map { |item| item.merge(targets: item[:targets].map { |target| read(target) }) })
    end

    private

    def read(target)
      return target unless target[:id] == "lines.register"

      target.merge(measure: "notes", value: [{ bar: 1, beat: 1, beats: 1, pitch: target[:value][:middle] }])
    end
  end
end
