# frozen_string_literal: true

require "digest"
require "json"

# What is measured of a song is kept with its analysis, and with a reference what follows from what a person says over it. Items hold targets in the
# place of single figures. A derivation is known by the recording and the terms it is made on. "Attempt" is a word of its own in this product, so runs
# count tries.
Sequel.migration do
  up do
    %i[analyses separations stems assemblies].each { |table| alter_table(table) { rename_column :attempts, :tries } }
    %i[separations stems assemblies].each { |table| alter_table(table) { add_column :stage, String } }

    alter_table(:analyses) do
      add_column :terms, String
      add_column :sources, String, text: true
      add_column :vector, String, text: true
    end
    from(:analyses).exclude(corrections: nil).select(:id, :corrections).all.each do |row|
      told = JSON.parse(row[:corrections])
      corrections = told.except("sources")
      sources = told.fetch("sources", {})
      terms = Digest::SHA256.hexdigest(JSON.generate([corrections, sources]))
      from(:analyses).where(id: row[:id]).update(terms:, corrections: JSON.generate(corrections), sources: JSON.generate(sources))
    end

    create_table(:vectors) do
      foreign_key :reference_id, :references, primary_key: true, on_delete: :cascade
      String :stamp, null: false
      String :whole, text: true, null: false
      String :places, text: true, null: false
    end

    create_table(:profiles) do
      foreign_key :study_id, :studies, primary_key: true, on_delete: :cascade
      String :stamp, null: false
      String :body, text: true, null: false
    end

    alter_table(:items) { add_column :targets, String, text: true, null: false, default: "[]" }
    named = { "BPM" => "time.tempo", "LUFS" => "mix.loudness", "cents" => "harmony.tuning" }
    from(:items).exclude(measure: nil).select(:id, :measure, :from).all.each do |row|
      old = JSON.parse(row[:measure])
      measure = named[old["unit"]] or next
      value = measure == "time.tempo" ? { bpm: old["value"] } : old["value"]
      from(:items).where(id: row[:id]).update(targets: JSON.generate([{ measure:, value:, tolerance: old["tolerance"], source: row[:from] == "profile" ? "profile" : "mix" }]))
    end
    alter_table(:items) { drop_column :measure }
  end

  # Derivations are made anew, and targets are in words too.
  down do
    alter_table(:items) do
      drop_column :targets
      add_column :measure, String, text: true
    end
    drop_table(:profiles)
    drop_table(:vectors)
    from(:analyses).exclude(terms: nil).delete
    alter_table(:analyses) do
      drop_column :vector
      drop_column :sources
      drop_column :terms
    end
    %i[separations stems assemblies].each { |table| alter_table(table) { drop_column :stage } }
    %i[analyses separations stems assemblies].each { |table| alter_table(table) { rename_column :tries, :attempts } }
  end
end
