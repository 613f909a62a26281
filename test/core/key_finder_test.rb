# frozen_string_literal: true

require_relative "../test_helper"

# Keys from chords alone, with the notes that those chords hold.
class KeyFinderTest < Ethoscope::TestCase
  Harmony = Ethoscope::Harmony
  Span = Harmony::ChordRecognizer::Span
  QUALITY = { "" => "maj", "m" => "min", "7" => "7", "m7" => "min7", "maj7" => "maj7" }.freeze

  def test_a_cadence_in_major
    assert_equal "C major", key_of(%w[C F G7 C Am Dm G7 C])
  end

  def test_a_minor_loop_rests_on_its_first_chord
    assert_equal "A minor", key_of(%w[Am F C G] * 4)
  end

  def test_the_same_chords_from_the_major_side
    assert_equal "C major", key_of(%w[C G Am F] * 4)
  end

  def test_a_blues_tonic_is_a_dominant_seventh_and_counts_as_major
    assert_match(/\AA (major|mixolydian)\z/, key_of(%w[A7 A7 A7 A7 D7 D7 A7 A7 E7 D7 A7 A7]))
  end

  def test_a_major_dominant_in_minor_is_no_reason_to_leave_it
    assert_match(/\AD (minor|harmonic minor)\z/, key_of(%w[Dm Gm A7 Dm Bb Gm A7 Dm]))
  end

  def test_a_flat_seventh_all_the_time_is_mixolydian
    assert_equal "G mixolydian", key_of(%w[G F C G] * 4)
  end

  def test_odds_add_up_and_relatives_come_near
    candidates = finder(%w[Am F C G] * 4).candidates

    assert_in_delta 1.0, candidates.sum(&:odds), 0.02
    assert_equal 24, candidates.size
    assert_operator candidates.index { |candidate| candidate.key.to_s == "C major" }, :<, 6
  end

  def test_without_chords_there_is_no_key
    spans = [Span.new(chord: Harmony::Chord.none, first: 0, last: 8, confidence: 1.0)]

    assert_empty Harmony::KeyFinder.new(spans, Numo::DFloat.zeros(12), [0]).candidates
  end

  def test_all_twelve_keys_are_found_alike
    names = (0..11).map do |shift|
      spans = spans_of(%w[C F G7 C]).map { |span| Span.new(**span.to_h, chord: span.chord.transpose(shift)) }
      Harmony::KeyFinder.new(spans, chroma(spans), (0...32).step(8).to_a).candidates.first.key
    end

    assert_equal (0..11).to_a, names.map(&:pitch_class)
    assert_equal ["major"], names.map(&:mode).uniq
  end

  private

  def key_of(names) = finder(names).candidates.first.key.to_s

  # One chord a bar of eight half beats; a phrase every four bars.
  def finder(names)
    spans = spans_of(names)
    Harmony::KeyFinder.new(spans, chroma(spans), (0...(names.size * 8)).step(32).to_a)
  end

  def spans_of(names)
    names.each_with_index.map do |name, i|
      root, quality = name.match(/\A([A-G][b#]?)(.*)\z/).captures
      Span.new(chord: Harmony::Chord.on(Harmony::PitchClass.parse(root), QUALITY.fetch(quality)), first: i * 8, last: (i + 1) * 8, confidence: 0.9)
    end
  end

  def chroma(spans)
    sums = Numo::DFloat.zeros(12)
    spans.each { |span| span.chord.pitch_classes.each { |note| sums[note] += 1 } }
    Numo::NMath.sqrt(sums / spans.size)
  end
end
