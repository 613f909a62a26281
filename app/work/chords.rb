# frozen_string_literal: true

module Work
  # Writes a person's chords: what lies wholly under a new one is superseded by it.
  class Chords
    EPSILON = 1e-3

    # @param readings [Store::Readings]
    def initialize(readings)
      @readings = readings
    end

    # @param reference_id [Integer]
    # @param entry [Hash] value, from, to, bar, statement, source, state, confidence, note
    # @return [Hash] the reading
    def write(reference_id, entry)
      covered = chords(reference_id).select { |row| row[:starts_at] >= entry[:from] - EPSILON && row[:ends_at] <= entry[:to] + EPSILON }
      covered.each { |row| @readings.replace(row[:id]) }
      return nil if entry[:value].nil?

      @readings.note(reference_id, aspect: "chord", starts_at: entry[:from], ends_at: entry[:to], first_bar: entry[:bar], last_bar: entry[:bar],
        supersedes_id: covered.last&.fetch(:id), **entry.slice(:value, :statement, :source, :state, :confidence, :note))
    end

    private

    def chords(reference_id)
      @readings.of_aspect(reference_id, "chord").reject { |row| row[:state] == "corrected" }
    end
  end
end
