# frozen_string_literal: true

module Store
  # Readings: statements about a reference. Nothing is overwritten: a correction supersedes what it replaces.
  class Readings < Rows
    PERSONAL = %w[layer technique].freeze

    # @param reference_id [Integer]
    # @return [Array<Hash>] all of them, oldest first
    def of_reference(reference_id) = db[:readings].where(reference_id:).order(:id).map { |row| plain(row) }

    # @param id [Integer]
    # @return [Hash]
    # @raise [Missing]
    def find(id) = plain(existing(db[:readings][id:], "reading"))

    # The reading that holds for each aspect: a person's correction before the newest measurement.
    #
    # @param reference_id [Integer]
    # @return [Hash{String => Hash}] by aspect
    def current(reference_id)
      rows = of_reference(reference_id).reject { |row| PERSONAL.include?(row[:aspect]) }
      rows.group_by { |row| row[:aspect] }.transform_values do |group|
        standing = group.reject { |row| %w[corrected refuted].include?(row[:state]) }
        standing.reverse.find { |row| row[:source] != "measured" } || standing.last || group.last
      end
    end

    # @param reference_id [Integer]
    # @return [Hash{String => Hash}] values that a person put in the place of measured ones, by aspect
    def corrections(reference_id)
      standing = current(reference_id).reject { |_, row| row[:source] == "measured" || row[:state] == "refuted" || row[:value].nil? }
      standing.transform_values { |row| row[:value] }
    end

    # Adds what an analysis measured. A person's correction stays in force.
    #
    # @param reference_id [Integer]
    # @param analysis_id [Integer]
    # @param analysis [Ethoscope::Analysis]
    def measure(reference_id, analysis_id, analysis)
      db.transaction do
        db[:readings].where(reference_id:, source: "measured").update(state: "corrected")
        Ethoscope::Readings::Reader.new(analysis).readings.each do |reading|
          insert(reference_id, aspect: reading.aspect, value: reading.value, statement: reading.statement, note: reading.note,
            why: reading.why, rivals: reading.rivals, confidence: reading.confidence, source: "measured", analysis_id:)
        end
      end
    end

    # Settles a reading. When a correction is refuted, what it replaced stands again.
    #
    # @param id [Integer]
    # @param state [String] open, confirmed or refuted
    # @return [Hash]
    def mark(id, state)
      db.transaction(mode: :immediate) do
        reading = find(id)
        db[:readings].where(id:).update(state:)
        db[:readings].where(id: reading[:supersedes_id], state: "corrected").update(state: "open") if state == "refuted"
        find(id)
      end
    end

    # Puts a person's value in the place of a reading.
    #
    # @param id [Integer] the reading that is replaced
    # @param value [Hash]
    # @param source [String]
    # @param note [String]
    # @return [Hash] the new reading
    # @raise [ArgumentError] when the value does not fit the aspect
    def correct(id, value:, source:, note:)
      old = find(id)
      # Before the transaction: in it, the adapter would take an ArgumentError for one of its own.
      statement = Ethoscope::Readings::Reader.heard(old[:aspect], value)
      db.transaction(mode: :immediate) do
        db[:readings].where(id:).update(state: "corrected")
        insert(old[:reference_id], aspect: old[:aspect], value:, statement:, note:, source:, supersedes_id: id)
      end
    end

    # Adds what a person noted: a layer with its cells, or a technique with its bars.
    #
    # @param reference_id [Integer]
    # @param attributes [Hash] aspect, value, statement, note, source, first_bar, last_bar
    # @return [Hash]
    def note(reference_id, attributes) = insert(reference_id, **attributes)

    # @param id [Integer]
    # @param value [Hash] replaces the value of a person's note
    # @return [Hash]
    def revise(id, value)
      personal(id)
      db[:readings].where(id:).update(value: JSON.generate(value))
      find(id)
    end

    # @param id [Integer] a person's note
    def delete(id)
      personal(id)
      db[:readings].where(id:).delete
    end

    private

    def personal(id)
      reading = find(id)
      return if PERSONAL.include?(reading[:aspect]) && reading[:source] != "measured"

      raise ArgumentError, "only your own notes can be changed"
    end

    def insert(reference_id, aspect:, value:, statement:, source:, **rest)
      row = { reference_id:, aspect:, value: JSON.generate(value), statement:, source:, created_at: now }.merge(rest)
      row[:rivals] = JSON.generate(row.fetch(:rivals, []))
      find(db[:readings].insert(row))
    end

    def plain(row) = row.merge(value: parse(row[:value]), rivals: parse(row[:rivals]))
  end
end
