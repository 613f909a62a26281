# frozen_string_literal: true

# How near an item came, and a word why.
Sequel.migration do
  change do
    alter_table(:items) do
      add_column :result, String
      add_column :why, String, null: false, default: ""
    end
  end
end
