# frozen_string_literal: true

module Api
  # What requests may hold, one schema a kind of request.
  module Schemas
    TONICS = Store::Fields::TONICS
    MODES = Store::Fields::MODES
    SOURCES = (Ethoscope::Readings::Values::SOURCES - ["measured"]).freeze

    # As theirs, or in the tempo and key of the new track.
    FrameQuestion = Ethoscope::Forms.schema do
      optional(:as).filled(:string, included_in?: %w[theirs mine])
    end

    StudyChange = Store::Fields::Study

    NewStudy = Ethoscope::Forms.schema(parent: StudyChange) do
      required(:title).filled(:string, max_size?: 120)
      required(:aim).filled(:string, included_in?: Ethoscope::Checklist::Brief::AIMS)
    end

    ReferenceChange = Store::Fields::Reference

    Settings = Ethoscope::Forms.schema do
      optional(:names).filled(:string, included_in?: %w[key sharps flats])
      optional(:middle_c).filled(:string, included_in?: %w[C4 C3])
      optional(:school).filled(:string, included_in?: Ethoscope::Checklist::Schools::ALL.map(&:id))
      optional(:volume).filled(:integer, included_in?: 0..100)
      optional(:shortcuts).filled(:bool)
      optional(:keys).value(:hash)
    end

    SearchQuestion = Ethoscope::Forms.schema do
      required(:words).value(:string, max_size?: 100)
    end

    Written = Ethoscope::Forms.schema do
      required(:written).value(:hash)
    end

    KnownQuestion = Ethoscope::Forms.schema(parent: FrameQuestion) do
      optional(:layer).filled(:string, max_size?: 120)
    end

    ManySongs = Ethoscope::Forms.schema do
      required(:action).filled(:string, included_in?: Work::Many::ACTIONS)
      required(:ids).value(:array, min_size?: 1, max_size?: 2000).each(:integer)
      optional(:to).filled(:integer)
    end

    ReferencePlace = Ethoscope::Forms.schema do
      required(:to).filled(:integer, included_in?: 1..2000)
    end

    ReferenceMove = Ethoscope::Forms.schema do
      required(:study_id).filled(:integer)
      optional(:copy).filled(:bool)
    end

    ReadingState = Ethoscope::Forms.schema do
      required(:state).filled(:string, included_in?: %w[open confirmed refuted])
      optional(:note).maybe(:string, max_size?: 500)
      optional(:link).maybe(:string, max_size?: 500, format?: Store::Fields::LINK)
    end

    Correction = Ethoscope::Forms.schema do
      required(:value).filled(:hash)
      optional(:source).filled(:string, included_in?: SOURCES)
      optional(:note).maybe(:string, max_size?: 500)
      optional(:link).maybe(:string, max_size?: 500, format?: Store::Fields::LINK)
    end

    NewReading = Ethoscope::Forms.schema(parent: Correction) do
      required(:aspect).filled(:string, included_in?: Store::Readings::ASPECTS)
    end

    ChordQuestion = Ethoscope::Forms.schema do
      required(:symbol).value(:string, max_size?: 40)
      optional(:bar).filled(:integer, included_in?: 0..4000)
    end

    KeyQuestion = Ethoscope::Forms.schema do
      required(:tonic).filled(:string, included_in?: TONICS)
      required(:mode).filled(:string, included_in?: MODES)
    end

    ChordEdit = Ethoscope::Forms.schema do
      required(:action).filled(:string, included_in?: %w[name split merge repeat decide clear])
      required(:bar).filled(:integer, included_in?: 1..4000)
      optional(:beat).filled(:float, included_in?: 1..13)
      optional(:beats).filled(:float, included_in?: 0.5..16_000)
      optional(:symbol).filled(:string, max_size?: 40)
      optional(:voicing).array(:string, max_size?: 4)
      optional(:note).value(:string, max_size?: 500)
      optional(:state).filled(:string, included_in?: %w[open confirmed refuted])
      optional(:bars).filled(:integer, included_in?: 1..64)
      optional(:to_bar).filled(:integer, included_in?: 1..4000)
      optional(:last_bar).filled(:integer, included_in?: 1..4000)
    end

    # What each edit needs, and what it may have besides.
    CHORD_FIELDS = { "name" => [%i[bar symbol], %i[beat beats voicing note]], "split" => [%i[bar beat], []], "merge" => [%i[bar], %i[beat]],
                     "repeat" => [%i[bar bars to_bar last_bar], []], "decide" => [%i[bar state], %i[beat]], "clear" => [%i[bar], %i[beat]] }.freeze
    SECTION_FIELDS = { "split" => [%i[index bar], %i[label]], "move" => [%i[index bar], []], "merge" => [%i[index], []], "rename" => [%i[index change], []],
                       "snap" => [%i[index], []], "mark" => [%i[index state], []] }.freeze
    COUNT_FIELDS = { "count" => [%i[bpm meter], []], "downbeat" => [%i[beats], []], "pickup" => [%i[beats], []], "tempo_change" => [%i[bar bpm], []], "even" => [%i[bar], []],
                     "ramp" => [%i[bar to_bar bpm to], []], "steady" => [[], []], "bar_line" => [%i[at], []], "no_bar_lines" => [[], []],
                     "times" => [%i[factor], []], "modulation" => [%i[bar tonic mode], []], "one_key" => [[], []] }.freeze

    SectionEdit = Ethoscope::Forms.schema do
      required(:action).filled(:string, included_in?: %w[split move merge rename snap mark])
      required(:index).filled(:integer, included_in?: 0..400)
      optional(:bar).filled(:integer, included_in?: 1..4000)
      optional(:label).filled(:string, max_size?: 40)
      optional(:state).filled(:string, included_in?: %w[open confirmed])
      optional(:change).hash do
        optional(:label).filled(:string, max_size?: 40)
        optional(:letter).filled(:string, max_size?: 4)
      end
    end

    COUNT_LABELS = { "count" => "Another tempo and meter", "downbeat" => "Move the first beat", "pickup" => "Mark a pickup",
                     "tempo_change" => "Mark a change of tempo", "even" => "Make beats even",
                     "ramp" => "Mark a tempo that moves", "steady" => "One even tempo", "bar_line" => "Set a bar line", "no_bar_lines" => "Remove bar lines",
                     "modulation" => "Mark a change of key", "one_key" => "Remove changes of key", "times" => "Count in another unit" }.freeze

    CountEdit = Ethoscope::Forms.schema do
      required(:action).filled(:string, included_in?: COUNT_LABELS.keys)
      optional(:bar).filled(:integer, included_in?: 1..4000)
      optional(:beats).filled(:float, included_in?: -8..12)
      optional(:to_bar).filled(:integer, included_in?: 1..4000)
      optional(:bpm).filled(:float, included_in?: 20..400)
      optional(:meter).filled(:string, included_in?: Ethoscope::Rhythm::Meter::ALL.map(&:name))
      optional(:to).filled(:float, included_in?: 20..400)
      optional(:at).filled(:float, included_in?: 0..2000)
      optional(:factor).filled(:float, included_in?: [0.5, 2.0])
      optional(:tonic).filled(:string, included_in?: TONICS)
      optional(:mode).filled(:string, included_in?: MODES)
    end

    LINE_FIELDS = { "add" => [%i[bar beat], %i[pitch beats velocity]], "take" => [%i[bar beat], %i[pitch]],
                    "move" => [%i[bar beat], %i[pitch to_bar to_beat to_pitch beats velocity]] }.freeze
    LINE_LABELS = { "add" => "Write", "take" => "Delete", "move" => "Move" }.freeze

    LineEdit = Ethoscope::Forms.schema do
      required(:action).filled(:string, included_in?: LINE_FIELDS.keys)
      required(:layer).filled(:string, max_size?: 120)
      required(:bar).filled(:integer, included_in?: 1..4000)
      required(:beat).filled(:float, included_in?: 1..13)
      optional(:pitch).maybe(:integer, included_in?: 0..127)
      optional(:to_bar).filled(:integer, included_in?: 1..4000)
      optional(:to_beat).filled(:float, included_in?: 1..13)
      optional(:to_pitch).filled(:integer, included_in?: 0..127)
      optional(:beats).filled(:float, included_in?: 0.05..64)
      optional(:velocity).filled(:float, included_in?: 0.05..1)
    end

    ROLES = Ethoscope::Layers::Role::ALL

    NewLayer = Ethoscope::Forms.schema do
      required(:name).filled(:string, max_size?: 60)
      optional(:from).filled(:string, max_size?: 120)
      optional(:role).maybe(:string, included_in?: ROLES)
    end

    LayerCard = Ethoscope::Forms.schema do
      optional(:name).filled(:string, max_size?: 60)
      optional(:role).maybe(:string, included_in?: ROLES)
      optional(:card).hash(Ethoscope::Readings::Values::CARD)
    end

    SightingDecision = Ethoscope::Forms.schema do
      required(:kind).filled(:string, max_size?: 60)
      required(:state).filled(:string, included_in?: %w[open confirmed refuted])
      required(:first_bar).filled(:integer, included_in?: 1..4000)
      required(:last_bar).filled(:integer, included_in?: 1..4000)
    end

    NewMark = Ethoscope::Forms.schema do
      required(:type).filled(:string, included_in?: Ethoscope::Readings::Values::MARK_TYPES)
      required(:text).filled(:string, max_size?: 500)
      required(:first_bar).filled(:integer, included_in?: 1..4000)
      required(:last_bar).filled(:integer, included_in?: 1..4000)
      optional(:layer_id).maybe(:integer)
      optional(:source).filled(:string, included_in?: SOURCES)
    end

    ChangeEdit = Ethoscope::Forms.schema do
      required(:bar).filled(:integer, included_in?: 1..4000)
      optional(:key).filled(:string, max_size?: 80)
      optional(:text).filled(:string, max_size?: 200)
    end

    Taps = Ethoscope::Forms.schema do
      required(:times).array(:float, included_in?: 0..100_000)
    end

    Paint = Ethoscope::Forms.schema do
      required(:first_bar).filled(:integer, included_in?: 1..4000)
      required(:last_bar).filled(:integer, included_in?: 1..4000)
      required(:level).filled(:integer, included_in?: 0..3)
    end

    NewTechnique = Ethoscope::Forms.schema do
      required(:name).filled(:string, max_size?: 120)
      required(:first_bar).filled(:integer, included_in?: 1..4000)
      required(:last_bar).filled(:integer, included_in?: 1..4000)
      optional(:note).maybe(:string, max_size?: 500)
      optional(:kind).maybe(:string, max_size?: 60)
    end

    StemChange = Ethoscope::Forms.schema do
      optional(:role).filled(:string, included_in?: Ethoscope::Layers::Role::CHOICES)
      optional(:name).filled(:string, max_size?: 120)
      optional(:set_offset).maybe(:float, included_in?: -1200..1200)
      optional(:insisted).filled(:bool)
    end

    ScoreRoles = Ethoscope::Forms.schema do
      required(:roles).array(:hash) do
        required(:name).filled(:string, max_size?: 200)
        required(:role).filled(:string, included_in?: Ethoscope::Layers::Role::ALL)
      end
    end

    # The bar of the file that begins where a bar of the song does, or at a second.
    ScorePlace = Ethoscope::Forms.schema do
      required(:file_bar).filled(:integer, included_in?: 1..4000)
      optional(:bar).filled(:integer, included_in?: 1..4000)
      optional(:at).filled(:float, included_in?: -1200..2000)
    end

    EntryTexts = Store::Fields::Entry

    NewEntry = Ethoscope::Forms.schema(parent: EntryTexts) do
      required(:name).filled(:string, max_size?: 120)
    end

    NewAssembly = Ethoscope::Forms.schema do
      required(:title).filled(:string, max_size?: 120)
    end

    LayerCopy = Ethoscope::Forms.schema do
      required(:reference_id).filled(:integer)
    end
  end
end
