# frozen_string_literal: true

# How a song counts in its study's profile, and what people say of it: themes, mood, voice, language, credits.
Sequel.migration do
  change do
    alter_table(:references) do
      add_column :standing, String, null: false, default: "core"
      add_column :words, String, text: true, null: false, default: "[]"
      add_column :credits, String, text: true, null: false, default: "[]"
    end
  end
end
