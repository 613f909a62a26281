# frozen_string_literal: true

require_relative "../test_helper"

# Chord symbols as people write them.
class ChordSymbolTest < Ethoscope::TestCase
  include Ethoscope::Harmony

  # As written, the one way to write it, the notes.
  READ = [
    ["C", "C", "C E G"], ["CM", "C", "C E G"], ["Cmaj", "C", "C E G"], ["Cmajor", "C", "C E G"], ["Cm", "Cm", "C Eb G"], ["C-", "Cm", "C Eb G"],
    ["Cmin", "Cm", "C Eb G"], ["Cmi", "Cm", "C Eb G"], ["C minor", "Cm", "C Eb G"], ["C7", "C7", "C E G Bb"], ["C 7", "C7", "C E G Bb"],
    ["Cmaj7", "Cmaj7", "C E G B"], ["CMaj7", "Cmaj7", "C E G B"], ["CM7", "Cmaj7", "C E G B"], ["Cma7", "Cmaj7", "C E G B"], ["CΔ", "Cmaj7", "C E G B"],
    ["CΔ7", "Cmaj7", "C E G B"], ["Cm7", "Cm7", "C Eb G Bb"], ["C-7", "Cm7", "C Eb G Bb"], ["Cmin7", "Cm7", "C Eb G Bb"], ["Cmi7", "Cm7", "C Eb G Bb"],
    ["C°", "Cdim", "C Eb Gb"], ["Cdim", "Cdim", "C Eb Gb"], ["Co", "Cdim", "C Eb Gb"], ["Cdim7", "Cdim7", "C Eb Gb Bbb"], ["C°7", "Cdim7", "C Eb Gb Bbb"],
    ["Co7", "Cdim7", "C Eb Gb Bbb"], ["Cø", "Cm7♭5", "C Eb Gb Bb"], ["Cø7", "Cm7♭5", "C Eb Gb Bb"], ["Cm7b5", "Cm7♭5", "C Eb Gb Bb"],
    ["Cm7♭5", "Cm7♭5", "C Eb Gb Bb"], ["Cm7(b5)", "Cm7♭5", "C Eb Gb Bb"], ["Cm7-5", "Cm7♭5", "C Eb Gb Bb"], ["C-7b5", "Cm7♭5", "C Eb Gb Bb"],
    ["C half-dim", "Cm7♭5", "C Eb Gb Bb"], ["Caug", "Caug", "C E G#"], ["C+", "Caug", "C E G#"], ["Caug7", "Caug7", "C E G# Bb"], ["C+7", "Caug7", "C E G# Bb"],
    ["C7#5", "Caug7", "C E G# Bb"], ["C7+5", "Caug7", "C E G# Bb"], ["C7b5", "C7♭5", "C E Gb Bb"], ["C7-5", "C7♭5", "C E Gb Bb"], ["Csus", "Csus4", "C F G"],
    ["Csus4", "Csus4", "C F G"], ["Csus2", "Csus2", "C D G"], ["C4", "Csus4", "C F G"], ["C7sus4", "C7sus4", "C F G Bb"], ["C7sus", "C7sus4", "C F G Bb"],
    ["C9sus4", "C9sus4", "C F G Bb D"], ["Csus2sus4", "Csus2sus4", "C D F G"], ["C6", "C6", "C E G A"], ["Cm6", "Cm6", "C Eb G A"], ["C6/9", "C6/9", "C E G A D"],
    ["C69", "C6/9", "C E G A D"], ["Cm6/9", "Cm6/9", "C Eb G A D"], ["Cadd9", "Cadd9", "C E G D"], ["C(add9)", "Cadd9", "C E G D"], ["Cadd2", "Cadd9", "C E G D"],
    ["C2", "Cadd9", "C E G D"], ["Cmadd9", "Cmadd9", "C Eb G D"], ["Cm(add9)", "Cmadd9", "C Eb G D"], ["Cadd4", "Cadd11", "C E G F"],
    ["Cadd#11", "Cadd♯11", "C E G F#"], ["C9", "C9", "C E G Bb D"], ["Cm9", "Cm9", "C Eb G Bb D"], ["C-9", "Cm9", "C Eb G Bb D"], ["Cmaj9", "Cmaj9", "C E G B D"],
    ["CM9", "Cmaj9", "C E G B D"], ["C11", "C11", "C E G Bb D F"], ["Cm11", "Cm11", "C Eb G Bb D F"], ["C13", "C13", "C E G Bb D A"],
    ["Cm13", "Cm13", "C Eb G Bb D A"], ["Cmaj13", "Cmaj13", "C E G B D A"], ["C7b9", "C7♭9", "C E G Bb Db"], ["C7(b9)", "C7♭9", "C E G Bb Db"],
    ["C7-9", "C7♭9", "C E G Bb Db"], ["C7#9", "C7♯9", "C E G Bb D#"], ["C7#11", "C7♯11", "C E G Bb F#"], ["C7b13", "C7♭13", "C E G Bb Ab"],
    ["C7(b9,#11)", "C7♭9♯11", "C E G Bb Db F#"], ["C9#11", "C9♯11", "C E G Bb D F#"], ["C13b9", "C13♭9", "C E G Bb Db A"],
    ["C13#11", "C13♯11", "C E G Bb D F# A"], ["Cmaj7#11", "Cmaj7♯11", "C E G B F#"], ["CM7(#11)", "Cmaj7♯11", "C E G B F#"], ["Cmaj7#5", "Cmaj7♯5", "C E G# B"],
    ["Cmaj7sus4", "Cmaj7sus4", "C F G B"], ["C7alt", "C7alt", "C E Bb Db D# Ab"], ["Calt", "C7alt", "C E Bb Db D# Ab"], ["CmMaj7", "Cm(maj7)", "C Eb G B"],
    ["Cm(maj7)", "Cm(maj7)", "C Eb G B"], ["CmM7", "Cm(maj7)", "C Eb G B"], ["C-Δ7", "Cm(maj7)", "C Eb G B"], ["Cmmaj9", "Cm(maj9)", "C Eb G B D"],
    ["Cm9b5", "Cm9♭5", "C Eb Gb Bb D"], ["C+9", "Caug9", "C E G# Bb D"], ["Cm7add11", "Cm7add11", "C Eb G Bb F"], ["C7add13", "C7add13", "C E G Bb A"],
    ["C5", "C5", "C G"], ["Cno3", "C5", "C G"], ["C7no3", "C7no3", "C G Bb"], ["C7omit5", "C7no5", "C E Bb"], ["Bb", "B♭", "Bb D F"], ["B♭", "B♭", "Bb D F"],
    ["Bbm7", "B♭m7", "Bb Db F Ab"], ["B♭-7", "B♭m7", "Bb Db F Ab"], ["F#dim/A", "F♯dim/A", "F# A C"], ["F♯m7b5/C", "F♯m7♭5/C", "F# A C E"], ["G/B", "G/B", "G B D"],
    ["G/G", "G", "G B D"], ["Gm7/C", "Gm7/C", "G Bb D F C"], ["D/F#", "D/F♯", "D F# A"], ["C6/E", "C6/E", "C E G A"], ["C6/9/E", "C6/9/E", "C E G A D"],
    ["Ebmaj7/Bb", "E♭maj7/B♭", "Eb G Bb D"], ["Abm", "A♭m", "Ab Cb Eb"], ["Cb", "C♭", "Cb Eb Gb"], ["G#m", "G♯m", "G# B D#"], ["Ebb", "E♭♭", "Ebb Gb Bbb"],
    ["F##m", "F♯♯m", "F## A# C##"], ["  Am7 ", "Am7", "A C E G"], ["N.C.", "N.C.", ""], ["NC", "N.C.", ""], ["n.c.", "N.C.", ""], ["no chord", "N.C.", ""],
    ["–", "N.C.", ""]
  ].freeze

  # As written, and what the message says.
  REFUSED = [
    ["", /can't be empty/], ["   ", /can't be empty/], ["c", /starts small; write the root as a capital, such as C/], ["am7", /such as Am7/], ["H", /H is not used here/],
    ["Hm7", /write B/], ["X", /no note/], ["7", /no note/], ["?", /no note/], ["C7x", /“x” can't be read in “C7x”/], ["Cfoo", /“foo” can't be read/],
    ["Cm5", /“5” stands alone/], ["C/", /after the slash stands the bass note/], ["C/x", /bass note/], ["C/EG", /“G” after the bass note/], ["Cmaj77", /two sevenths/],
    ["C7maj7", /two sevenths/], ["C76", /a sixth and a seventh/], ["Cmsus4", /a third and a suspension/], ["Csus4m", /a third and a suspension/],
    ["Cmdim7dim7", /two sevenths/], ["Cadd#13", /a tone that no chord has/], ["C#9b", /“b” can't be read/], ["Bb7b10", /“b10” can't be read/],
    ["C" * 41, /at most 40 signs/]
  ].freeze

  def test_every_usual_way_of_writing_a_chord_is_read
    READ.each do |written, canonical, notes|
      symbol = ChordSymbol.parse(written)

      assert_equal [canonical, notes], [symbol.to_s, symbol.notes.join(" ")], "written #{written}"
    end
  end

  def test_the_one_way_to_write_a_chord_is_read_as_itself
    READ.map { |_, canonical, _| canonical }.uniq.each do |canonical|
      assert_equal canonical, ChordSymbol.parse(canonical).to_s
    end
  end

  def test_what_is_no_chord_is_explained
    REFUSED.each do |written, message|
      error = assert_raises(Ethoscope::Errors::UnreadableChord, "written #{written}") { ChordSymbol.parse(written) }

      assert_match message, error.message
    end
  end

  def test_the_table_holds_at_least_a_hundred_and_twenty_forms
    assert_operator READ.size + REFUSED.size, :>=, 120
    assert_equal READ.size, READ.map(&:first).uniq.size
  end

  def test_a_chord_says_its_degree_in_numerals
    minor = Key.named("C", "minor")
    degrees = %w[Cm7 Fm Bb7 Ebmaj7 Ab Dm7b5 G7 Bdim N.C.].map { |text| ChordSymbol.parse(text).degree(minor) }

    assert_equal ["i7", "iv", "♭VII7", "♭IIImaj7", "♭VI", "iiø7", "V7", "vii°", nil], degrees
  end

  def test_a_chord_says_what_it_does
    major = Key.named("C", "major")
    kinds = ["Dm7", "Fm", "A7", "F/G", "Bb"].map { |text| ChordSymbol.parse(text).function(major).kind }

    assert_equal ["diatonic", "borrowed", "secondary dominant", "pedal", "borrowed"], kinds
  end

  def test_the_nearest_chord_of_the_engine_is_found
    key = Key.named("A", "minor")
    found = %w[Am9 D13 C6/9 E5 A5 Bm7b5 F#dim7 Gsus2 Caug Fmaj9 N.C.].map { |text| ChordSymbol.parse(text).chord(key).quality }

    assert_equal %w[min7 7 maj6 min min hdim7 dim7 sus2 aug maj7 N], found
  end

  def test_the_engines_chords_come_through_unchanged
    key = Key.named("Eb", "major")
    (0..11).to_a.product(Chord::QUALITIES.keys).each do |root, quality|
      chord = Chord.on(root, quality)

      assert_equal chord, ChordSymbol.parse(chord.symbol(key)).chord(key)
    end
  end
end
