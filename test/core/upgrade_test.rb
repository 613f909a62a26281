# frozen_string_literal: true

require_relative "../test_helper"

# Analyses of older engines, which did not say all that today's says, can still be shown; what they did say stays.
class UpgradeTest < Ethoscope::TestCase
  Upgrade = Schema::Upgrade

  def whole = Fixture.analysis.to_h

  def test_what_is_whole_stays_as_it_is
    assert_equal whole, Upgrade.of(whole)
  end

  def test_any_part_that_an_older_engine_did_not_know_is_told_as_nothing_found
    Upgrade::WHOLE.each do |part, nothing|
      old = whole.except(part)

      assert_equal({ part => nothing }, Upgrade.of(old).slice(part))
      assert_equal old, Upgrade.of(old).except(part), part
      assert_equal whole[:bars], Analysis.from_h(old).to_h[:bars], part
    end
  end

  def test_parts_that_grew_keep_what_they_had
    Upgrade::PARTS.each do |part, defaults|
      old = whole.merge(part => whole[part].except(*defaults.keys))

      assert_equal defaults.merge(old[part]), Upgrade.of(old)[part], part
    end
  end

  def test_rows_of_lists_are_filled_in_one_by_one
    { chords: Upgrade::CHORD, **Upgrade::LISTS }.each do |list, defaults|
      rows = whole[list].map { |row| row.except(*defaults.keys) }

      Upgrade.of(whole.merge(list => rows))[list].zip(rows) { |filled, row| assert_equal defaults.merge(row), filled, list }
    end
  end

  def test_a_layer_without_a_name_goes_by_its_role
    layers = whole[:layers].map { |layer| layer.except(:name, :source, :rivals) }
    filled = Upgrade.of(whole.merge(layers:))[:layers]

    refute_empty filled
    assert_equal(layers.map { |layer| layer[:role] }, filled.map { |layer| layer[:name] })
    assert_equal [["mix", []]], filled.map { |layer| layer.values_at(:source, :rivals) }.uniq
  end

  def test_candidates_of_the_tempo_get_an_empty_reason
    tempo = whole[:tempo].merge(candidates: whole[:tempo][:candidates].map { |one| one.except(:reason) })

    assert_equal [""], Upgrade.of(whole.merge(tempo:))[:tempo][:candidates].map { |one| one[:reason] }.uniq
  end

  def test_nothing_that_was_handed_in_is_changed
    old = whole.except(:gaps, :mix)
    before = Marshal.load(Marshal.dump(old))
    Upgrade.of(old)

    assert_equal before, old
  end
end
