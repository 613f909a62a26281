# frozen_string_literal: true

# What is put together from stems or notes may be an attempt; then it says what it is held against.
Sequel.migration do
  change do
    alter_table(:assemblies) { add_column :attempt, String, text: true }
  end
end
