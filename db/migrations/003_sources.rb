# frozen_string_literal: true

# What tells of a song besides its mix: stems and MIDI files. Techniques that a person describes, and their words for known ones.
Sequel.migration do
  change do
    create_table(:stems) do
      primary_key :id
      foreign_key :reference_id, :references, null: false, on_delete: :cascade, index: true
      foreign_key :recording_id, :recordings, null: false
      String :name, null: false
      String :role, null: false
      String :guess, null: false
      Float :offset
      Float :set_offset
      Float :agreement
      Float :distinct
      Float :seconds
      String :state, null: false
      Float :progress, null: false, default: 0.0
      Integer :attempts, null: false, default: 0
      String :error
      String :created_at, null: false
      unique %i[reference_id recording_id]
      check(state: %w[queued running done failed])
    end

    create_table(:scores) do
      primary_key :id
      foreign_key :reference_id, :references, null: false, on_delete: :cascade, unique: true
      String :sha256, null: false
      String :name, null: false
      String :parts, text: true, null: false
      String :warnings, text: true, null: false, default: "[]"
      String :roles, text: true, null: false, default: "{}"
      String :created_at, null: false
    end

    create_table(:entries) do
      primary_key :id
      foreign_key :study_id, :studies, null: false, on_delete: :cascade, index: true
      String :kind, null: false
      String :texts, text: true, null: false
      String :created_at, null: false
      unique %i[study_id kind]
    end
  end
end
