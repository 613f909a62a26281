# frozen_string_literal: true

# Attempts: versions of the user's own track, each a song that is analysed like any other, what a person says of how it lies, and of the verdicts on it.
Sequel.migration do
  up do
    alter_table(:references) { add_column :attempt, TrueClass, null: false, default: false }

    create_table(:attempts) do
      primary_key :id
      foreign_key :study_id, :studies, null: false, on_delete: :cascade, index: true
      foreign_key :song_id, :references, null: false, unique: true, on_delete: :cascade
      foreign_key :against_id, :references, on_delete: :set_null
      foreign_key :checklist_id, :checklists, on_delete: :set_null
      Integer :number, null: false
      String :note, text: true, null: false, default: ""
      String :lies, text: true, null: false, default: "{}"
      String :settled, text: true, null: false, default: "{}"
      String :list, text: true
      String :created_at, null: false
      String :deleted_at
      unique %i[study_id number]
    end

    create_table(:overrules) do
      primary_key :id
      foreign_key :attempt_id, :attempts, null: false, on_delete: :cascade
      foreign_key :item_id, :items, null: false, on_delete: :cascade
      String :closeness, null: false
      String :why, text: true, null: false, default: ""
      String :created_at, null: false
      unique %i[attempt_id item_id]
    end
  end

  down do
    drop_table(:overrules, :attempts)
    from(:references).where(attempt: true).delete
    alter_table(:references) { drop_column :attempt }
  end
end
