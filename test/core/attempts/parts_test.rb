# frozen_string_literal: true

require_relative "../../test_helper"

# The parts that a comparison is made of.
class AttemptPartsTest < Ethoscope::TestCase
  def difference(kind, bars, role: nil, sure: 1.0, **rest) = Attempts::Difference.of(kind:, words: kind, bars:, role:, sure:, **rest)

  def told(*differences) = Attempts::Causes.new(differences).told

  def test_what_follows_from_a_missing_layer_hangs_under_it
    missing = difference("layer_missing", [[5, 12]], role: "kick")
    told = told(missing, difference("technique_amount", [[5, 12]]), difference("pattern", [[6, 9]], role: "kick"))

    assert_equal ["layer_missing"], told.map(&:kind)
    assert_equal %w[technique_amount pattern], told.first.under.map(&:kind)
  end

  def test_whatever_is_said_of_bars_that_are_gone_follows_from_that
    told = told(difference("form", [[13, 16]]), difference("chord", [[13, 14]]), difference("chord", [[3, 3]]))

    assert_equal([["form", 1], ["chord", 0]], told.map { |one| [one.kind, one.under.size] })
  end

  def test_a_doubtful_piece_of_the_kit_hangs_under_a_sure_one
    told = told(difference("layer_missing", [[5, 8]], role: "hats", sure: 0.9), difference("layer_extra", [[5, 8]], role: "snare", sure: 0.2))

    assert_equal(["hats"], told.map(&:role))
  end

  def test_two_layers_that_are_missing_are_two_things
    assert_equal 2, told(difference("layer_missing", [[5, 8]], role: "hats"), difference("layer_missing", [[5, 8]], role: "bass")).size
  end

  def test_a_difference_knows_its_size_in_tolerances
    one = difference("level", [], distance: 3.0, tolerance: 1.5)

    assert_in_delta 2.0, one.size
    assert_equal "ballpark", one.closeness
    assert_in_delta Attempts::Difference::MOST, difference("level", [], distance: 99, tolerance: 1).size
    assert_raises(ArgumentError) { difference("charm", []) }
  end

  def test_pieces_end_where_sections_end_or_bars_are_cut
    map = Attempts::BarMap.new(pairs: [*1..10].map { |bar| [bar, bar] } + [[11, nil], [12, nil]] + [*13..20].map do |bar|
      [bar, bar - 2]
    end, reference_bpm: 1, attempt_bpm: 1, semitones: 0,
      confidence: 1.0, kind: "bars", refused: nil)
    pieces = Attempts::Pieces.new(map, [1, 5, 17], bars: 4)

    assert_equal([[0, 3], [4, 6], [7, 9], [12, 15], [16, 19]], pieces.map { |piece| [piece.reference.first, piece.reference.last] })
    assert_equal [10, 11, 12, 13], pieces.to_a[3].attempt
  end

  def test_a_state_that_flickers_for_one_piece_is_smoothed_unless_it_is_sure
    odds = [[0.9, 0.1], [0.45, 0.55], [0.9, 0.1]]

    assert_equal [0, 0, 0], Attempts::Runs.of(odds, [true, false, false])
    assert_equal [0, 1, 0], Attempts::Runs.of([[0.9, 0.1], [0.01, 0.99], [0.9, 0.1]], [true, false, false])
    assert_empty Attempts::Runs.of([], [])
  end

  def test_odds_add_up_to_one_whatever_the_evidence
    Attempts::Odds::STATES.each_key do |name|
      rows = Numo::DFloat.zeros(3, Attempts::Odds.inputs(name).size)
      rows[1, true] = 5
      odds = Attempts::Odds.shipped(name).of(rows)

      assert_equal [3, Attempts::Odds::STATES[name].size], odds.shape
      odds.sum(axis: 1).to_a.each { |sum| assert_in_delta 1.0, sum, 1e-9 }
    end
  end

  def test_repeatability_was_measured_on_pairs_and_on_copies
    lines = Attempts::Repeatability.shipped.lines

    places = lines.keys.grep(/ \d|low|middle|high|top|section/)

    stems = lines.keys.grep(/\Alayer_/)

    assert_equal %w[brightness level range swing tempo width], (lines.keys - places - stems).sort
    assert_equal [20, 5], [places.size, stems.size]
    lines.except(*stems).each_value { |line| assert_operator [line.pairs_measured, line.copies_measured].min, :>=, 10 }
    assert_raises(KeyError) { Attempts::Repeatability.shipped.of("charm") }
  end

  def test_wishes_say_how_far_the_new_track_is_to_lie_from_the_reference
    reference = DrawnSong.new.analysis

    assert_nil Attempts::Wishes.none.semitones(reference)
    assert_equal(-2, Attempts::Wishes.none.with(key: Harmony::Key.named("G", "minor")).semitones(reference))
    assert_equal 6, Attempts::Wishes.none.with(key: Harmony::Key.named("Eb", "minor")).semitones(reference)
  end
end
