# frozen_string_literal: true

require_relative "../test_helper"

# Loops, layers and doublings that come back moved by semitones, on songs written out as data.
class ReturnsTest < Ethoscope::TestCase
  BEAT = 0.5
  LOOP = [[9, "min"], [5, "maj"], [0, "maj"], [7, "maj"]].freeze
  NAMES = %w[C C# D D# E F F# G G# A A# B].freeze

  # Four bars a section; chords by section as [root, kind], lines by name as [beat, pitch].
  def song(sections, lines = {})
    bars = sections.size * 4
    chords = sections.flatten(1).each_with_index.map { |(root, kind), bar| { label: "#{NAMES[root]}:#{kind}", start: bar * 4 * BEAT, end: (bar + 1) * 4 * BEAT } }
    { meter: "4/4", beats: (0...(bars * 4)).map { |beat| beat * BEAT }, end: bars * 4 * BEAT, chords:,
      sections: sections.each_index.map { |i| { first_bar: (i * 4) + 1, bars: 4, start: i * 16 * BEAT, end: (i + 1) * 16 * BEAT, letter: ("A".ord + i).chr } },
      lines: lines.map { |layer, notes| { layer:, role: "chords", source: "midi", notes: notes.map { |beat, pitch| [beat, 0.5, pitch, 1.0] } } } }
  end

  def moved(chords, by) = chords.map { |root, kind| [(root + by) % 12, kind] }

  def returns(...) = Form::Returns.new(song(...)).to_h

  def riff(start, by = 0) = (0...16).step(2).map { |beat| [start + beat, 60 + ((beat * 5) % 7) + by] }

  def test_a_loop_that_is_moved_is_named_after_the_one_it_was
    [[2, 2], [-3, -3], [9, -3], [6, 6]].each do |by, told|
      assert_equal [{ first_bar: 5, of: "A", of_bar: 1, semitones: told }], returns([LOOP, moved(LOOP, by)])[:sections], by
    end
  end

  def test_the_same_loop_another_loop_and_two_chords_are_not_moved
    other = [[0, "maj"], [4, "min"], [2, "min"], [9, "min"]]

    assert_empty returns([LOOP, LOOP])[:sections]
    assert_empty returns([LOOP, other])[:sections]
    assert_empty returns([[[0, "maj"], [5, "maj"]] * 2, [[7, "maj"], [0, "maj"]] * 2])[:sections]
  end

  def test_a_layer_that_comes_back_an_octave_lower_is_told
    found = returns([LOOP, LOOP], { "guitar" => riff(0) + riff(16, -12) })

    assert_equal [{ layer: "guitar", first_bar: 5, of_bar: 1, semitones: -12 }], found[:layers]
  end

  def test_what_moves_with_its_section_is_told_once
    found = returns([LOOP, moved(LOOP, 2)], { "guitar" => riff(0) + riff(16, 2) })

    assert_equal [1, 0], [found[:sections].size, found[:layers].size]
  end

  def test_layers_that_double_each_other_are_told_with_their_places
    found = returns([LOOP, LOOP, LOOP], { "keys" => riff(0) + riff(16) + riff(32), "strings" => riff(0, 12) + riff(32, 12) })

    assert_equal [{ layer: "keys", like: "strings", semitones: -12, bars: [1, 9] }], found[:doublings]
    assert_empty returns([LOOP], { "keys" => riff(0), "bass" => riff(1, -24) })[:doublings]
  end
end
