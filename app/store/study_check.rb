# frozen_string_literal: true

module Store
  # Whether the rows of a study file can be shown, told before anything is kept of them: every column by its schema, what rows say of each other, analyses by the
  # contract and by being laid out once, targets by their measures. Nothing that stands here already can be changed by them.
  class StudyCheck
    KEYS = Ethoscope::Harmony::Key::MODES
    # Rows of one table at the most.
    MOST = 200_000
    # What a row can't be without.
    NEEDED = %i[study_id recording_id reference_id checklist_id song_id attempt_id].freeze
    # What of a row belongs to the row it refers to, where that is not an id of its own.
    LONE = { attempts: %i[against_id checklist_id], checklists: %i[reference_id], items: %i[reading_id], log: %i[checklist_id item_id],
             readings: %i[analysis_id supersedes_id] }.freeze

    # @param rows [Object] as the archive has them
    # @return [Hash{Symbol => Array<Hash>}] the same by table, as tables hold them, without columns that nobody knows
    # @raise [Ethoscope::Errors::Unfit] saying which row does not fit
    def self.checked(rows) = new(rows).rows

    # @param rows [Object]
    def initialize(rows)
      @raw = rows
    end

    # @return [Hash{Symbol => Array<Hash>}]
    def rows
      unfit("its rows are not there") unless @raw.is_a?(Hash)
      @rows = StudyRows::TABLES.keys.to_h { |table| [table, table_of(table)] }
      unfit("it holds #{@rows[:studies].size} studies instead of one") unless @rows[:studies].size == 1
      check_ties
      check_analyses
      check_values
      @rows.to_h { |table, list| [table, list.map { |row| packed(table, row) }] }
    end

    private

    def unfit(why) = raise(Ethoscope::Errors::Unfit, "This study can't be opened, for #{why}. Nothing of it was kept")

    def table_of(table)
      list = @raw.fetch(table, [])
      unfit("its #{table} are no list of rows") unless list.is_a?(Array) && list.size <= MOST && list.all?(Hash)

      checked = list.each_with_index.map { |row, place| checked(table, unpacked(table, row, place), place) }
      unfit("two of its #{table} have one number") unless checked.map { |row| row[:id] }.uniq.size == checked.size
      checked
    end

    def unpacked(table, row, place)
      row.merge(StudyColumns::JSON_TEXT.fetch(table, []).filter_map { |column| [column, JSON.parse(row[column], symbolize_names: true, max_nesting: 40)] if row[column] }.to_h)
    rescue JSON::ParserError, TypeError
      complain(table, place, "can't be read")
    end

    def checked(table, row, place)
      result = StudyColumns::OF.fetch(table).call(row)
      return complete(table, row, result.to_h) if result.success?

      unfit(Ethoscope::Forms::Complaint.new({ table => { place => result.errors.to_h } }).sentence.delete_suffix(".").then { |text| "#{text[0].downcase}#{text[1..]}" })
    end

    # Parts that are checked in another way are handed on whole.
    def complete(table, row, known)
      whole = { analyses: %i[data], readings: %i[value], items: %i[targets], attempts: %i[list], scores: %i[roles] }.fetch(table, [])
      known.merge(row.slice(*whole))
    end

    def complain(table, place, what) = unfit("#{table}, number #{place + 1}, #{what}")

    # Rows know each other by numbers within the file.
    def check_ties
      ids = @rows.transform_values { |list| list.to_set { |row| row[:id] } }
      StudyRows::TABLES.each do |table, refers|
        @rows[table].each_with_index do |row, place|
          refers.each do |column, other|
            next if ids[other].include?(row[column])

            lone = LONE.fetch(table, []).include?(column)
            complain(table, place, "belongs to none of its #{other}") unless lone
            row[column] = nil
          end
        end
      end
      check_once(:recordings, %i[sha256])
      check_once(:references, %i[recording_id])
      check_once(:stems, %i[reference_id recording_id])
      check_once(:scores, %i[reference_id])
      check_once(:entries, %i[kind])
      check_once(:attempts, %i[number])
      check_once(:attempts, %i[song_id])
      check_once(:overrules, %i[attempt_id item_id])
      own = @rows[:attempts].map { |row| row[:song_id] }.sort
      unfit("its attempts and their songs do not belong together") unless own == @rows[:references].select { |row| row[:attempt] }.map { |row| row[:id] }.sort
    end

    def check_once(table, columns)
      known = @rows[table].map { |row| row.values_at(*columns) }
      unfit("two of its #{table} are one") unless known.uniq.size == known.size
    end

    # Analyses are laid out once, and measured anew: what can't be shown is not taken in.
    def check_analyses
      @rows[:analyses].each_with_index do |row, place|
        analysis = shown(row[:data]) || complain(:analyses, place, "is none that Ethoscope can show")
        row.merge!(data: analysis.to_h, vector: Ethoscope::Measures::Vector.of(analysis).to_h, engine_version: analysis.fetch(:engine_version).to_s[0, 40], state: "done",
          progress: 1.0)
      end
    end

    def shown(data)
      analysis = Ethoscope::Analysis.from_h(data)
      return nil unless Ethoscope::Contract::AnalysisCheck.problems(analysis.to_h).empty?

      Ethoscope::Readings::Reader.new(analysis).readings
      Ethoscope::Sheet::SongSheet.new(analysis, []).tap(&:analysis).settled
      analysis
    rescue StandardError
      nil
    end

    def check_values
      @rows[:readings].each_with_index { |row, place| row[:value] = value(row, place) }
      @rows[:items].each_with_index { |row, place| targets(row, :items, place) }
      @rows[:attempts].each_with_index { |row, place| row[:list]&.each { |item| stood(item, place) } }
      @rows[:scores].each_with_index { |row, place| roles(row, place) }
    end

    # What was measured is worded by the application itself; of what a person says only that is taken which could be said here.
    def value(row, place)
      return measured(row, place) if row[:source] == "measured" && !Readings::NOTED.include?(row[:aspect])

      Ethoscope::Readings::Values.checked(row[:aspect], row[:value] || {})
    rescue Ethoscope::Errors::Unfit => e
      complain(:readings, place, "does not fit: #{e.message.delete_suffix(".")}")
    end

    def measured(row, place)
      value = row[:value]
      measured?(row[:aspect], value) ? value : complain(:readings, place, "does not fit its aspect")
    end

    def measured?(aspect, value)
      case [aspect, value]
      in ["key" | "loop" | "loudness", nil] | ["tempo", { bpm: nil }] | ["tuning", { cents: Numeric }] |
         ["loudness", { lufs: Numeric }] | ["form", { sections: Integer, letters: Array }] then true
      in ["tempo", { bpm: Numeric => bpm }] then Ethoscope::Corrections::TEMPI.cover?(bpm)
      in ["meter", { name: String => name }] then Ethoscope::Rhythm::Meter::ALL.any? { |meter| meter.name == name }
      in ["key", { tonic: Ethoscope::Harmony::PitchClass::NAME, mode: String => mode }] then KEYS.include?(mode)
      in ["loop", { bars: Integer, degrees: Array => degrees }] then degrees.all?(String)
      else false
      end
    end

    def stood(item, place)
      complain(:attempts, place, "holds a list that can't be read") unless item.is_a?(Hash)
      result = StudyColumns::Item.call(item)
      complain(:attempts, place, "holds a list that can't be read") unless result.success?
      targets(item, :attempts, place)
    end

    def targets(row, table, place)
      (row[:targets] || []).each do |data|
        target = Ethoscope::Measures::Target.from_h(data)
        [target.words, target.tolerance_words, target.to_h]
      end
    rescue StandardError
      complain(table, place, "has a target that no measure knows")
    end

    def roles(row, place)
      fit = (row[:roles] || {}).all? { |name, role| name.size <= StudyColumns::LINE && Ethoscope::Layers::Role::ALL.include?(role) }
      complain(:scores, place, "has a part of an unknown role") unless fit
    end

    def packed(table, row)
      texts = StudyColumns::JSON_TEXT.fetch(table, []) + (table == :analyses ? %i[vector] : [])
      row.merge(row.slice(*texts).compact.transform_values { |part| JSON.generate(part) })
    end
  end
end
