# frozen_string_literal: true

# Why a reading was confirmed, or called wrong, beside what it says by itself.
Sequel.migration do
  change do
    alter_table(:readings) { add_column :reason, String, null: false, default: "" }
  end
end
