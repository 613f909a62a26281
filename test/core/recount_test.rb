# frozen_string_literal: true

require_relative "../test_helper"

# What a person puts right reaches everything that is counted.
class RecountTest < Ethoscope::TestCase
  include Ethoscope

  def grid(beats: 17, pickup: 0) = Rhythm::BeatGrid.new(edges: (0...beats).map { |beat| beat * 0.6 }, pickup:, meter: Rhythm::Meter.named("4/4"))

  def changes(*pairs) = Corrections.of(tempo_changes: pairs.map { |at, bpm| { at:, bpm: } }).tempo_changes

  def test_from_a_change_on_beats_follow_the_new_tempo
    counted = Rhythm::Recount.of(grid, changes([4.8, 120.0])).grid

    assert_equal([0.0, 2.4, 4.8, 6.8, 8.8], counted.bar_edges.map { |edge| edge.round(3) })
  end

  def test_a_later_change_holds_from_there
    counted = Rhythm::Recount.of(grid, changes([2.4, 120.0], [4.4, 60.0])).grid

    assert_equal([0.0, 2.4, 4.4, 8.4], counted.bar_edges.first(4).map { |edge| edge.round(3) })
  end

  def test_without_changes_the_count_stays
    assert_equal grid.edges, Rhythm::Recount.of(grid, []).grid.edges
  end

  def test_sections_tempo_and_keys_that_a_person_set_are_derived
    features = Engine::Features.of(Fixture.band.recording)
    corrections = Corrections.of(key: { tonic: "A", mode: "minor" }, modulations: [{ at: Fixture.analysis.fetch(:bars)[8][:start], tonic: "C", mode: "major" }],
      sections: [{ label: "verse", letter: "A", start: 0.0 }, { label: "drop", letter: "B", start: Fixture.analysis.fetch(:bars)[8][:start] }])
    data = Analysis.of(features:, corrections:).to_h

    assert_equal([["verse", 1, 8], ["drop", 9, 8]], data[:sections].map { |section| section.values_at(:label, :first_bar, :bars) })
    assert_equal([1, 9], data[:drums].map { |pattern| pattern[:first_bar] })
    assert_equal(%w[A C], data[:key][:stretches].map { |stretch| stretch[:tonic] })
    assert_equal(%w[i vi], [1, 9].map { |bar| data[:chords].find { |chord| chord[:bar] == bar }[:degree] })
  end

  def test_arguments_are_only_what_was_put_right
    values = { "tempo" => { bpm: 90, changes: [] }, "meter" => { name: "3/4" }, "key" => { text: "somewhere" }, "tuning" => { text: "flat" } }

    assert_equal({ bpm: 90.0, meter: "3/4" }, Corrections.arguments(values))
    assert_raises(Ethoscope::Errors::Unfit) { Corrections.of(tempo_changes: [{ at: 1.0, bpm: 1000 }]) }
  end
end
