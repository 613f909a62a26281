# frozen_string_literal: true

require "dry/schema"

module Api
  # What requests may hold, one schema a kind of request.
  module Schemas
    TONICS = %w[C Db D Eb E F F# G Ab A Bb B C# D# G# A# Gb].freeze
    MODES = Ethoscope::Harmony::Key::MODES
    SOURCES = %w[heard credited published told assumed].freeze

    StudyFields = Dry::Schema.Params do
      optional(:scope_bar).maybe(:integer, gteq?: 1, lteq?: 2000)
      optional(:target_bpm).maybe(:float, gteq?: 20, lteq?: 400)
      optional(:target_tonic).maybe(:string, included_in?: TONICS)
      optional(:target_mode).maybe(:string, included_in?: MODES)
    end

    NewStudy = Dry::Schema.Params(parent: StudyFields) do
      required(:title).filled(:string, max_size?: 120)
      required(:aim).filled(:string, included_in?: %w[exact style study])
    end

    StudyChange = Dry::Schema.Params(parent: StudyFields) do
      optional(:title).filled(:string, max_size?: 120)
      optional(:aim).filled(:string, included_in?: %w[exact style study])
    end

    ReferenceChange = Dry::Schema.Params do
      optional(:title).filled(:string, max_size?: 200)
      optional(:artist).maybe(:string, max_size?: 200)
    end

    ReadingState = Dry::Schema.Params do
      required(:state).filled(:string, included_in?: %w[open confirmed refuted])
    end

    Correction = Dry::Schema.Params do
      required(:value).filled(:hash)
      optional(:source).filled(:string, included_in?: SOURCES)
      optional(:note).maybe(:string, max_size?: 500)
      optional(:link).maybe(:string, max_size?: 500)
    end

    NewReading = Dry::Schema.Params(parent: Correction) do
      required(:aspect).filled(:string, included_in?: Store::Readings::ASPECTS)
    end

    ChordEdit = Dry::Schema.Params do
      required(:action).filled(:string, included_in?: %w[name split merge repeat decide clear])
      required(:bar).filled(:integer, gteq?: 1, lteq?: 4000)
      optional(:beat).filled(:float, gteq?: 1, lteq?: 13)
      optional(:beats).filled(:float, gteq?: 0.5, lteq?: 16_000)
      optional(:symbol).filled(:string, max_size?: 40)
      optional(:voicing).array(:string, max_size?: 4)
      optional(:note).value(:string, max_size?: 500)
      optional(:state).filled(:string, included_in?: %w[open confirmed refuted])
      optional(:bars).filled(:integer, gteq?: 1, lteq?: 64)
      optional(:to_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      optional(:last_bar).filled(:integer, gteq?: 1, lteq?: 4000)
    end

    # What each edit needs, and what it may have besides.
    CHORD_FIELDS = { "name" => [%i[bar symbol], %i[beat beats voicing note]], "split" => [%i[bar beat], []], "merge" => [%i[bar], %i[beat]],
                     "repeat" => [%i[bar bars to_bar last_bar], []], "decide" => [%i[bar state], %i[beat]], "clear" => [%i[bar], %i[beat]] }.freeze
    SECTION_FIELDS = { "split" => [%i[index bar], %i[label]], "move" => [%i[index bar], []], "merge" => [%i[index], []], "rename" => [%i[index change], []],
                       "snap" => [%i[index], []], "mark" => [%i[index state], []] }.freeze
    COUNT_FIELDS = { "downbeat" => [%i[beats], []], "pickup" => [%i[beats], []], "tempo_change" => [%i[bar bpm], []], "steady" => [[], []],
                     "times" => [%i[factor], []], "modulation" => [%i[bar tonic mode], []], "one_key" => [[], []] }.freeze

    SectionEdit = Dry::Schema.Params do
      required(:action).filled(:string, included_in?: %w[split move merge rename snap mark])
      required(:index).filled(:integer, gteq?: 0, lteq?: 400)
      optional(:bar).filled(:integer, gteq?: 1, lteq?: 4000)
      optional(:label).filled(:string, max_size?: 40)
      optional(:state).filled(:string, included_in?: %w[open confirmed])
      optional(:change).hash do
        optional(:label).filled(:string, max_size?: 40)
        optional(:letter).filled(:string, max_size?: 4)
      end
    end

    COUNT_LABELS = { "downbeat" => "Move the first beat", "pickup" => "Mark a pickup", "tempo_change" => "Mark a change of tempo", "steady" => "Take back changes of tempo",
                     "modulation" => "Mark a change of key", "one_key" => "Take back changes of key", "times" => "Count in another unit" }.freeze

    CountEdit = Dry::Schema.Params do
      required(:action).filled(:string, included_in?: COUNT_LABELS.keys)
      optional(:bar).filled(:integer, gteq?: 1, lteq?: 4000)
      optional(:beats).filled(:float, gteq?: -8, lteq?: 12)
      optional(:bpm).filled(:float, gteq?: 20, lteq?: 400)
      optional(:factor).filled(:float, included_in?: [0.5, 2.0])
      optional(:tonic).filled(:string, included_in?: TONICS)
      optional(:mode).filled(:string, included_in?: MODES)
    end

    ROLES = Ethoscope::Layers::Role::ALL
    PURPOSES = ["lead", "support", "ear candy", "glue"].freeze

    NewLayer = Dry::Schema.Params do
      required(:name).filled(:string, max_size?: 60)
      optional(:from).filled(:string, max_size?: 120)
      optional(:role).maybe(:string, included_in?: ROLES)
    end

    LayerCard = Dry::Schema.Params do
      optional(:name).filled(:string, max_size?: 60)
      optional(:role).maybe(:string, included_in?: ROLES)
      optional(:card).hash do
        %i[sound register articulation pattern variations pan width sends automation made_from lost shared].each { |field| optional(field).value(:string, max_size?: 300) }
        optional(:have).maybe(:string, included_in?: %w[have need substitute])
        optional(:stacked).maybe(:integer, gteq?: 1, lteq?: 64)
        optional(:purpose).maybe(:string, included_in?: PURPOSES)
        optional(:candidates).array(:hash) do
          required(:text).filled(:string, max_size?: 200)
          optional(:source).maybe(:string, included_in?: SOURCES)
          optional(:sure).maybe(:float, gteq?: 0, lteq?: 1)
          optional(:cost).value(:string, max_size?: 60)
          optional(:live).maybe(:bool)
        end
        optional(:stack).array(:hash) do
          required(:text).filled(:string, max_size?: 200)
          required(:gives).filled(:string, included_in?: %w[body attack air width])
        end
        optional(:chain).array(:hash) do
          required(:type).filled(:string, max_size?: 60)
          optional(:setting).value(:string, max_size?: 120)
          optional(:amount).value(:string, max_size?: 60)
          optional(:why).value(:string, max_size?: 200)
        end
      end
    end

    SightingDecision = Dry::Schema.Params do
      required(:kind).filled(:string, max_size?: 60)
      required(:state).filled(:string, included_in?: %w[open confirmed refuted])
      required(:first_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      required(:last_bar).filled(:integer, gteq?: 1, lteq?: 4000)
    end

    NewMark = Dry::Schema.Params do
      required(:type).filled(:string, included_in?: %w[technique transition oddity question idea])
      required(:text).filled(:string, max_size?: 500)
      required(:first_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      required(:last_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      optional(:layer_id).maybe(:integer)
    end

    ChangeEdit = Dry::Schema.Params do
      required(:bar).filled(:integer, gteq?: 1, lteq?: 4000)
      optional(:key).filled(:string, max_size?: 80)
      optional(:text).filled(:string, max_size?: 200)
    end

    Taps = Dry::Schema.Params do
      required(:times).array(:float, gteq?: 0, lteq?: 100_000)
    end

    Paint = Dry::Schema.Params do
      required(:first_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      required(:last_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      required(:level).filled(:integer, gteq?: 0, lteq?: 3)
    end

    NewTechnique = Dry::Schema.Params do
      required(:name).filled(:string, max_size?: 120)
      required(:first_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      required(:last_bar).filled(:integer, gteq?: 1, lteq?: 4000)
      optional(:note).maybe(:string, max_size?: 500)
      optional(:kind).maybe(:string, max_size?: 60)
    end

    StemChange = Dry::Schema.Params do
      optional(:role).filled(:string, included_in?: Ethoscope::Layers::Role::CHOICES)
      optional(:name).filled(:string, max_size?: 120)
      optional(:set_offset).maybe(:float, gteq?: -1200, lteq?: 1200)
    end

    ScoreRoles = Dry::Schema.Params do
      required(:roles).array(:hash) do
        required(:name).filled(:string, max_size?: 200)
        required(:role).filled(:string, included_in?: Ethoscope::Layers::Role::ALL)
      end
    end

    EntryTexts = Dry::Schema.Params do
      optional(:name).filled(:string, max_size?: 120)
      optional(:family).filled(:string, included_in?: [*Ethoscope::Techniques::Library::FAMILIES, "own"])
      %i[summary hear mix stems midi measure wrong].each { |field| optional(field).value(:string, max_size?: 500) }
      optional(:steps).value(:array, max_size?: 12).each(:string, max_size?: 300)
    end

    NewEntry = Dry::Schema.Params(parent: EntryTexts) do
      required(:name).filled(:string, max_size?: 120)
    end

    NewAssembly = Dry::Schema.Params do
      required(:title).filled(:string, max_size?: 120)
    end

    LayerCopy = Dry::Schema.Params do
      required(:reference_id).filled(:integer)
    end

    NewChecklist = Dry::Schema.Params do
      required(:from).filled(:string, included_in?: %w[profile reference])
      optional(:reference_id).maybe(:integer)
      optional(:school).filled(:string, included_in?: Ethoscope::Checklist::Schools::ALL.map(&:id))
    end

    ChecklistChange = Dry::Schema.Params do
      required(:school).filled(:string, included_in?: Ethoscope::Checklist::Schools::ALL.map(&:id))
    end

    ItemChange = Dry::Schema.Params do
      optional(:state).filled(:string, included_in?: %w[open done skipped])
      optional(:note).value(:string, max_size?: 1000)
    end
  end
end
