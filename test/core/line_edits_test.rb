# frozen_string_literal: true

require_relative "../test_helper"

# What layers play, put right by a person stroke by stroke, and what follows from it.
class LineEditsTest < Ethoscope::TestCase
  include Ethoscope::Sheet

  def data = Fixture.analysis.to_h

  def note(value) = SheetNote.new(id: 3, aspect: "line", value:, from: nil, to: nil, source: "heard", state: "open", note: "")

  def edits(layer, before = nil) = LineEdits.new(before ? sheet(before) : data, layer, before)

  def sheet(*values) = SongSheet.new(Fixture.analysis, values.map { |value| note(value) }).analysis.to_h

  def line(sheet, layer) = sheet[:lines].find { |one| one[:layer] == layer }

  def bar(sheet, layer, number)
    start = (number - 1) * 4
    line(sheet, layer)[:notes].select { |one| one[0].between?(start, start + 3.9) }.map { |one| [one[0] - start + 1, one[2]] }
  end

  def snare_steps(sheet) = sheet[:drums].first[:rows][1][:hits].each_index.select { |step| sheet[:drums].first[:rows][1][:hits][step].positive? }

  def test_a_stroke_is_added_moved_and_taken_away
    added = edits("snare").add(bar: 2, beat: 4.5)
    moved = edits("snare", added).move(bar: 2, beat: 2, to_beat: 1.5)
    taken = edits("snare", moved).take(bar: 2, beat: 4)

    assert_equal [[2, nil], [4, nil], [4.5, nil]], bar(sheet(added), "snare", 2)
    assert_equal [[1.5, nil], [4, nil], [4.5, nil]], bar(sheet(moved), "snare", 2)
    assert_equal [[1.5, nil], [4.5, nil]], bar(sheet(taken), "snare", 2)
    assert_equal 4, line(sheet(taken), "snare")[:edited]
    assert_equal bar(data, "snare", 3), bar(sheet(taken), "snare", 3)
  end

  def test_what_a_person_added_is_simply_gone_when_it_is_taken_away
    added = edits("snare").add(bar: 2, beat: 4.5)

    assert_equal({ layer: "snare", added: [], taken: [] }, edits("snare", added).take(bar: 2, beat: 4.5))
  end

  def test_patterns_and_departures_follow
    before = data[:drums].first[:departures]
    value = edits("snare").add(bar: 4, beat: 4.5)
    departures = sheet(value)[:drums].first[:departures]

    assert_empty(before.select { |departure| departure[:bar] == 4 })
    assert_equal([{ piece: "snare", beat: 4.5, more: true }], departures.find { |departure| departure[:bar] == 4 }[:strokes])
    assert_equal [4, 12], snare_steps(sheet(value))
    every = (1..16).reduce(nil) { |held, number| edits("snare", held).add(bar: number, beat: 4.5) }

    assert_equal [4, 12, 14], snare_steps(sheet(every))
  end

  def test_the_bass_follows_with_its_chord_tones
    value = edits("bass").move(bar: 2, beat: 1, pitch: 41, to_pitch: 24)
    bass = sheet(value)[:bass]

    assert_equal [24, "C", "fifth", 1.0], bass[:notes][1].values_at(:pitch, :name, :tone, :sure)
    assert_equal 24, bass[:lowest]
    assert_equal data[:bass][:notes].first, bass[:notes].first
    assert_in_delta 1.0, bass[:tones].values.sum, 0.01
  end

  def test_edits_keep_their_moments_when_bars_are_counted_anew
    value = edits("kick").add(bar: 3, beat: 4)
    at = value[:added].first.first

    assert_in_delta Timeline.new(data).seconds(3, 4), at, 1e-3
    assert_in_delta 11.0, Timeline.new(data).beat_at(at), 1e-3
  end

  def test_what_can_not_be_is_said
    { [:add, { bar: 2, beat: 2 }] => /played there already/, [:take, { bar: 2, beat: 3 }] => /nothing is played there/, [:move, { bar: 2, beat: 2, to_beat: 4 }] => /already/,
      [:add, { bar: 99, beat: 1 }] => /bars run from/ }
      .each { |(action, fields), words| assert_match(words, assert_raises(Ethoscope::Errors::Unfit) { edits("snare").public_send(action, **fields) }.message) }
    assert_match(/which note/, assert_raises(Ethoscope::Errors::Unfit) { edits("bass").add(bar: 1, beat: 2) }.message)
    assert_match(/nothing is told/, assert_raises(Ethoscope::Errors::Unfit) { edits("organ") }.message)
  end

  def test_only_notes_that_can_be_shown_are_kept
    fit = { layer: "snare", added: [[1.0, 1.2, nil, 0.8]], taken: [[2.0, nil]] }
    broken = [[[2.0, 1.0, nil, 0.8]], [[1.0, 1.2, 400, 0.8]], [[1.0, 1.2, 40, 7]], [%w[one two three four]], [[1.0]]]

    assert_equal fit, Ethoscope::Readings::Values.checked("line", fit)
    broken.each { |added| assert_raises(Ethoscope::Errors::Unfit) { Ethoscope::Readings::Values.checked("line", fit.merge(added:)) } }
    assert_raises(Ethoscope::Errors::Unfit) { Ethoscope::Readings::Values.checked("line", fit.merge(taken: [["x", nil]])) }
  end
end
