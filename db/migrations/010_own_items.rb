# frozen_string_literal: true

# Items that a person wrote, or whose words a person changed: what the readings would say now is no longer held against them.
Sequel.migration do
  change do
    alter_table(:items) { add_column :own, TrueClass, null: false, default: false }
  end
end
