# frozen_string_literal: true

require_relative "../test_helper"
%w[corpus adam network_learner written attack_learner context_learner].each { |file| require_relative "../../tasks/learning/#{file}" }
require_relative "../../tasks/bench/checklists"

# The notes of the corpus as learners and benches read them, and an analysis laid out as a plain plan.
class WrittenTest < Ethoscope::TestCase
  TRUTH = { meter: "4/4", beats: (0...16).map { |beat| 0.5 + (beat * 0.5) }, downbeats: [0.5, 2.5, 4.5, 6.5], swing: { unit: "8th", ratio: 0.66 },
            sections: [{ bars: 1 }, { bars: 3 }] }.freeze

  def written
    kick = [[0, 0.2, 36], [4.66, 0.2, 36]]
    bass = [[0, 1, 40], [0.01, 1, 28], [2, 1, 43]]
    Learning::Written.new(Ethoscope::Midi::ScoreReader.read(MidiFile.bytes([["kick.m1", 9, kick], ["bass", 0, bass]], bpm: 120)), TRUTH)
  end

  def test_strokes_stand_on_straight_steps
    struck = written.struck("kick", 4, 16)

    assert_equal([[0, 0], [1, 2]], struck.gt(0).where.to_a.map { |place| place.divmod(16) })
    assert_empty written.struck("snare", 4, 16).gt(0).where.to_a
  end

  def test_notes_have_moments_and_what_begins_together_is_one
    assert_equal([[0.5, [40, 28]], [1.5, [43]]], written.timed("bass").map { |time, pitches| [time.round(2), pitches] })
  end

  def test_sections_and_beats_are_the_truth_s
    assert_equal [0...1, 1...4], written.sections
    assert_equal 4, written.grid.bars
    assert_in_delta 2.5, written.grid.bar_edges[1], 1e-9
  end

  def test_a_network_learns_what_tells_right_from_wrong
    random = Random.new(2)
    inputs = Numo::SFloat.cast(Array.new(600) { [random.rand(-1.0..1.0), random.rand(-1.0..1.0)] })
    targets = Numo::SFloat.cast((inputs[true, 0] * inputs[true, 1]).gt(0)).reshape(600, 1)
    table = Learning::NetworkLearner.new(inputs, targets, names: %w[one other], outputs: ["alike"], hidden: 12, epochs: 300).learn
    network = Ethoscope::Signal::Network.new(table, %w[one other], ["alike"])
    likely = network.likelihood(Numo::DFloat[[0.7, 0.6], [-0.7, -0.6], [0.7, -0.6], [-0.7, 0.6]]).flatten.to_a

    assert(likely.first(2).all? { |share| share > 0.7 })
    assert(likely.last(2).all? { |share| share < 0.3 })
  end

  def test_a_checklist_tells_the_scorer_what_it_reads
    plan = Bench::Checklists.new(JSON.parse(JSON.generate(Fixture.analysis.to_h))).to_h
    targets = plan[:items].flat_map { |item| item[:targets] }
    said = targets.select { |target| target[:first_bar] == 1 }.group_by { |target| target[:measure] }

    assert_empty %w[tempo meter key section] - targets.map { |target| target[:measure] }
    assert_equal(%w[kick snare hats], said["steps"].map { |target| target[:role] })
    assert_equal [1, 1], said["chords"].first[:value].first.values_at(:bar, :beat)
    assert_equal(%w[bass lead], said["notes"].map { |target| target[:role] })
    assert_equal(%w[full], said["plays"].map { |target| target[:value] }.uniq - %w[absent thin])
  end
end
