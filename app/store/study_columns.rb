# frozen_string_literal: true

module Store
  # What the rows of a study file may hold, a schema a table, for {StudyCheck}. What people fill is held to the schemas that guard their forms ({Fields}); what the
  # application words itself may be longer. Columns that are not named here are not taken in.
  module StudyColumns
    NUMBER = (1..(2**62))
    # Words of the application's own.
    LINE = 1000
    TEXT = 40_000
    SECONDS = (-2000..2000)
    STATES = %w[queued running done failed].freeze
    ROLES = Ethoscope::Layers::Role::CHOICES
    VALUES = Ethoscope::Readings::Values

    Row = Ethoscope::Forms.schema { required(:id).filled(:integer, included_in?: NUMBER) }
    Made = Ethoscope::Forms.schema(parent: Row) { required(:created_at).filled(:string, max_size?: 40) }
    Titled = Ethoscope::Forms.schema(parent: Made) do
      required(:title).filled(:string, max_size?: LINE)
      optional(:deleted_at).maybe(:string, max_size?: 40)
    end

    Study = Ethoscope::Forms.schema(parent: [Fields::Study, Titled]) { required(:aim).filled(:string, included_in?: Ethoscope::Checklist::Brief::AIMS) }

    Recording = Ethoscope::Forms.schema(parent: Made) { required(:sha256).filled(:string, format?: /\A\h{64}\z/) }

    Analysis = Ethoscope::Forms.schema(parent: Made) do
      required(:recording_id).filled(:integer, included_in?: NUMBER)
      required(:data).filled(:hash)
      optional(:finished_at).maybe(:string, max_size?: 40)
    end

    Reference = Ethoscope::Forms.schema(parent: [Fields::Reference, Titled]) do
      required(:study_id).filled(:integer, included_in?: NUMBER)
      required(:recording_id).filled(:integer, included_in?: NUMBER)
      required(:original_name).filled(:string, max_size?: LINE)
      required(:position).filled(:integer, included_in?: 0..100_000)
      optional(:attempt).filled(:bool)
    end

    # Of a person's reading, its value is checked by its aspect.
    Reading = Ethoscope::Forms.schema(parent: Made) do
      required(:reference_id).filled(:integer, included_in?: NUMBER)
      optional(:analysis_id).maybe(:integer)
      optional(:supersedes_id).maybe(:integer)
      required(:aspect).filled(:string, included_in?: Readings::ASPECTS | Readings::NOTED)
      required(:value).maybe(:hash)
      required(:statement).value(:string, max_size?: LINE)
      %i[note why reason].each { |name| optional(name).value(:string, max_size?: LINE) }
      optional(:link).value(:string, max_size?: LINE, format?: /\A(?:https?:\S+)?\z/)
      optional(:rivals).value(:array, max_size?: 40).each(:hash) do
        required(:label).filled(:string, max_size?: 120)
        required(:odds).filled(:float, included_in?: 0..1)
      end
      %i[first_bar last_bar].each { |name| optional(name).maybe(:integer, included_in?: 0..4000) }
      %i[starts_at ends_at].each { |name| optional(name).maybe(:float, included_in?: SECONDS) }
      required(:source).filled(:string, included_in?: VALUES::SOURCES)
      optional(:confidence).maybe(:float, included_in?: 0..1)
      required(:state).filled(:string, included_in?: VALUES::STATES)
    end

    Stem = Ethoscope::Forms.schema(parent: Made) do
      required(:reference_id).filled(:integer, included_in?: NUMBER)
      required(:recording_id).filled(:integer, included_in?: NUMBER)
      required(:name).filled(:string, max_size?: LINE)
      %i[role guess].each { |name| required(name).filled(:string, included_in?: ROLES) }
      %i[offset set_offset].each { |name| optional(name).maybe(:float, included_in?: SECONDS) }
      %i[agreement distinct].each { |name| optional(name).maybe(:float, included_in?: -1000..1000) }
      optional(:seconds).maybe(:float, included_in?: 0..2000)
      optional(:speed).filled(:float, included_in?: 0.25..4)
      %i[fits insisted].each { |name| optional(name).filled(:bool) }
      required(:state).filled(:string, included_in?: STATES)
      optional(:progress).filled(:float, included_in?: 0..1)
      optional(:error).maybe(:string, max_size?: LINE)
    end

    # Its parts and warnings are read off the file again.
    Score = Ethoscope::Forms.schema(parent: Recording) do
      required(:reference_id).filled(:integer, included_in?: NUMBER)
      required(:name).filled(:string, max_size?: LINE)
      optional(:roles).value(:hash)
      optional(:file_bar).maybe(:integer, included_in?: 1..4000)
      optional(:placed_at).maybe(:float, included_in?: SECONDS)
    end

    Entry = Ethoscope::Forms.schema(parent: Made) do
      required(:study_id).filled(:integer, included_in?: NUMBER)
      required(:kind).filled(:string, max_size?: 120, format?: /\A[a-z0-9_]+\z/)
      required(:texts).hash(Fields::Entry)
    end

    Checklist = Ethoscope::Forms.schema(parent: Titled) do
      required(:study_id).filled(:integer, included_in?: NUMBER)
      optional(:reference_id).maybe(:integer)
      required(:school).filled(:string, included_in?: Fields::SCHOOLS)
      optional(:by_hand).filled(:bool)
    end

    # Targets are checked by their measure.
    Item = Ethoscope::Forms.schema(parent: [Row, Fields::Work]) do
      required(:checklist_id).filled(:integer, included_in?: NUMBER)
      optional(:reading_id).maybe(:integer)
      required(:position).filled(:integer, included_in?: 0..100_000)
      required(:number).value(:string, max_size?: 40)
      required(:stage).filled(:string, included_in?: Fields::STAGES)
      required(:title).filled(:string, max_size?: LINE)
      required(:target).filled(:string, max_size?: TEXT)
      %i[tolerance fallback heading].each { |name| optional(name).value(:string, max_size?: LINE) }
      required(:minutes).filled(:integer, included_in?: 0..100_000)
      optional(:steps).value(:array, max_size?: 2000).each(:string, max_size?: LINE)
      required(:from).value(:string, max_size?: 120)
      optional(:about).maybe(:string, max_size?: 200)
      optional(:own).filled(:bool)
      optional(:spent).filled(:integer, included_in?: 0..(10**9))
      optional(:targets).value(:array, max_size?: 2000).each(:hash)
      optional(:pins).value(:array, max_size?: 200).each(:hash) do
        required(:calculator).filled(:string, included_in?: Ethoscope::Calculators::Reckoner::ALL.map { |calculator| calculator::ID })
        required(:name).filled(:string, max_size?: 120)
        required(:written).value(:hash)
        required(:text).value(:string, max_size?: LINE)
      end
    end

    Logged = Ethoscope::Forms.schema(parent: Row) do
      required(:study_id).filled(:integer, included_in?: NUMBER)
      %i[checklist_id item_id].each { |name| optional(name).maybe(:integer) }
      %i[list stage title decision why].each { |name| required(name).value(:string, max_size?: LINE) }
      %i[box seconds].each { |name| required(name).filled(:integer, included_in?: 0..(10**9)) }
      required(:at).filled(:string, max_size?: 40)
    end

    # The list as it stood is checked item by item.
    Attempt = Ethoscope::Forms.schema(parent: [Made, Fields::Attempt]) do
      required(:study_id).filled(:integer, included_in?: NUMBER)
      required(:song_id).filled(:integer, included_in?: NUMBER)
      %i[against_id checklist_id].each { |name| optional(name).maybe(:integer) }
      required(:number).filled(:integer, included_in?: 1..100_000)
      optional(:lies).hash(Fields::Lies)
      optional(:settled).hash do
        optional(:bpm).filled(:float, included_in?: Ethoscope::Corrections::TEMPI)
        optional(:meter).filled(:string, included_in?: Ethoscope::Rhythm::Meter::ALL.map(&:name))
        optional(:first_downbeat).filled(:float, included_in?: VALUES::EARLY_SECONDS)
      end
      optional(:list).maybe(:array, max_size?: 2000)
      optional(:deleted_at).maybe(:string, max_size?: 40)
    end

    Overrule = Ethoscope::Forms.schema(parent: [Made, Fields::Overrule]) { %i[attempt_id item_id].each { |name| required(name).filled(:integer, included_in?: NUMBER) } }

    # By table.
    OF = { studies: Study, recordings: Recording, analyses: Analysis, references: Reference, readings: Reading, stems: Stem, scores: Score, entries: Entry,
           checklists: Checklist, items: Item, log: Logged, attempts: Attempt, overrules: Overrule }.freeze
    # Columns that hold JSON as text.
    JSON_TEXT = { analyses: %i[data], references: %i[words credits], readings: %i[value rivals], scores: %i[roles], entries: %i[texts], items: Items::LISTS,
                  attempts: %i[lies settled list] }.freeze
  end
end
