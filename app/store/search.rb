# frozen_string_literal: true

module Store
  # Finds words in everything that has a name or was written: studies, songs, readings, layers, techniques, notes, items and attempts.
  class Search < Rows
    # Found of each kind at the most.
    MOST = 8
    SHORTEST = 2

    # @param library [Library]
    def initialize(library)
      super(library.db)
      @library = library
    end

    # @param words [String] all of them must be there, in any order
    # @return [Array<Hash>] kind, text, beside (where it belongs) and path (of the page that shows it), the nearest kinds first
    def of(words)
      parts = Database.folded(words.to_s).split.first(6)
      return [] if parts.join.size < SHORTEST

      [*studies(parts), *songs(parts), *items(parts), *attempts(parts), *statements(parts), *techniques(parts)]
    end

    private

    def studies(parts)
      found(living(:studies), parts, :title).map { |row| hit("study", row[:title], "", "/studies/#{row[:id]}") }
    end

    def songs(parts)
      rows = found(references, parts, Sequel[:references][:title], :artist)
      rows.map { |row| hit("song", row[:title], row[:study], "/studies/#{row[:study_id]}/references/#{row[:id]}") }
    end

    def items(parts)
      lists = living(:checklists).join(:studies, id: :study_id).where(Sequel[:studies][:deleted_at] => nil)
      rows = db[:items].join(lists.select(Sequel[:checklists][:id].as(:list), Sequel[:checklists][:title].as(:list_title), :study_id), list: :checklist_id)
      found(rows, parts, Sequel[:items][:title], :target, :note).map do |row|
        hit("item", "#{row[:number]} #{row[:title]}", row[:list_title], "/studies/#{row[:study_id]}/checklists/#{row[:checklist_id]}?item=#{row[:id]}")
      end
    end

    def attempts(parts)
      rows = db[:attempts].where(deleted_at: nil)
      found(rows, parts, :note).map { |row| hit("attempt", "Attempt #{row[:number]}: #{row[:note]}", "", "/studies/#{row[:study_id]}/attempts/#{row[:id]}") }
    end

    # Readings, layers, techniques, marks and remarks on them.
    def statements(parts)
      rows = db[:readings].join(references.select(Sequel[:references][:id].as(:song), Sequel[:references][:title].as(:song_title), :study_id).as(:songs), song: :reference_id)
      found(rows.where(Sequel.~(state: "refuted")), parts, :statement, :note, said(Sequel[:readings][:value])).map do |row|
        hit(row[:aspect], row[:statement], row[:song_title], "/studies/#{row[:study_id]}/references/#{row[:reference_id]}?card=#{card(row)}")
      end
    end

    # Entries of the library that ships, and those of each study.
    def techniques(parts)
      own = found(db[:entries].join(living(:studies).select(Sequel[:studies][:id].as(:study)).as(:mine), study: :study_id), parts, said(:texts))
      study = living(:studies).max(:id) or return []
      shipped = Ethoscope::Techniques::Library.entries.select { |entry| parts.all? { |part| Database.folded("#{entry.name} #{entry.summary}").include?(part) } }.first(MOST)
      own.map { |row| hit("technique", parse(row[:texts]).fetch(:name, row[:kind].tr("_", " ")), "in your words", "/studies/#{row[:study_id]}/techniques?kind=#{row[:kind]}") } +
        shipped.map { |entry| hit("technique", entry.name, entry.family, "/studies/#{study}/techniques?kind=#{entry.kind}") }
    end

    def card(row)
      case row[:aspect]
      when "layer" then "ownLayer:#{row[:id]}"
      when "technique" then "ownTechnique:#{row[:id]}"
      when "mark" then "mark:#{row[:id]}"
      when "chord" then "chord:#{format("%.3f", row[:starts_at] || 0)}"
      else "reading:#{row[:aspect]}"
      end
    end

    def living(table) = db[table].where(Sequel[table][:deleted_at] => nil)

    # Songs that stand in a study that stands.
    def references
      living(:references).where(attempt: false).join(:studies, id: :study_id).where(Sequel[:studies][:deleted_at] => nil)
                         .select(Sequel[:references][:id], :study_id, Sequel[:references][:title], :artist, Sequel[:studies][:title].as(:study))
    end

    def found(rows, parts, *columns)
      texts = columns.map { |column| column.is_a?(Sequel::SQL::Function) ? column : Sequel.function(:folded, column) }
      parts.reduce(rows) { |narrowed, part| narrowed.where(Sequel.|(*texts.map { |text| contains(text, part) })) }.limit(MOST).all
    end

    def contains(text, part) = Sequel::SQL::BooleanExpression.new(:>, Sequel.function(:instr, text, part), 0)

    # What a person said in a column of JSON, not how its fields are called.
    def said(column) = Sequel.function(:said, column)

    def hit(kind, text, beside, path) = { kind:, text:, beside: beside.to_s, path: }
  end
end
