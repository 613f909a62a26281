# frozen_string_literal: true

require_relative "../test_helper"

# What a person says, laid over what was measured.
class SongSheetTest < Ethoscope::TestCase
  include Ethoscope::Sheet

  def analysis = Fixture.analysis

  def timeline = @timeline ||= Timeline.new(analysis.to_h)

  def note(aspect, value, first_bar: nil, last_bar: nil, **rest)
    from = first_bar && timeline.seconds(first_bar)
    to = last_bar && timeline.seconds(last_bar + 1)
    SheetNote.new(id: 7, aspect:, value:, from:, to:, source: "heard", state: "open", note: "", **rest)
  end

  def sheet(*notes) = SongSheet.new(analysis, notes)

  # The same song counted half as fast, as far as bars and beats go.
  def halved
    data = analysis.to_h
    bars = data[:bars].each_slice(2).with_index.map { |(first, last), i| first.merge(bar: i + 1, end: last[:end]) }
    Ethoscope::Analysis.from_h(data.merge(beats: data[:beats].each_slice(2).map(&:first), bars:))
  end

  def test_seconds_and_bars_are_two_ways_to_say_the_same
    [[1, 1.0], [3, 2.5], [16, 4.5]].each { |bar, beat| assert_equal [bar, beat], timeline.place(timeline.seconds(bar, beat)) }

    assert_equal [5, 8], timeline.bar_run(timeline.seconds(5), timeline.seconds(9))
    assert_raises(Ethoscope::Errors::Unfit) { timeline.seconds(18) }
  end

  def test_a_written_chord_lies_over_the_measured_one_and_says_what_it_is
    chord = sheet(note("chord", { symbol: "Am7" }, first_bar: 1, last_bar: 1)).analysis.to_h[:chords].find { |one| one[:bar] == 1 && one[:beat] == 1 }

    assert_equal ["Am7", "heard", 7, "i7", "diatonic"], chord.values_at(:symbol, :source, :reading_id, :degree, :function)
    assert_equal %w[A C E G], chord[:notes]
    assert_includes chord[:names], "C6/A"
    assert_equal "Am", chord[:rivals].first[:symbol]
  end

  def test_what_a_written_chord_does_not_cover_stays
    before = analysis.to_h[:chords]
    after = sheet(note("chord", { symbol: "F" }, first_bar: 1, last_bar: 1, to: timeline.seconds(1, 3))).analysis.to_h[:chords]
    rest = after[1]

    assert_equal [1, 3.0, before.first[:symbol]], rest.values_at(:bar, :beat, :symbol)
    assert_in_delta(before.sum { |chord| chord[:beats] }, after.sum { |chord| chord[:beats] })
  end

  def test_the_later_of_two_chords_lies_on_top
    notes = [note("chord", { symbol: "F" }, first_bar: 1, last_bar: 2), note("chord", { symbol: "G" }, first_bar: 2, last_bar: 2, id: 8)]
    symbols = sheet(*notes).analysis.to_h[:chords].first(2).map { |chord| chord[:symbol] }

    assert_equal %w[F G], symbols
  end

  def test_a_refuted_measured_chord_is_shown_but_counts_no_more
    refuted = note("chord", { symbol: "Am" }, first_bar: 1, last_bar: 1, source: "measured", state: "refuted")

    assert_equal "refuted", sheet(refuted).analysis.to_h[:chords].first[:state]
    refute_equal 1, sheet(refuted).settled.to_h[:chords].first[:bar]
  end

  def test_a_painted_layer_keeps_its_place_when_bars_are_counted_anew
    layer = note("layer", { name: "echo", role: nil, spans: [[timeline.seconds(5), timeline.seconds(9), 3]] })

    assert_equal ([0] * 4) + ([3] * 4) + ([0] * 8), sheet(layer).analysis.to_h[:heard_layers].first[:levels]
    assert_equal [0, 0, 3, 3, 0, 0, 0, 0], SongSheet.new(halved, [layer]).analysis.to_h[:heard_layers].first[:levels]
  end

  def test_painting_over_painting_leaves_the_rest
    layer = PaintedLayer.new(note("layer", { name: "echo", spans: [[timeline.seconds(5), timeline.seconds(9), 3]] }), timeline)
    spans = layer.painted(7, 12, 1)

    assert_equal [3, 1], spans.map(&:last)
    assert_in_delta timeline.seconds(7), spans.first[1], 1e-3
  end

  def test_a_painted_role_takes_the_place_of_the_measured_one_in_what_rests_on_it
    layer = note("layer", { name: "slide bass", role: "bass", spans: [[0.0, timeline.seconds(17), 3]] })
    layers = sheet(layer).settled.to_h[:layers].select { |one| one[:role] == "bass" }

    assert_equal 1, layers.size
    assert_equal [1.0] * 16, layers.first[:activity]
    assert_equal(2, sheet(layer).analysis.to_h.then { |data| data[:layers].count { |one| one[:role] == "bass" } + data[:heard_layers].size })
  end

  def test_a_painted_layer_that_enters_is_a_change_and_a_change_can_be_struck
    layer = note("layer", { name: "echo", spans: [[timeline.seconds(9), timeline.seconds(17), 3]] })
    strike = note("change", { key: "enters:echo" }, first_bar: 9, last_bar: 9, id: 9)
    added = note("change", { text: "tape stops" }, first_bar: 11, last_bar: 11, id: 10)
    changes = sheet(layer, strike, added).analysis.to_h[:changes]
    ninth = changes.find { |change| change[:bar] == 9 }

    assert_includes ninth[:enters], "echo"
    assert_equal ["enters:echo"], ninth[:struck]
    assert_equal [{ reading_id: 10, text: "tape stops" }], changes.find { |change| change[:bar] == 11 }[:added]
    refute_includes ChangeList.settled(ninth)[:enters], "echo"
  end

  def test_marks_and_decisions_on_sightings_come_with_the_sheet
    sighting = { kind: "drum_dropout", name: "Drums drop out", first_bar: 4, last_bar: 4, start: timeline.seconds(4), end: timeline.seconds(5), confidence: 0.8, detail: {} }
    measured = Fixture.varied(techniques: [sighting])
    mark = note("mark", { type: "question", text: "second voice?" }, first_bar: 3, last_bar: 4)
    refuted = note("sighting", { kind: "drum_dropout" }, first_bar: 4, last_bar: 4, source: "measured", state: "refuted", id: 9)
    own = note("technique", { name: "Echo throw" }, first_bar: 11, last_bar: 12, id: 11)
    sheet = SongSheet.new(measured, [mark, refuted, own])

    assert_equal({ reading_id: 7, type: "question", text: "second voice?", first_bar: 3, last_bar: 4 }, sheet.analysis.to_h[:marks].first)
    assert_equal ["refuted", 9], sheet.analysis.to_h[:techniques].first.values_at(:state, :reading_id)
    assert_equal(["Echo throw"], sheet.settled.to_h[:techniques].map { |one| one[:name] })
  end

  def test_what_was_replaced_is_not_laid_over_anything
    gone = note("chord", { symbol: "F" }, first_bar: 1, last_bar: 1, state: "corrected")

    assert_equal(analysis.to_h[:chords].map { |chord| chord[:symbol] }, sheet(gone).analysis.to_h[:chords].map { |chord| chord[:symbol] })
  end
end
