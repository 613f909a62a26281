# frozen_string_literal: true

# A mix may be faster or slower than its stems. A stem that fits nowhere is kept, and used when a person insists.
Sequel.migration do
  change do
    alter_table(:stems) do
      add_column :speed, Float, null: false, default: 1.0
      add_column :fits, TrueClass, null: false, default: true
      add_column :insisted, TrueClass, null: false, default: false
    end
  end
end
