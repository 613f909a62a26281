# frozen_string_literal: true

require_relative "../../test_helper"

# Where an attempt in the style of several songs equals one of them.
class TooNearTest < Ethoscope::TestCase
  OTHER = [["bridge", 36]].freeze
  KIT = { kick: [3, 6, 11], snare: [7, 15] }.freeze

  def prints(song) = Attempts::Prints.new(song.analysis)

  def own(seed = 3) = DrawnSong.new(form: OTHER, seed:).change(1..36) { |bar| bar.kit = KIT.transform_values(&:dup) }

  def runs(attempt, *songs) = Attempts::TooNear.new(prints(attempt), songs.map { |song| prints(song) }).runs

  def test_a_stretch_of_one_song_is_told_with_the_bars_of_both
    borrowed = own.change(9..20) { |bar| bar.kit = { kick: [0, 8], snare: [4, 12] } }
    loop = %w[A:min F:maj C:maj G:maj]
    (9..20).each { |number| borrowed.change(number..number) { |bar| bar.chord = loop[(number - 9) % 4] } }
    found = runs(borrowed, own(4), DrawnSong.new(form: [["verse", 12], ["bridge", 12]]))

    assert_equal([[1, [1, 12], [9, 20], 0]], found.select { |run| run.song == 1 }.map { |run| run.to_h.values_at(:song, :reference, :attempt, :semitones) })
  end

  def test_in_another_key_it_is_no_less_a_copy
    run = runs(DrawnSong.new(seed: 2, up: 3), DrawnSong.new).first

    assert_equal [3, [1, 36], [1, 36]], run.to_h.values_at(:semitones, :reference, :attempt)
  end

  def test_what_two_songs_have_is_their_style
    assert_empty runs(DrawnSong.new(seed: 2), DrawnSong.new, DrawnSong.new(seed: 3))
  end

  def test_the_same_chords_over_other_strokes_are_no_copy
    assert_empty runs(DrawnSong.new(seed: 2).change(1..36) { |bar| bar.kit = KIT.transform_values(&:dup) }, DrawnSong.new)
  end

  def test_two_chords_are_common_property
    vamp = ->(seed) { DrawnSong.new(form: [["verse", 16]], seed:).change(1..16) { |bar| bar.chord = bar.chord == "A:min" ? "A:min" : "F:maj" } }

    assert_empty runs(vamp.call(2), vamp.call(1))
  end

  def test_what_is_shorter_than_a_phrase_or_counted_otherwise_is_not_looked_at
    short = DrawnSong.new(form: [["verse", 7]])

    assert_empty runs(short, DrawnSong.new)
    assert_empty runs(DrawnSong.new(seed: 2), DrawnSong.new(meter: "3/4"))
  end
end
