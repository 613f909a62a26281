# frozen_string_literal: true

require_relative "../test_helper"

# The stages of an analysis, each with a result of its own, and the one way through all of them.
class EngineStagesTest < Ethoscope::TestCase
  def corrections(**told) = Corrections.of(**told)

  def count(corrections = Corrections.none, sources = Sources.none) = Engine::CountStage.new(Fixture.features, corrections, sources, @gaps = Gaps.new).result

  def parts(corrections = Corrections.none)
    counted = count(corrections)
    Engine::FormStage.new(Fixture.features, counted, Engine::ChordStage.new(counted, @gaps).result, corrections, @gaps).result
  end

  def test_a_mix_alone_is_counted_as_it_is_heard
    counted = count

    assert_equal ["mix", 16], [counted.source, counted.grid.bars]
    assert_in_delta 100.0, counted.rhythm.bpm, 0.1
    assert_empty @gaps.list
  end

  def test_a_change_of_tempo_makes_the_tempo_move_and_what_can_not_be_followed_is_told
    assert count.rhythm.constant
    refute count(corrections(tempo_changes: [{ at: 12.0, bpm: 90.0 }])).rhythm.constant
    count(corrections(tempo_changes: [{ at: 400.0, bpm: 90.0 }]))

    assert_match(/90.00 BPM from bar/, @gaps.list.first.what)
  end

  def test_chords_of_the_mix_have_no_written_notes
    chords = Engine::ChordStage.new(count, @gaps).result

    assert_equal "mix", chords.source
    assert_empty chords.voicings
    refute_empty chords.spans
  end

  def test_sections_that_a_person_set_lie_on_the_nearest_bars
    told = parts(corrections(sections: [{ label: "head", letter: "A", start: 3.0 }, { label: "tail", letter: "B", start: 19.7 }]))

    assert_equal([["head", 1, 8], ["tail", 9, 8]], told.sections.map { |section| [section.label, section.first_bar, section.bars] })
    assert_equal ["as you hear it"], told.sections.map(&:reason).uniq
  end

  def test_a_key_that_a_person_says_holds_and_may_change
    told = parts(corrections(key: { tonic: "C", mode: "major" }, modulations: [{ at: 20.0, tonic: "D", mode: "major" }])).keys

    assert_equal ["C major", 0.99], [told.key.to_s, told.confidence]
    assert_equal([["C major", 1], ["D major", 9]], told.stretches.map { |stretch| [stretch.key.to_s, stretch.first_bar] })
    assert_empty parts(corrections(key: { tonic: "C", mode: "major" })).keys.stretches
  end

  def test_the_engines_own_key_has_rivals
    keys = parts.keys

    assert_equal "A minor", keys.key.to_s
    assert_operator keys.candidates.size, :>, 3
    assert_operator keys.confidence, :<, 1.0
  end

  def test_who_plays_is_told_by_the_mix_when_nothing_else_is_there
    counted = count
    chords = Engine::ChordStage.new(counted, @gaps).result
    playing = Engine::LayerStage.new(Fixture.features, counted, chords.spans, parts.sections, @gaps).result

    assert_equal ["mix", 4], [playing.bass_source, playing.patterns.size]
    assert_includes playing.layers.map(&:role), "kick"
  end

  def test_features_that_are_known_are_not_measured_again
    told = []
    again = Analysis.of(features: Fixture.features, measured: ->(_) { flunk "measured again" }) { |stage, _| told << stage }

    assert_equal Fixture.analysis, again
    assert_equal %i[rhythm chords form layers techniques], told
  end

  def test_what_was_measured_now_is_handed_out_to_be_kept
    kept = nil
    stages = []
    analysis = Analysis.of(Band.new(bpm: 120).bars(4, chords: %w[C], **Band::BACKBEAT).recording, measured: ->(features) { kept = features }) { |stage, _| stages << stage }

    assert_equal analysis, Analysis.of(features: kept)
    assert_equal Engine::Pipeline::STAGES.keys, stages
  end

  def test_sources_may_wait_for_what_is_measured_of_the_mix
    asked = nil
    Analysis.of(features: Fixture.features, sources: ->(features) { (asked = features) && Sources.none })

    assert_same Fixture.features, asked
  end
end
