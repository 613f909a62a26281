# frozen_string_literal: true

require_relative "../../test_helper"

# Detectors of rhythm on strokes that are given: present, absent and a near miss each.
class RhythmDetectorsTest < Ethoscope::TestCase
  Detectors = Ethoscope::Techniques::Detectors
  BACKBEAT = [1, 3].freeze

  def test_nothing_is_seen_where_nothing_happens
    assert_empty Ethoscope::Techniques::Library.search(Stage.scene)
  end

  def test_four_silent_beats_before_a_section_are_a_dropout
    strokes = [2.0] * 64
    strokes[28, 4] = [0.1] * 4
    sighting = only(Detectors::DrumDrop, strokes:)

    assert_equal [8, 8, 14.0, 16.0, { beats: 4 }], [sighting.first_bar, sighting.last_bar, sighting.start, sighting.end, sighting.detail]
    assert_operator sighting.evidence.threshold, :>, 0.1
  end

  def test_drums_that_do_not_come_back_or_pause_for_one_beat_have_not_dropped_out
    none(Detectors::DrumDrop, strokes: ([2.0] * 28) + ([0.1] * 36))
    none(Detectors::DrumDrop, strokes: ([2.0] * 31) + [0.1] + ([2.0] * 32))
    none(Detectors::DrumDrop, strokes: ([0.2] * 28) + ([0.0] * 4) + ([2.0] * 32))
  end

  def test_a_kick_on_every_beat_runs_over_sections
    sighting = only(Detectors::FourOnFloor, players: [Stage.player("kick", Stage.strokes([0, 1, 2, 3]))])

    assert_equal [1, 16], [sighting.first_bar, sighting.last_bar]
    assert_in_delta 4.0, sighting.detail[:kicks]
  end

  def test_kicks_on_the_off_beats_too_or_on_two_beats_are_something_else
    none(Detectors::FourOnFloor, players: [Stage.player("kick", Stage.strokes((0...8).map { |i| i / 2.0 }))])
    none(Detectors::FourOnFloor, players: [Stage.player("kick", Stage.strokes([0, 2]))])
  end

  def test_hats_at_twice_the_rate
    sighting = only(Detectors::HatRateChange, hat_rates: ([2.0] * 8) + ([4.0] * 8))

    assert_equal 9, sighting.first_bar
    assert_equal({ from_per_beat: 2.0, to_per_beat: 4.0 }, sighting.detail)
  end

  def test_a_few_more_hits_or_no_hats_at_all_are_no_change_of_rate
    none(Detectors::HatRateChange, hat_rates: ([2.0] * 8) + ([2.6] * 8))
    none(Detectors::HatRateChange, hat_rates: ([0.1] * 8) + ([2.0] * 8))
  end

  # Stands in for Rhythm::DrumSteps: sixteen steps in each bar, struck so likely.
  Heard = Struct.new(:steps) do
    def likely(_piece) = Numo::DFloat.cast(steps)
  end

  def test_of_heard_hats_only_steps_count_that_are_struck_more_often_than_not
    quarters, eighths = [4, 2].map { |apart| Array.new(16) { |step| (step % apart).zero? ? 0.9 : 0.4 } }
    sighting = only(Detectors::HatRateChange, drums: Heard.new(([quarters] * 8) + ([eighths] * 8)))

    assert_equal({ from_per_beat: 1.0, to_per_beat: 2.0 }, sighting.detail)
    assert_equal ([1.0] * 8) + ([2.0] * 8), sighting.evidence.values
    none(Detectors::HatRateChange, drums: Heard.new(([quarters] * 8) + ([quarters.map { |share| [share, 0.45].max }] * 8)))
  end

  def test_one_snare_a_bar_on_the_third_beat_is_half_time
    sighting = only(Detectors::HalfTimeBackbeat, players: [Stage.player("snare", Stage.strokes([2], 8...16))])

    assert_equal [9, 16], [sighting.first_bar, sighting.last_bar]
    none(Detectors::HalfTimeBackbeat, players: [Stage.player("snare", Stage.strokes(BACKBEAT))])
    none(Detectors::HalfTimeBackbeat, players: [Stage.player("snare", Stage.strokes([2, 3]))])
  end

  def test_short_chords_between_the_beats_are_stabs
    stabs = Stage.strokes([0.5, 1.5, 2.5, 3.5], 0...8)

    assert_equal([1, 8], only(Detectors::OffBeatStabs, players: [Stage.player("chords", stabs)]).then { |sighting| [sighting.first_bar, sighting.last_bar] })
    none(Detectors::OffBeatStabs, players: [Stage.player("chords", Stage.strokes([0, 1, 2, 3]))])
    none(Detectors::OffBeatStabs, players: [Stage.player("chords", stabs.map { |beat, _, velocity| [beat, 60, velocity, 2.0] })])
    none(Detectors::OffBeatStabs, players: [Stage.player("chords", stabs, source: "mix")])
  end

  def test_hard_and_soft_strokes_in_turn
    turns = (0...128).map { |i| [i / 4.0, nil, i.even? ? 0.93 : 0.5] }
    sighting = only(Detectors::AlternatingVelocity, players: [Stage.player("percussion", turns)])

    assert_equal "16th", sighting.detail[:unit]
    assert_in_delta 5.4, sighting.detail[:softer_db], 0.1
    none(Detectors::AlternatingVelocity, players: [Stage.player("percussion", turns.map { |beat, _, velocity| [beat, nil, velocity > 0.6 ? 0.93 : 0.8] })])
    none(Detectors::AlternatingVelocity, players: [Stage.player("percussion", turns.map { |beat, *| [beat, nil, 0.8] })])
  end

  def test_a_stroke_once_every_four_bars
    sighting = only(Detectors::PercussionEveryN, players: [Stage.player("percussion", [0, 4, 8, 12].map { |bar| [(bar * 4) + 2, nil, 0.7] })])

    assert_equal 4, sighting.detail[:every]
    none(Detectors::PercussionEveryN, players: [Stage.player("percussion", [0, 3, 8, 13].map { |bar| [(bar * 4) + 2, nil, 0.7] })])
    none(Detectors::PercussionEveryN, players: [Stage.player("percussion", Stage.strokes([1.5]))])
  end

  def test_a_soft_kick_that_leads_into_a_hard_one
    lead_in = Stage.strokes([0], velocity: 0.9) + (0...16).map { |bar| [(bar * 4) + 3.75, nil, 0.4] }
    sighting = only(Detectors::SoftKickBefore, players: [Stage.player("kick", lead_in)])

    assert_equal({ ahead: 1, velocity: 44 }, sighting.detail)
    none(Detectors::SoftKickBefore, players: [Stage.player("kick", lead_in.map { |beat, *| [beat, nil, 0.9] })])
    none(Detectors::SoftKickBefore, players: [Stage.player("kick", lead_in.first(16) + [[3.75, nil, 0.4]])])
  end

  def test_a_clap_that_is_a_hair_ahead_of_the_snare
    snare = Stage.player("snare", Stage.strokes(BACKBEAT))
    clap = ->(ahead) { Stage.player("snare", Stage.strokes(BACKBEAT).map { |beat, _, velocity| [beat - ahead, nil, velocity] }, name: "clap") }

    assert_equal 15, only(Detectors::ClapAhead, players: [snare, clap.call(0.03)]).detail[:ms]
    none(Detectors::ClapAhead, players: [snare, clap.call(0.0)])
    none(Detectors::ClapAhead, players: [snare, clap.call(0.25)])
  end

  def test_a_burst_of_hats_is_a_roll
    hats = Stage.strokes([0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5])
    roll = (0...8).map { |i| [31 + (i / 8.0), nil, 0.6] }
    sighting = only(Detectors::HatRoll, players: [Stage.player("hats", hats + roll)])

    assert_equal [8, 8], [sighting.first_bar, sighting.last_bar]
    none(Detectors::HatRoll, players: [Stage.player("hats", hats)])
    none(Detectors::HatRoll, players: [Stage.player("hats", (0...256).map { |i| [i / 8.0, nil, 0.6] })])
  end

  def test_fills_at_the_end_of_every_fourth_bar
    fills = { kick: [0, 2], snare: BACKBEAT }.map do |role, beats|
      bars = (0...16).flat_map { |bar| Stage.strokes((bar % 4) == 3 && role == :snare ? [1, 2.5, 2.75, 3, 3.25, 3.5] : beats, bar..bar) }
      Stage.player(role.to_s, bars)
    end

    assert_equal 4, find(Detectors::PhraseFill, parts: [["verse", "A", 16]], players: fills).first.detail[:every]
    none(Detectors::PhraseFill, parts: [["verse", "A", 16]], players: [Stage.player("kick", Stage.strokes([0, 2])), Stage.player("snare", Stage.strokes(BACKBEAT))])
    none(Detectors::PhraseFill, parts: [["verse", "A", 16]], players: fills.map { |player| Stage.player(player.role, player.events.map { |e| [e.beat, nil] }, source: "mix") })
  end

  def test_a_bass_that_answers_itself
    call = [[0, 36], [0.5, 36], [1, 38], [2, 40], [3, 41]]
    answer = call.first(3) + [[2, 31], [3, 29]]
    line = ->(one, other) { (0...16).flat_map { |bar| (bar.even? ? one : other).map { |beat, pitch| [(bar * 4) + beat, pitch, 0.8, 0.5] } } }

    assert_equal 1, find(Detectors::BassCallResponse, players: [Stage.player("bass", line.call(call, answer))]).first.detail[:phrase]
    none(Detectors::BassCallResponse, players: [Stage.player("bass", line.call(call, call))])
    none(Detectors::BassCallResponse, players: [Stage.player("bass", line.call(call, answer.reverse.map.with_index { |(_, pitch), i| [i, pitch + 1] }))])
  end

  def test_a_bass_that_leaves_room_for_the_kick
    kick = Stage.player("kick", Stage.strokes([0, 2, 2.5]))
    bass = ->(beats) { Stage.player("bass", Stage.strokes(beats).map { |beat, _, velocity| [beat, 36, velocity, 0.4] }) }

    assert_equal 0, only(Detectors::BassLeavesRoom, players: [kick, bass.call([0.5, 1, 3])]).detail[:shared]
    none(Detectors::BassLeavesRoom, players: [kick, bass.call([0, 1, 2])])
    none(Detectors::BassLeavesRoom, players: [kick])
  end

  private

  def find(detector, **given) = detector.find(Stage.scene(**given))

  def only(detector, **given)
    found = find(detector, **given)

    assert_equal 1, found.size, detector.name
    assert_equal detector::KIND, found.first.kind
    found.first
  end

  def none(detector, **given) = assert_empty(find(detector, **given), detector.name)
end
