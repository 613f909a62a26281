# frozen_string_literal: true

require_relative "../test_helper"

# What a person paints over measured layers, and what a card starts from.
class LayerCardsTest < Ethoscope::TestCase
  MEASURED = [{ name: "kick", role: "kick" }, { name: "organ", role: "chords" }, { name: "harp", role: "chords" }].freeze
  STEM = { name: "organ", role: "chords", image: "narrow", pan: -0.31, period: 2, variations: ["A", nil, "A'"], tail_s: 1.4,
           shape: { attack: "sharp", decay: "long" }, pitch: { low: 56, high: 70 }, echo: { unit: "dotted eighth", under_db: 7.6, alternates: true },
           pumping: { depth_db: 6.2, rate: "beat", follows: "kick" }, motion: nil }.freeze

  def test_a_painted_layer_takes_the_place_of_its_name_or_else_of_its_role
    by_name = overlay([own("harp", "chords", [0, 3])])
    by_role = overlay([own("harmonium", "chords", [0, 3])])

    assert_equal([%w[kick organ], %w[harp]], by_name)
    assert_equal([%w[kick], %w[harmonium]], by_role)
  end

  def test_a_card_without_painting_takes_no_place_unless_nothing_else_tells_of_it
    assert_equal([%w[kick organ harp], []], overlay([own("harmonium", "chords", [0, 0])]))
    assert_equal([%w[kick organ harp], %w[choir]], overlay([own("choir", "vocal", [0, 0])]))
  end

  def test_a_card_starts_from_what_a_stem_tells
    card = card_of("organ", stems: [STEM])

    assert_equal ["Ab3 to Bb4", "attack sharp, decay long", "comes back after 2 bars", "verse 1: A, verse 9: A'", "31 % left", "narrow"],
      card.values_at(:register, :articulation, :pattern, :variations, :pan, :width)
    assert_equal "repeats after dotted eighth, 8 dB under, from side to side; dies away in about 1.4 s", card[:sends]
    assert_equal "pumps 6 dB every beat with kick", card[:automation]
  end

  def test_a_card_starts_from_the_notes_of_a_part
    part = { name: "organ", role: "chords", low: 53, high: 65, pattern: [[0, 53], [0, 56], [6, 65], [16, 60]], variations: %w[A A A] }
    card = card_of("organ", score: { parts: [part] })

    assert_equal({ register: "F3 to F4", pattern: "1.1 F3 Ab3, 1.2½ F4, 2.1 C4" }, card)
    kick = { name: "kick", role: "kick", low: 36, high: 36, pattern: [[0, 36], [8, 36]], variations: ["A"] }

    assert_equal({ pattern: "1.1, 1.3" }, card_of("kick", score: { parts: [kick] }))
  end

  def test_a_layer_that_only_the_mix_tells_starts_an_empty_card
    assert_empty card_of("organ")
  end

  private

  def overlay(painted) = Ethoscope::Sheet::LayerOverlay.new(MEASURED, painted).then { |both| [both.measured, both.painted].map { |list| list.map { |layer| layer[:name] } } }

  def own(name, role, levels) = { name:, role:, levels: }

  def card_of(name, stems: [], score: nil)
    sections = [["verse", 1], ["chorus", 5], ["verse", 9]].map { |label, first_bar| { label:, first_bar: } }
    Ethoscope::Sheet::MeasuredCard.new({ meter: "4/4", key: { tonic: "F" }, sections:, stems:, score: }, name).to_h
  end
end
