# frozen_string_literal: true

require_relative "../../test_helper"

# Layers of which both songs have the stem.
class StemSoundsTest < Ethoscope::TestCase
  def differences(theirs, mine, bpm: 120.0)
    songs = [DrawnSong.new, DrawnSong.new(seed: 2, bpm:)].zip([theirs, mine]).map { |song, figures| song.stem("chords", **figures).analysis }
    Attempts::SideBySide.new(*songs).differences.select { |one| one.kind.start_with?("layer_") }
  end

  def only(...)
    found = differences(...)

    assert_equal 1, found.size
    found.first
  end

  # Further apart than anything that stems of one layer repeat to.
  FAR = { pan: 0.9, width: 0.85, tail_s: 20.0 }.freeze

  def test_stems_that_sit_alike_are_alike
    assert_empty differences({ pan: 0.1, width: 0.2 }, { pan: 0.12, width: 0.22 })
  end

  def test_a_layer_on_the_other_side
    found = only({ pan: -FAR[:pan] }, { pan: FAR[:pan] })

    assert_equal ["layer_pan", "chords", "90 % left", "90 % right"], [found.kind, found.role, found.reference, found.attempt]
    assert_equal ["The chords sit at 90 % right, not at 90 % left.", ["Pan the chords to 90 % left."]], [found.words, found.how]
  end

  def test_a_layer_that_is_wide_or_rings_on
    assert_equal %w[layer_tail layer_width], differences({ width: 0.0, tail_s: 0.5 }, { width: FAR[:width], tail_s: FAR[:tail_s] }).map(&:kind).sort
  end

  def test_a_layer_that_does_not_pump
    found = only({ pumping: { depth_db: 30.0, rate: "quarter", follows: nil } }, {})

    assert_equal ["layer_pumping", "30.0 dB", "0.0 dB"], [found.kind, found.reference, found.attempt]
  end

  def test_an_echo_is_compared_in_beats
    echo = ->(ms) { { echo: { ms:, unit: nil, under_db: 6.0, alternates: false } } }

    assert_empty differences(echo.call(500.0), echo.call(480.0), bpm: 125.0)
    assert_equal ["layer_echo", "1.0 beats", "3.0 beats"], only(echo.call(500.0), echo.call(1500.0)).to_h.values_at(:kind, :reference, :attempt)
  end

  def test_what_only_one_stem_shows_is_not_told_of_its_echo_or_tail
    assert_empty differences({ tail_s: 1.0 }, {})
  end
end
