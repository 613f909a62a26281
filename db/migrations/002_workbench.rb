# frozen_string_literal: true

# Readings keep their place in seconds and say where they come from; every change can be undone; analyses are derived again
# with what was put right; separated parts of a recording.
Sequel.migration do
  change do
    alter_table(:readings) do
      add_column :starts_at, Float
      add_column :ends_at, Float
      add_column :link, String, null: false, default: ""
    end

    alter_table(:references) do
      add_column :revision, Integer, null: false, default: 0
      add_column :applied, Integer, null: false, default: 0
    end

    alter_table(:analyses) do
      add_column :corrections, String, text: true
    end

    create_table(:edits) do
      primary_key :id
      foreign_key :reference_id, :references, null: false, on_delete: :cascade, index: true
      Integer :number, null: false
      Integer :revision, null: false
      String :label, null: false
      String :changes, text: true, null: false
      String :created_at, null: false
      unique %i[reference_id number]
    end

    create_table(:separations) do
      primary_key :id
      foreign_key :recording_id, :recordings, null: false, unique: true, on_delete: :cascade
      String :state, null: false
      Float :progress, null: false, default: 0.0
      Integer :attempts, null: false, default: 0
      String :error
      String :created_at, null: false
      check(state: %w[queued running done failed])
    end
  end
end
