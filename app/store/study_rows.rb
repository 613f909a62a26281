# frozen_string_literal: true

module Store
  # The rows of a study as plain data, and plain data as the rows of a new study: every number that rows know each other by is given anew. Steps that could be
  # undone are not taken along, nor what is worked out again by itself (derived analyses, vectors, separated parts).
  #
  #   rows = StudyRows.new(db)
  #   rows.restore(rows.of_study(1))   # => id of a second study that says the same
  class StudyRows < Rows
    # Tables in the order in which their rows can be put back, with what their columns refer to.
    TABLES = {
      studies: {}, recordings: {}, analyses: { recording_id: :recordings }, references: { study_id: :studies, recording_id: :recordings },
      readings: { reference_id: :references, analysis_id: :analyses, supersedes_id: :readings }, stems: { reference_id: :references, recording_id: :recordings },
      scores: { reference_id: :references }, entries: { study_id: :studies }, checklists: { study_id: :studies, reference_id: :references },
      items: { checklist_id: :checklists, reading_id: :readings }, log: { study_id: :studies, checklist_id: :checklists, item_id: :items },
      attempts: { study_id: :studies, song_id: :references, against_id: :references, checklist_id: :checklists }, overrules: { attempt_id: :attempts, item_id: :items }
    }.freeze
    # What a row starts with where it is put.
    ANEW = { references: { applied: 0, revision: 0 }, checklists: { applied: 0 } }.freeze
    # A number within text, after a word that says of what.
    MARKED = /\Amark:(\d+)\z/

    # @param id [Integer] a study
    # @return [Hash{Symbol => Array<Hash>}] rows by table
    def of_study(id)
      rows = { studies: where(:studies, id:), references: where(:references, study_id: id), entries: where(:entries, study_id: id), checklists: where(:checklists, study_id: id),
               attempts: where(:attempts, study_id: id), log: where(:log, study_id: id) }
      rows[:items] = where(:items, checklist_id: ids(rows[:checklists]))
      rows[:overrules] = where(:overrules, attempt_id: ids(rows[:attempts]))
      with_songs(rows)
    end

    # @param id [Integer] a reference
    # @return [Hash{Symbol => Array<Hash>}] rows of it alone
    def of_reference(id) = with_songs(references: where(:references, id:))

    # @param data [Hash{Symbol => Array<Hash>}] as {#of_study} or {#of_reference} gives it
    # @param known [Hash{Symbol => Hash{Integer => Integer}}] rows of other places that stand for some of it: by table, by number
    # @yieldparam table [Symbol]
    # @yieldparam row [Hash] about to be put back; may be changed
    # @return [Hash{Symbol => Hash{Integer => Integer}}] new numbers by table and old number
    def restore(data, known = {})
      numbers = TABLES.keys.to_h { |table| [table, known.fetch(table, {}).dup] }
      db.transaction(mode: :immediate) do
        TABLES.each do |table, refers|
          data.fetch(table, []).each do |row|
            next if numbers[table].key?(row[:id])

            fresh = renumbered(table, row.except(:id), refers, numbers).merge(ANEW.fetch(table, {}))
            yield table, fresh if block_given?
            numbers[table][row[:id]] = db[table].insert(fresh)
          end
        end
      end
      numbers
    end

    private

    def where(table, condition) = db[table].where(condition).order(:id).all

    def ids(rows) = rows.map { |row| row[:id] }

    def with_songs(rows)
      songs = ids(rows[:references])
      stems = where(:stems, reference_id: songs)
      recordings = [*rows[:references], *stems].map { |row| row[:recording_id] }.uniq
      rows.merge(stems:, scores: where(:scores, reference_id: songs), readings: where(:readings, reference_id: songs), recordings: where(:recordings, id: recordings),
        analyses: plain_analyses(recordings))
    end

    # The newest finished one of each recording, as it is heard with nothing put right.
    def plain_analyses(recordings)
      db[:analyses].where(recording_id: recordings, state: "done", terms: nil).order(:id).all.group_by { |row| row[:recording_id] }.values.map(&:last)
    end

    def renumbered(table, row, refers, numbers)
      moved = row.merge(refers.to_h { |column, other| [column, row[column] && numbers[other][row[column]]] })
      case table
      when :items then moved.merge(about: about(row[:about], numbers))
      when :attempts then moved.merge(list: listed(row[:list], numbers))
      when :readings then moved.merge(value: layered(row, numbers))
      else moved
      end
    end

    def about(text, numbers) = text&.sub(MARKED) { "mark:#{numbers[:readings].fetch(Regexp.last_match(1).to_i, 0)}" }

    # The state of a list when an attempt was made.
    def listed(text, numbers)
      items = parse(text) or return nil
      JSON.generate(items.map do |item|
        item.merge(id: numbers[:items][item[:id]], checklist_id: numbers[:checklists][item[:checklist_id]], reading_id: numbers[:readings][item[:reading_id]],
          about: about(item[:about], numbers))
      end)
    end

    # A mark may belong to a layer that a person hears.
    def layered(row, numbers)
      return row[:value] unless row[:aspect] == "mark"

      value = parse(row[:value])
      value[:layer_id] ? JSON.generate(value.merge(layer_id: numbers[:readings][value[:layer_id]])) : row[:value]
    end
  end
end
