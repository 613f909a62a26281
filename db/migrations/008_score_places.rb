# frozen_string_literal: true

# Where a person says that a MIDI file lies: which of its bars begins at which second of the recording.
Sequel.migration do
  change do
    alter_table(:scores) do
      add_column :file_bar, Integer
      add_column :placed_at, Float
    end
  end
end
