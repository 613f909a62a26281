# frozen_string_literal: true

require_relative "../test_helper"

# Keys from belief in chords, with the notes that those chords hold.
class KeyFinderTest < Ethoscope::TestCase
  Harmony = Ethoscope::Harmony
  QUALITY = { "" => "maj", "m" => "min", "7" => "7", "m7" => "min7", "maj7" => "maj7" }.freeze

  UP_A_TONE = { "C" => "D", "F" => "G", "G" => "A", "Am" => "Bm" }.freeze
  CADENCE = [[0, ""], [5, ""], [7, "7"], [0, ""], [9, "m"], [5, ""], [7, "7"], [0, ""]].freeze

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

  def test_relatives_come_near
    candidates = finder(%w[Am F C G] * 4).candidates

    assert_operator candidates.sum(&:odds), :<=, 1.001
    assert_includes(candidates.map { |candidate| candidate.key.to_s }, "C major")
    assert_operator finder(%w[Am F C G] * 4).confidence, :>, 0.5
  end

  def test_the_last_part_a_whole_tone_up_is_another_key
    low = %w[C F G C Am F G C]
    finder = finder((low * 2) + low.map { |name| UP_A_TONE.fetch(name) })
    stretches = finder.stretches([0...64, 64...128, 128...192], [1..8, 9..16, 17..24])

    assert_equal([["C major", 1, 16], ["D major", 17, 24]], stretches.map { |stretch| [stretch.key.to_s, stretch.first_bar, stretch.last_bar] })
  end

  def test_five_notes_that_sound_alone_are_pentatonic
    finder = Harmony::KeyFinder.new(evidence(%w[C Am] * 4), Numo::DFloat[1, 0, 1, 0, 1, 0, 0, 1, 0, 1, 0, 0])

    assert finder.pentatonic?(Harmony::Key.named("C", "major"))
    refute finder(%w[C F G Am] * 4).pentatonic?(Harmony::Key.named("C", "major"))
  end

  def test_a_raised_fourth_makes_it_lydian_only_where_it_is_heard
    with = lambda { |fourth, raised|
      Harmony::KeyFinder.new(evidence(%w[C G C Am] * 4), Numo::DFloat[1, 0, 0.4, 0, 0.8, fourth, raised, 0.9, 0, 0.4, 0, 0.3]).candidates.first.key.to_s
    }

    assert_equal "C lydian", with.call(0.0, 0.5)
    assert_equal "C major", with.call(0.0, 0.15)
    assert_equal "C major", with.call(0.4, 0.5)
  end

  def test_all_twelve_keys_are_found_alike
    roots = { 0 => "C", 1 => "Db", 2 => "D", 3 => "Eb", 4 => "E", 5 => "F", 6 => "Gb", 7 => "G", 8 => "Ab", 9 => "A", 10 => "Bb", 11 => "B" }
    names = (0..11).map do |shift|
      chords = CADENCE.map { |root, quality| roots[(root + shift) % 12] + quality }
      finder(chords).candidates.first.key
    end

    assert_equal (0..11).to_a, names.map(&:pitch_class)
    assert_equal ["major"], names.map(&:mode).uniq
  end

  private

  def key_of(names) = finder(names).candidates.first.key.to_s

  # Stands in for NoteActivation: the same chroma in every register.
  Notes = Struct.new(:rows) do
    def chroma(_range) = rows
    def size = rows.shape[0]
  end

  # One chord a bar of eight half beats.
  def finder(names) = Harmony::KeyFinder.new(evidence(names), chroma(names).mean(axis: 0))

  def evidence(names)
    grid = Ethoscope::Rhythm::BeatGrid.nominal(names.size * 2.0)
    Harmony::KeyEvidence.new(belief(names), Notes.new(chroma(names)), grid)
  end

  def chords(names)
    names.flat_map do |name|
      root, quality = name.match(/\A([A-G][b#]?)(.*)\z/).captures
      [Harmony::Chord.on(Harmony::PitchClass.parse(root), QUALITY.fetch(quality))] * 8
    end
  end

  # Nine tenths of the belief in the chord that sounds.
  def belief(names)
    states = (12 * Harmony::ChordModel::QUALITIES.size) + 1
    Numo::DFloat.cast(chords(names).map do |chord|
      place = (chord.root * Harmony::ChordModel::QUALITIES.size) + Harmony::ChordModel::QUALITIES.index(chord.quality)
      Array.new(states) { |state| state == place ? 0.9 : 0.1 / (states - 1) }
    end)
  end

  def chroma(names) = Numo::DFloat.cast(chords(names).map { |chord| (0..11).map { |note| chord.pitch_classes.include?(note) ? 1.0 : 0.1 } })
end
