# frozen_string_literal: true

module Store
  # Readings: statements about a reference. Nothing is overwritten: a correction supersedes what it replaces.
  class Readings < Rows
    ASPECTS = Ethoscope::Readings::Reader::ASPECTS
    # What of a statement is laid over the sheet.
    NOTE = %i[id aspect value source state note].freeze
    # Statements that a person makes about some stretch of a song.
    NOTED = %w[chord layer technique mark change sighting line].freeze

    include Remeasuring

    # @param db [Sequel::Database]
    # @param tape [Tape, nil] remembers what is changed
    def initialize(db, tape = nil)
      super(db)
      @tape = tape
    end

    # @param reference_id [Integer]
    # @return [Array<Hash>] all of them, oldest first
    def of_reference(reference_id) = db[:readings].where(reference_id:).order(:id).map { |row| plain(row) }

    # @param reference_id [Integer]
    # @param aspect [String]
    # @return [Array<Hash>] its readings of that aspect, oldest first
    def of_aspect(reference_id, aspect) = noted(reference_id, aspect)

    # @param id [Integer]
    # @return [Hash]
    # @raise [Missing]
    def find(id) = plain(existing(db[:readings][id:], "reading"))

    # The reading that holds for each aspect: what was confirmed, then what a person put in the place of another, then the newest
    # measurement. What is said beside it changes nothing until it is confirmed.
    #
    # @param reference_id [Integer]
    # @return [Hash{String => Hash}] by aspect
    def current(reference_id) = by_aspect(reference_id).transform_values { |group| in_force(group) }

    # @param reference_ids [Array<Integer>]
    # @return [Hash{Integer => Hash{String => Hash}}] by reference and aspect the reading that holds, without what it says
    def states(reference_ids)
      rows = db[:readings].where(reference_id: reference_ids, aspect: ASPECTS).order(:id).select(:id, :reference_id, :aspect, :state, :source, :supersedes_id).all
      rows.group_by { |row| row[:reference_id] }.transform_values { |own| own.group_by { |row| row[:aspect] }.transform_values { |group| in_force(group) } }
    end

    # @param reference_id [Integer]
    # @return [Array] changes whenever a reading does
    def stamp(reference_id)
      rows = db[:readings].where(reference_id:)
      [db[:references].where(id: reference_id).get(:revision), rows.max(:id), rows.count]
    end

    # @param reference_id [Integer]
    # @return [Hash{String => Array<Integer>}] readings that contradict each other and are not settled, by aspect
    def contradictions(reference_id)
      standing = by_aspect(reference_id).transform_values { |group| group.select { |row| standing?(row) } }
      apart = standing.select do |aspect, rows|
        rows.combination(2).any? { |one, other| !Ethoscope::Readings::Agreement.same?(aspect, one[:value], other[:value]) }
      end
      apart.transform_values { |rows| rows.map { |row| row[:id] } }
    end

    # @param reference_id [Integer]
    # @return [Hash{String => Hash}] values that a person put in the place of measured ones, by aspect
    def corrections(reference_id)
      standing = current(reference_id).reject { |_, row| row[:source] == "measured" || row[:state] == "refuted" || row[:value].nil? }
      standing.transform_values { |row| row[:value] }
    end

    # @param reference_id [Integer]
    # @return [Array<Ethoscope::Sheet::SheetNote>] what a person says over the measured sheet, oldest first
    def notes(reference_id)
      form = current(reference_id)["form"]
      # Sheets may hold thousands of them: no more is read than a note has.
      rows = db[:readings].where(reference_id:, aspect: NOTED).order(:id).select(*NOTE, :starts_at, :ends_at).map { |row| row.merge(value: parse(row[:value])) }
      rows << form if form && form[:source] != "measured" && form.dig(:value, :entries)
      rows.map { |row| Ethoscope::Sheet::SheetNote.new(from: row[:starts_at], to: row[:ends_at], **row.slice(*NOTE)) }
    end

    # Settles a reading. What is confirmed puts the others that stand beside it to rest; when a correction is refuted, what it replaced
    # stands again.
    #
    # @param id [Integer]
    # @param state [String] open, confirmed or refuted
    # @param reason [String, nil] why; what was said before stays when nothing is said
    # @param link [String, nil] where that is said
    # @return [Hash]
    def mark(id, state, reason: nil, link: nil)
      db.transaction(mode: :immediate) do
        reading = find(id)
        write([id], state:, **{ reason:, link: }.compact)
        put_to_rest(reading) if state == "confirmed" && ASPECTS.include?(reading[:aspect])
        write(db[:readings].where(id: reading[:supersedes_id], state: "corrected").select_map(:id), state: "open") if state == "refuted"
        find(id)
      end
    end

    # Puts a person's value in the place of a reading.
    #
    # @param id [Integer] the reading that is replaced
    # @param value [Hash]
    # @param source [String]
    # @param note [String]
    # @param link [String] where it is said
    # @return [Hash] the new reading
    # @raise [Ethoscope::Errors::Unfit] when the value does not fit the aspect
    def correct(id, value:, source:, note: "", link: "")
      old = find(id)
      value = Ethoscope::Readings::Values.checked(old[:aspect], value)
      statement = Ethoscope::Readings::Reader.heard(old[:aspect], value)
      db.transaction(mode: :immediate) do
        write([id], state: "corrected")
        insert(old[:reference_id], aspect: old[:aspect], value:, statement:, note:, link:, source:, supersedes_id: id)
      end
    end

    # Adds what another source says, beside what stands.
    #
    # @param reference_id [Integer]
    # @param aspect [String] one of ASPECTS
    # @param value [Hash]
    # @param source [String]
    # @param note [String]
    # @param link [String] where it is said
    # @return [Hash] the new reading
    # @raise [Ethoscope::Errors::Unfit] when the value does not fit the aspect
    def add(reference_id, aspect:, value:, source:, note: "", link: "")
      value = Ethoscope::Readings::Values.checked(aspect, value)
      statement = Ethoscope::Readings::Reader.heard(aspect, value)
      insert(reference_id, aspect:, value:, statement:, note:, link:, source:)
    end

    # Adds what a person noted about some stretch of the song.
    #
    # @param reference_id [Integer]
    # @param attributes [Hash] aspect (one of NOTED), value, statement, source, and any of note, state, starts_at, ends_at, first_bar,
    #   last_bar, supersedes_id, confidence
    # @return [Hash]
    # @raise [Ethoscope::Errors::Unfit] when the value does not fit the aspect
    def note(reference_id, attributes)
      insert(reference_id, **attributes, value: Ethoscope::Readings::Values.checked(attributes.fetch(:aspect), attributes.fetch(:value)))
    end

    # @param id [Integer]
    # @param change [Hash] value, statement, note or link of a person's note
    # @return [Hash]
    # @raise [Ethoscope::Errors::Unfit] when the value does not fit the aspect
    def revise(id, change)
      aspect = personal(id)[:aspect]
      change = change.merge(value: JSON.generate(Ethoscope::Readings::Values.checked(aspect, change[:value]))) if change[:value]
      write([id], **change.slice(:value, :statement, :note, :link))
      find(id)
    end

    # @param id [Integer] what was said there is replaced
    def replace(id) = write([id], state: "corrected")

    # @param id [Integer] a person's note
    def delete(id)
      personal(id)
      # What it replaced loses the link to it.
      touch(db[:readings].where(supersedes_id: id).select_map(:id) << id)
      db[:readings].where(id:).delete
    end

    private

    def noted(reference_id, aspects) = db[:readings].where(reference_id:, aspect: aspects).order(:id).map { |row| plain(row) }

    # Everything that changes rows goes through here, so that it can be undone.
    def write(ids, **change)
      touch(ids)
      db[:readings].where(id: ids).update(change) unless ids.empty? || change.empty?
    end

    def touch(ids)
      return unless @tape

      rows = db[:readings].where(id: ids).as_hash(:id)
      ids.each { |id| @tape.note(id, rows[id]) }
    end

    def in_force(group)
      standing = group.select { |row| standing?(row) }
      standing.max_by { |row| [rank(row), row[:id]] } || group.last
    end

    def by_aspect(reference_id) = noted(reference_id, ASPECTS).group_by { |row| row[:aspect] }

    def rank(row)
      return 3 if row[:state] == "confirmed"
      return 1 if row[:source] == "measured"

      row[:supersedes_id] ? 2 : 0
    end

    def standing?(row) = !%w[corrected refuted].include?(row[:state])

    def put_to_rest(reading)
      beside = db[:readings].where(reference_id: reading[:reference_id], aspect: reading[:aspect], state: %w[open confirmed]).exclude(id: reading[:id])
      write(beside.select_map(:id), state: "corrected")
    end

    def personal(id)
      reading = find(id)
      return reading if NOTED.include?(reading[:aspect])

      raise Ethoscope::Errors::Unfit, "only your own notes can be changed"
    end

    def insert(reference_id, aspect:, value:, statement:, source:, **rest)
      row = { reference_id:, aspect:, value: JSON.generate(value), statement:, source:, created_at: now }.merge(rest)
      row[:rivals] = JSON.generate(row.fetch(:rivals, []))
      id = db[:readings].insert(row)
      @tape&.note(id, nil)
      find(id)
    end

    def plain(row) = row.merge(value: parse(row[:value]), rivals: parse(row[:rivals]))
  end
end
