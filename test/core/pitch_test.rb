# frozen_string_literal: true

require_relative "../test_helper"

class PitchTest < Ethoscope::TestCase
  Pitch = Ethoscope::Harmony::PitchClass
  Key = Ethoscope::Harmony::Key

  def test_names_are_parsed_with_either_kind_of_sign
    assert_equal([0, 10, 10, 6, 11], ["C", "Bb", "B♭", "F#", "Cb"].map { |name| Pitch.parse(name) })
    assert_raises(ArgumentError) { Pitch.parse("H") }
    assert_raises(ArgumentError) { Pitch.parse(nil) }
  end

  def test_the_line_of_fifths_names_every_pitch
    assert_equal(%w[Gb Db Ab Eb Bb F C G D A E B F#], (-6..6).map { |place| Pitch.at_fifths(place) })
    assert_equal(-2, Pitch.fifths("Bb"))
    assert_equal 6, Pitch.fifths("F#")
  end

  def test_a_key_spells_its_notes_by_its_signature
    assert_equal %w[F G Ab Bb C Db Eb], scale("F", "minor")
    assert_equal %w[E F# G# A B C# D#], scale("E", "major")
    assert_equal %w[D E F G A B C], scale("D", "dorian")
  end

  def test_of_two_names_of_a_tonic_the_one_with_fewer_signs_is_taken
    assert_equal "Db major", Key.named("C#", "major").to_s
    assert_equal "C# minor", Key.named("Db", "minor").to_s
    assert_equal "Eb minor", Key.named("D#", "minor").to_s
    assert_equal "B lydian", Key.named("Cb", "lydian").to_s
  end

  def test_the_signature_counts_sharps_up_and_flats_down
    assert_equal(-4, Key.named("F", "minor").signature)
    assert_equal 0, Key.named("D", "dorian").signature
    assert_equal 4, Key.named("E", "major").signature
  end

  def test_a_key_moves_by_semitones
    assert_equal "G minor", Key.named("F", "minor").transpose(2).to_s
    assert_equal "B major", Key.named("C", "major").transpose(-1).to_s
  end

  def test_thirds_tell_minor_from_major
    assert_predicate Key.named("A", "phrygian"), :minor?
    refute_predicate Key.named("A", "mixolydian"), :minor?
    assert_raises(ArgumentError) { Key.named("A", "bebop") }
  end

  private

  def scale(tonic, mode)
    key = Key.named(tonic, mode)
    key.scale.map { |note| key.spell(note) }
  end
end
