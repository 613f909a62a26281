# frozen_string_literal: true

# Songs that come without a mix: it is put together from their stems, or played from their notes.
Sequel.migration do
  change do
    create_table(:assemblies) do
      primary_key :id
      foreign_key :study_id, :studies, null: false, on_delete: :cascade, index: true
      String :title, null: false
      String :stems, text: true, null: false, default: "[]"
      String :score_sha256
      String :score_name
      String :state, null: false
      Integer :attempts, null: false, default: 0
      Float :progress, null: false, default: 0.0
      String :error
      String :created_at, null: false
      check(state: %w[open queued running failed])
    end
  end
end
