# frozen_string_literal: true

require_relative "../test_helper"

# All background work in one shape, and what all kinds of runs share.
class WorkloadTest < Ethoscope::TestCase
  include AnalysedSong

  def runs = library.runs(@reference[:study_id])

  def kinds = runs.map { |run| run.values_at(:kind, :reference_id, :state) }

  def terms(**corrections) = Store::Terms.new(corrections:, sources: {})

  def test_every_kind_of_work_is_told_in_one_list
    library.analyses.derive(@reference[:recording_id], terms(bpm: 50.0))
    library.separations.queue(@reference[:recording_id])
    stem = library.recordings.keep(StringIO.new("stem")) { { format: "wav", duration: 39.0 } }
    library.stems.create(@id, stem, "bass", "bass")
    library.assemblies.create(@reference[:study_id], "From parts")

    assert_equal [["analysis", @id, "done"], ["derivation", @id, "queued"], ["stem", @id, "queued"], ["separation", @id, "queued"], ["assembly", nil, "open"]], kinds
    assert(runs.all? { |run| run.keys == %i[kind reference_id id state stage progress error] })
  end

  def test_a_run_says_its_stage_and_how_far_it_is
    library.separations.queue(@reference[:recording_id])
    run = library.separations.claim

    assert_equal "starting", runs.last[:stage]
    assert_equal 1, library.separations.advance(run[:id], "separating", 0.4)
    assert_equal ["running", "separating", 0.4], runs.last.values_at(:state, :stage, :progress)
    library.separations.release(run[:id])

    assert_equal ["queued", nil, 0.0], runs.last.values_at(:state, :stage, :progress)
  end

  def test_what_failed_is_tried_again_with_all_its_tries
    library.separations.queue(@reference[:recording_id])
    run = library.separations.claim
    library.separations.fail(run[:id], "no memory")

    assert_equal ["failed", "no memory"], runs.last.values_at(:state, :error)
    library.separations.again(run[:id])

    assert_equal ["queued", nil], runs.last.values_at(:state, :error)
    assert_equal 0, library.db[:separations].get(:tries)
  end

  def test_work_that_brings_the_application_down_again_and_again_is_given_up
    library.separations.queue(@reference[:recording_id])
    Store::Runs::TRIES.times do
      assert library.separations.claim
      library.separations.resume
    end

    assert_equal "failed", runs.last[:state]
    assert_match(/cut off 3 times/, runs.last[:error])
  end

  def test_derivations_come_before_plain_runs
    library.analyses.queue(library.recordings.keep(StringIO.new("other")) { { format: "wav", duration: 5.0 } }[:id])
    library.analyses.derive(@reference[:recording_id], terms(bpm: 50.0))

    assert_equal terms(bpm: 50.0).key, library.analyses.claim[:terms]
  end

  def test_a_derivation_belongs_to_its_recording_whoever_asks_for_it
    alone = library.recordings.keep(StringIO.new("a bounce")) { { format: "wav", duration: 39.0 } }
    finish(alone[:id])
    run = library.analyses.derive(alone[:id], terms(bpm: 50.0))

    assert_equal run, library.analyses.derive(alone[:id], terms(bpm: 50.0))
    assert_nil library.analyses.derived_id(alone[:id], terms(bpm: 50.0))
    library.analyses.finish(run[:id], JSON.generate(Fixture.analysis.to_h))

    assert_equal run[:id], library.analyses.derived_id(alone[:id], terms(bpm: 50.0))
    assert_nil library.analyses.derived_id(alone[:id], terms(bpm: 51.0))
  end

  def test_the_same_terms_are_the_same_derivation_and_others_another
    stems = { stems: [{ recording_id: 1, name: "bass", role: "bass", offset: 0.0 }] }
    keys = [terms(bpm: 50.0), terms(bpm: 50.5), Store::Terms.new(corrections: { bpm: 50.0 }, sources: stems), terms].map(&:key)

    assert_equal keys.uniq, keys
    assert_equal terms(bpm: 50.0).key, terms(bpm: 50.0).key
    assert_predicate terms, :none?
    refute_predicate Store::Terms.new(corrections: {}, sources: stems), :none?
  end
end
