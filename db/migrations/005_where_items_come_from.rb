# frozen_string_literal: true

# What of a reading an item of a checklist rests on: a layer, a technique, a section.
Sequel.migration do
  change do
    alter_table(:items) do
      add_column :about, String
    end
  end
end
