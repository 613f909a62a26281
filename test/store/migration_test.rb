# frozen_string_literal: true

require_relative "../test_helper"

# What an older Ethoscope stored is found in the words of the newer one.
class MigrationTest < Ethoscope::TestCase
  include Application

  # A database as the version before the measures left it, with rows of its own.
  def before_measures
    db = library.db
    Sequel::Migrator.run(db, Store::Database::MIGRATIONS, target: 5)
    yield db
    Sequel::Migrator.run(db, Store::Database::MIGRATIONS)
    db
  end

  def test_a_derivation_is_known_by_its_terms
    stems = { stems: [{ recording_id: 1, name: "bass", role: "bass", offset: 0.0 }] }
    db = before_measures do |old|
      id = old[:recordings].insert(sha256: "a", format: "wav", bytes: 1, created_at: "now")
      [nil, { bpm: 50.0, sources: stems }, { bpm: 50.0 }].each do |terms|
        old[:analyses].insert(recording_id: id, state: "done", attempts: 2, corrections: terms && JSON.generate(terms), created_at: "now")
      end
    end
    with, without = [stems, {}].map { |sources| Store::Terms.new(corrections: { bpm: 50.0 }, sources:) }

    assert_equal([nil, with.key, without.key], db[:analyses].order(:id).select_map(:terms))
    assert_equal [2, 2, 2], db[:analyses].select_map(:tries)
    assert_equal({ bpm: 50.0 }, JSON.parse(db[:analyses].order(:id).get(:corrections) || db[:analyses].exclude(corrections: nil).get(:corrections), symbolize_names: true))
    assert_equal 3, library.analyses.derived_id(1, without)
  end

  def test_the_figures_of_items_become_targets
    db = before_measures do |old|
      old[:studies].insert(title: "s", aim: "exact", created_at: "now")
      old[:checklists].insert(study_id: 1, title: "c", school: "chords", created_at: "now")
      [{ value: 96.0, tolerance: 0.05, unit: "BPM" }, { value: -9.0, tolerance: 1.0, unit: "LUFS" }, nil].each_with_index do |measure, i|
        old[:items].insert(checklist_id: 1, position: i, number: "1.#{i}", stage: "Mix", title: "t", target: "x", minutes: 5, from: "tempo",
          measure: measure && JSON.generate(measure))
      end
    end
    targets = library.checklists.find(1)[:items].map { |item| item[:targets].map { |target| Ethoscope::Measures::Target.from_h(target).words } }

    assert_equal [["96.00 BPM"], ["−9.0 LUFS"], []], targets
    assert_equal 3, db[:items].count
  end
end
