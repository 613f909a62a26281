# frozen_string_literal: true

require_relative "../test_helper"

# What parts are called, from when and how loudly they are heard.
class PartNamesTest < Ethoscope::TestCase
  # Each part as a letter, bars and LUFS.
  def names(*parts)
    starts = parts.sum([0]) { |_, bars, _| [bars] }.each_with_object([]) { |bars, all| all << ((all.last || 0) + bars) }
    ranges = starts.each_cons(2).map { |from, to| from...to }
    letters = parts.map(&:first)
    groups = letters.map { |letter| letters.uniq.index(letter) }
    found = Ethoscope::Form::PartNames.new(ranges, groups, letters, parts.flat_map { |_, bars, lufs| [lufs.to_f] * bars }).to_h
    letters.uniq.to_h { |letter| [letter, found.fetch(letters.uniq.index(letter)).first] }
  end

  def test_the_loudest_part_that_comes_back_is_the_chorus_and_another_one_the_verse
    assert_equal({ "A" => "intro", "B" => "verse", "C" => "chorus", "D" => "outro" },
      names(["A", 4, -20], ["B", 8, -14], ["C", 8, -10], ["B", 8, -14], ["C", 8, -10], ["D", 4, -20]))
  end

  def test_where_no_part_is_louder_nothing_is_called_chorus_or_verse
    assert_equal({ "A" => "part A", "B" => "part B" }, names(["A", 8, -12], ["B", 8, -12.2], ["A", 8, -12], ["B", 8, -12.2]))
  end

  def test_a_short_part_that_always_leads_to_the_chorus_is_told_so
    found = names(["A", 8, -14], ["B", 4, -13], ["C", 8, -10], ["A", 8, -14], ["B", 4, -13], ["C", 8, -10], ["A", 8, -14])

    assert_equal %w[verse pre-chorus chorus], found.values
  end

  def test_one_part_after_a_chorus_may_be_a_bridge_and_two_are_none
    verse_and_chorus = [["A", 8, -14], ["B", 8, -10], ["A", 8, -14], ["B", 8, -10]]

    assert_equal "bridge", names(*verse_and_chorus, ["C", 8, -11], ["B", 8, -10], ["A", 8, -14])["C"]
    found = names(*verse_and_chorus, ["C", 8, -11], ["B", 8, -10], ["D", 8, -11], ["A", 8, -14])

    assert_equal ["part C", "part D"], found.values_at("C", "D")
  end

  def test_a_quiet_part_inside_is_a_breakdown
    assert_equal "breakdown", names(["A", 8, -12], ["B", 8, -24], ["A", 8, -12])["B"]
  end

  def test_every_name_has_a_reason_and_a_part_without_one_says_so
    ranges = [0...8, 8...16, 16...24]
    found = Ethoscope::Form::PartNames.new(ranges, [0, 1, 0], %w[A B A], [-12.0] * 24).to_h

    assert(found.values.all? { |_, reason| reason.size > 10 })
    assert_match(/nothing tells/, found[0].last)
  end

  def test_a_title_says_the_letter_once
    place = Ethoscope::Measures::Place.song

    assert_equal ["part C", "B verse"], [place.with(label: "part C", letter: "C").title, place.with(label: "verse", letter: "B").title]
  end
end
