# frozen_string_literal: true

Sequel.migration do
  change do
    create_table(:studies) do
      primary_key :id
      String :title, null: false
      String :aim, null: false
      Integer :scope_bar
      Float :target_bpm
      String :target_tonic
      String :target_mode
      String :created_at, null: false
      check(aim: %w[exact style study])
    end

    create_table(:recordings) do
      primary_key :id
      String :sha256, null: false, unique: true
      String :format, null: false
      Integer :bytes, null: false
      Float :duration
      String :created_at, null: false
    end

    create_table(:references) do
      primary_key :id
      foreign_key :study_id, :studies, null: false, on_delete: :cascade
      foreign_key :recording_id, :recordings, null: false
      String :title, null: false
      String :artist
      String :original_name, null: false
      Integer :position, null: false
      String :created_at, null: false
      unique %i[study_id recording_id]
    end

    create_table(:analyses) do
      primary_key :id
      foreign_key :recording_id, :recordings, null: false, index: true
      String :state, null: false, index: true
      String :stage
      Float :progress, null: false, default: 0.0
      Integer :attempts, null: false, default: 0
      String :engine_version
      String :error
      String :data, text: true
      String :created_at, null: false
      String :finished_at
      check(state: %w[queued running done failed])
    end

    create_table(:readings) do
      primary_key :id
      foreign_key :reference_id, :references, null: false, on_delete: :cascade, index: true
      foreign_key :analysis_id, :analyses
      foreign_key :supersedes_id, :readings, on_delete: :set_null
      String :aspect, null: false
      String :value, text: true, null: false
      String :statement, null: false
      String :note, null: false, default: ""
      String :why, null: false, default: ""
      String :rivals, text: true, null: false, default: "[]"
      Integer :first_bar
      Integer :last_bar
      String :source, null: false
      Float :confidence
      String :state, null: false, default: "open"
      String :created_at, null: false
      check(source: %w[measured heard credited published told assumed])
      check(state: %w[open confirmed corrected refuted])
    end

    create_table(:checklists) do
      primary_key :id
      foreign_key :study_id, :studies, null: false, on_delete: :cascade, index: true
      foreign_key :reference_id, :references, on_delete: :set_null
      String :title, null: false
      String :school, null: false
      String :created_at, null: false
    end

    create_table(:items) do
      primary_key :id
      foreign_key :checklist_id, :checklists, null: false, on_delete: :cascade, index: true
      foreign_key :reading_id, :readings, on_delete: :set_null
      Integer :position, null: false
      String :number, null: false
      String :stage, null: false
      String :title, null: false
      String :target, null: false
      String :tolerance, null: false, default: ""
      String :measure, text: true
      Integer :minutes, null: false
      String :steps, text: true, null: false, default: "[]"
      String :fallback, null: false, default: ""
      String :from, null: false
      String :state, null: false, default: "open"
      String :note, null: false, default: ""
      check(state: %w[open done skipped])
    end
  end
end
