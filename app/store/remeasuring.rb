# frozen_string_literal: true

module Store
  # How new measurements take the place of old ones, beside what a person said of those. Part of {Readings}.
  module Remeasuring
    # Adds what an analysis measured. What a person settled stays settled, and a person's value stays in force.
    #
    # @param reference_id [Integer]
    # @param analysis_id [Integer]
    # @param analysis [Ethoscope::Analysis]
    def measure(reference_id, analysis_id, analysis)
      db.transaction do
        before = by_aspect(reference_id)
        Ethoscope::Readings::Reader.new(analysis).readings.each do |reading|
          state = state_of(reading.aspect, reading.value, before.fetch(reading.aspect, []))
          insert(reference_id, aspect: reading.aspect, value: reading.value, statement: reading.statement, note: reading.note,
            why: reading.why, rivals: reading.rivals, confidence: reading.confidence, source: "measured", analysis_id:, state:)
        end
      end
    end

    # After an undo: what was said of a measurement that was measured anew since holds for the newest one.
    #
    # @param reference_id [Integer]
    # @param ids [Array<Integer>] readings that were put back
    def carry_over(reference_id, ids)
      by_aspect(reference_id).each_value do |rows|
        measured = rows.select { |row| row[:source] == "measured" }
        place = measured.index { |row| ids.include?(row[:id]) } or next
        measured.drop(place + 1).each do |newer|
          before = by_aspect(reference_id).fetch(newer[:aspect]).select { |row| row[:id] < newer[:id] }
          write([newer[:id]], state: state_of(newer[:aspect], newer[:value], before))
        end
      end
    end

    private

    # The state in which a new measurement comes in, and what becomes of the last one.
    def state_of(aspect, value, before)
      last = before.reverse.find { |row| row[:source] == "measured" } or return before.empty? ? "open" : "corrected"
      same = Ethoscope::Readings::Agreement.same?(aspect, last[:value], value)
      return "corrected" if last[:state] == "corrected"
      return last[:state] == "refuted" && same ? "refuted" : "open" unless standing?(last)
      return "open" if last[:state] == "confirmed" && !same

      replace(last[:id])
      last[:state]
    end
  end
end
