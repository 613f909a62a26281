# frozen_string_literal: true

# Studies, songs and lists that were thrown away can be taken back; studies say how another mode is reached and which meter is wanted; items carry what was reckoned for them.
Sequel.migration do
  change do
    alter_table(:studies) do
      add_column :target_way, String, null: false, default: "tonic"
      add_column :target_meter, String
      add_column :deleted_at, String
    end
    alter_table(:references) { add_column :deleted_at, String }
    alter_table(:checklists) { add_column :deleted_at, String }
    alter_table(:items) { add_column :pins, String, text: true, null: false, default: "[]" }
    create_table(:settings) do
      String :name, primary_key: true
      String :value, text: true, null: false
    end
  end
end
