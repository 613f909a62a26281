# frozen_string_literal: true

# A study may begin its work at a later bar than the first.
Sequel.migration do
  change do
    alter_table(:studies) { add_column :scope_from, Integer }
  end
end
