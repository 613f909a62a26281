# frozen_string_literal: true

# Items are moved, split, joined, timed and given to somebody; every change of a list can be undone; a logbook says what was done when.
Sequel.migration do
  up do
    alter_table(:items) do
      add_column :heading, String, null: false, default: ""
      add_column :who, String, null: false, default: ""
      add_column :links, String, text: true, null: false, default: "[]"
      add_column :spent, Integer, null: false, default: 0
      add_column :extra, Integer, null: false, default: 0
      add_column :started_at, String
    end
    from(:items).update(heading: :stage)

    alter_table(:checklists) do
      add_column :by_hand, TrueClass, null: false, default: false
      add_column :applied, Integer, null: false, default: 0
    end

    create_table(:checklist_edits) do
      primary_key :id
      foreign_key :checklist_id, :checklists, null: false, on_delete: :cascade, index: true
      Integer :number, null: false
      String :label, null: false
      String :changes, text: true, null: false
      String :created_at, null: false
      unique %i[checklist_id number]
    end

    create_table(:log) do
      primary_key :id
      foreign_key :study_id, :studies, null: false, on_delete: :cascade, index: true
      foreign_key :checklist_id, :checklists, on_delete: :set_null
      foreign_key :item_id, :items, on_delete: :set_null
      String :list, null: false
      String :stage, null: false
      String :title, null: false
      Integer :box, null: false
      Integer :seconds, null: false, default: 0
      String :decision, null: false, default: ""
      String :why, null: false, default: ""
      String :at, null: false
    end
  end

  down do
    drop_table(:log, :checklist_edits)
    alter_table(:checklists) { %i[by_hand applied].each { |name| drop_column name } }
    alter_table(:items) { %i[heading who links spent extra started_at].each { |name| drop_column name } }
  end
end
