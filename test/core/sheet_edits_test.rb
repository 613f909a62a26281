# frozen_string_literal: true

require_relative "../test_helper"

# Edits of chords, sections and the count of bars.
class SheetEditsTest < Ethoscope::TestCase
  include Ethoscope::Sheet

  def data = @data ||= SongSheet.new(Fixture.analysis, []).analysis.to_h

  def list(entries = nil) = SectionList.new(data, entries)

  def starts(entries) = list(entries).sections.map { |section| section[:first_bar] }

  def chords = ChordEdits.new(data)

  def count(readings = {})
    measured = { "tempo" => nil, "meter" => nil, "key" => nil }.transform_values { { source: "measured", value: {} } }
    CountEdits.new(data, measured.merge(readings))
  end

  def test_measured_sections_come_through_as_they_are
    assert_equal(Fixture.analysis.fetch(:sections).map { |section| section.slice(:label, :letter, :first_bar, :bars) },
      list.sections.map { |section| section.slice(:label, :letter, :first_bar, :bars) })
    assert_equal ["measured"], list.sections.map { |section| section[:source] }.uniq
  end

  def test_a_section_is_split_moved_and_merged
    assert_equal [1, 3, 5, 9, 13], starts(list.split(0, 3))
    assert_equal [1, 6, 9, 13], starts(list.move(1, 6))
    assert_equal [1, 9, 13], starts(list.merge(0))
    assert_equal "bridge", list(list.split(0, 3, "bridge")).sections[1][:label]
    assert_equal(%w[measured heard], list(list.split(0, 3)).sections.first(2).map { |section| section[:source] })
  end

  def test_a_section_is_renamed_and_confirmed
    renamed = list(list.rename(1, { label: "drop", letter: "D" })).sections[1]

    assert_equal %w[drop D heard], renamed.values_at(:label, :letter, :source)
    assert_equal "confirmed", list(list.mark(0, "confirmed")).sections[0][:state]
  end

  def test_an_unusual_length_is_marked_and_snaps
    odd = list(list.move(1, 6)).sections

    assert_equal([4, 4], odd.first(2).map { |section| section[:usual_bars] })
    assert_equal [1, 5, 9, 13], starts(list(list.move(1, 6)).snap(0))
    assert_equal([4, 8, 8, 4, 12, 6], [5, 7, 9, 3, 11, 6].map { |bars| Ethoscope::Form::SectionLength.usual(bars) })
  end

  def test_edits_that_leave_a_section_empty_are_refused
    [-> { list.split(0, 1) }, -> { list.split(0, 5) }, -> { list.move(0, 2) }, -> { list.move(1, 9) }, -> { list.merge(3) }, -> { list.rename(0, { label: " " }) },
     -> { list.split(9, 3) }].each { |edit| assert_raises(Ethoscope::Errors::Unfit, &edit) }
  end

  def test_a_chord_is_written_over_the_one_that_stands_there
    entry = chords.name(bar: 2, symbol: "Dm9/C").first

    assert_equal "Dm9/C", entry[:value][:symbol]
    assert_in_delta Timeline.new(data).seconds(2), entry[:from]
    assert_raises(Ethoscope::Errors::UnreadableChord) { chords.name(bar: 2, symbol: "Hm") }
  end

  def test_a_chord_is_split_and_two_are_merged
    halves = chords.split(bar: 1, beat: 3.0)

    assert_equal([[1], [1]], halves.map { |entry| [entry[:bar]] })
    assert_in_delta halves[0][:to], halves[1][:from]
    assert_raises(Ethoscope::Errors::Unfit) { chords.split(bar: 1, beat: 1.0) }
    merged = chords.merge(bar: 1).first

    assert_in_delta Timeline.new(data).seconds(3), merged[:to], 0.02
  end

  def test_a_loop_is_repeated_over_a_run_of_bars_and_cut_off_at_its_end
    entries = chords.repeat(bar: 1, bars: 4, to_bar: 5, last_bar: 10)

    assert_equal([5, 6, 7, 7, 9, 10], entries.map { |entry| entry[:bar] })
    assert_equal(%w[Am F C G Am F], entries.map { |entry| entry[:value][:symbol] })
    assert_raises(Ethoscope::Errors::Unfit) { chords.repeat(bar: 1, bars: 4, to_bar: 3, last_bar: 10) }
    assert_raises(Ethoscope::Errors::Unfit) { chords.repeat(bar: 1, bars: 4, to_bar: 5, last_bar: 90) }
  end

  def test_a_measured_chord_is_confirmed_as_it_was_measured
    entry = chords.decide(bar: 1, state: "confirmed").first

    assert_equal %w[measured confirmed Am], [entry[:source], entry[:state], entry[:value][:symbol]]
    assert_nil chords.clear(bar: 1).first[:value]
  end

  def test_the_first_beat_moves_and_a_pickup_is_marked
    aspect, value = count.downbeat(beats: 1)

    assert_equal "meter", aspect
    assert_in_delta data[:beats][1], value[:first_downbeat], 0.01
    assert_in_delta data[:beats][2], count.pickup(beats: 2).last[:first_downbeat], 0.01
    assert_raises(Ethoscope::Errors::Unfit) { count.pickup(beats: 4) }
  end

  def test_tempo_changes_gather_and_are_taken_back
    first = { source: "heard", value: count.tempo_change(bar: 9, bpm: 120.0).last }
    both = count("tempo" => first).tempo_change(bar: 5, bpm: 90.0).last

    assert_equal([90.0, 120.0], both[:changes].map { |change| change[:bpm] })
    refute_includes count("tempo" => first).steady.last, :changes
    assert_in_delta 50, count.times(factor: 0.5).last[:bpm], 0.2
    assert_raises(Ethoscope::Errors::Unfit) { count.tempo_change(bar: 1, bpm: 90.0) }
  end

  def test_tempo_from_a_bar_on_leaves_what_is_heard_before_it
    value = count.tempo_change(bar: 9, bpm: 120.0).last

    assert value[:follows]
    assert_in_delta data[:tempo][:bpm], value[:bpm], 1e-6
    assert_equal 2, count("tempo" => { source: "heard", value: }).tempo_change(bar: 5, bpm: 90.0).last[:changes].size
  end

  def test_ramps_even_beats_and_one_tempo
    ramp = count.ramp(bar: 5, to_bar: 9, bpm: 100.0, to: 120.0).last[:changes].first
    even = count.even(bar: 5).last

    assert_equal [100.0, 120.0, 4], ramp.values_at(:bpm, :to, :bars)
    assert_raises(Ethoscope::Errors::Unfit) { count.ramp(bar: 5, to_bar: 5, bpm: 100.0, to: 120.0) }
    assert_in_delta 100.0, even[:changes].first[:bpm], 0.2
    assert_in_delta 100.0, count.even(bar: 1).last[:bpm], 0.2
    refute count("tempo" => { source: "heard", value: even }).steady.last.key?(:follows)
    assert_equal %i[bpm], count("tempo" => { source: "heard", value: { bpm: 98.0 } }).steady.last.keys
  end

  def test_bar_lines_gather_and_are_taken_back
    first = count.bar_line(at: 7.25).last
    both = count("meter" => { source: "heard", value: first }).bar_line(at: 3.5).last

    assert_equal [3.5, 7.25], both[:lines]
    refute count("meter" => { source: "heard", value: both }).no_bar_lines.last.key?(:lines)
    assert_equal both[:lines], Ethoscope::Corrections.arguments("meter" => both)[:bar_lines]
  end

  def test_a_change_of_key_is_marked_at_a_bar
    aspect, value = count.modulation(bar: 9, tonic: "B", mode: "minor")

    assert_equal ["key", "A", "minor", ["B"]], [aspect, value[:tonic], value[:mode], value[:modulations].map { |change| change[:tonic] }]
  end

  def test_the_use_of_a_scale_names_what_lies_outside_it
    use = ScaleUse.new(data, Ethoscope::Harmony::Key.named("A", "minor")).to_h
    outside = use[:notes].reject { |note| note[:inside] }.select { |note| note[:beats].positive? }

    assert_equal "C major", use[:relative][:name]
    assert_equal "A major", use[:parallel][:name]
    assert_includes outside.map { |note| note[:name] }, "G♯"
  end
end
