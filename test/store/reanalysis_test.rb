# frozen_string_literal: true

require_relative "../test_helper"

# A newer engine measures again; what a person said stands.
class ReanalysisTest < Ethoscope::TestCase
  include AnalysedSong

  # One statement of each kind that a person can make.
  NOTES = { "chord" => { symbol: "Am9" }, "layer" => { name: "echo" }, "technique" => { name: "thrown echo" }, "mark" => { type: "idea", text: "louder" },
            "change" => { text: "lifts" }, "sighting" => { kind: "pedal" } }.freeze

  def readings = library.readings

  def current(aspect) = readings.current(@id)[aspect]

  def measure_again(**parts) = finish(@reference[:recording_id], Fixture.varied(**parts))

  def test_every_reading_of_a_person_is_kept
    place = { starts_at: 0.3, ends_at: 2.7 }
    said = [readings.correct(current("tempo")[:id], value: { bpm: 50.0 }, source: "heard", note: "by hand"),
            readings.correct(current("form")[:id], value: { entries: [{ label: "verse", letter: "A", start: 0.0, source: "heard", state: "open" }] }, source: "heard"),
            readings.add(@id, aspect: "key", value: { tonic: "C", mode: "major" }, source: "told", link: "https://example.test/talk"),
            *NOTES.map { |aspect, value| readings.note(@id, aspect:, value:, statement: aspect, source: "heard", **place) }]
    measure_again(tempo: Fixture.tempo(120.0), key: Fixture.key("E", "minor"))

    assert_equal(said, said.map { |reading| readings.find(reading[:id]) })
    assert_in_delta 50.0, current("tempo")[:value][:bpm]
    assert_equal "measured", current("key")[:source]
    assert_includes readings.contradictions(@id)["key"], said[2][:id]
  end

  def test_what_is_measured_anew_becomes_a_rival_of_what_a_person_put_right
    readings.correct(current("tempo")[:id], value: { bpm: 50.0 }, source: "heard")
    measure_again(tempo: Fixture.tempo(120.0))
    newest = readings.of_reference(@id).reverse.find { |row| row[:aspect] == "tempo" && row[:source] == "measured" }

    assert_equal ["corrected", 120.0], [newest[:state], newest[:value][:bpm]]
    assert_empty readings.contradictions(@id)
  end

  def test_a_confirmed_measurement_is_confirmed_again_when_it_is_the_same
    readings.mark(current("key")[:id], "confirmed")
    measure_again

    assert_equal %w[confirmed measured], current("key").values_at(:state, :source)
    assert_empty readings.contradictions(@id)
  end

  def test_a_confirmed_measurement_stands_against_another_one_until_that_is_settled
    confirmed = readings.mark(current("key")[:id], "confirmed")
    measure_again(key: Fixture.key("E", "minor"))

    assert_equal confirmed[:id], current("key")[:id]
    assert_equal ["key"], readings.contradictions(@id).keys
    newer = readings.contradictions(@id)["key"].last
    readings.mark(newer, "confirmed")

    assert_equal newer, current("key")[:id]
    assert_empty readings.contradictions(@id)
  end

  def test_what_was_refuted_stays_refuted
    readings.mark(current("key")[:id], "refuted")
    measure_again

    assert_equal "refuted", current("key")[:state]
  end

  def test_what_two_sources_say_is_to_be_settled
    told = readings.add(@id, aspect: "key", value: { tonic: "C", mode: "major" }, source: "told", note: "the drummer")

    assert_equal({ "key" => readings.of_reference(@id).select { |row| row[:aspect] == "key" }.map { |row| row[:id] } }, readings.contradictions(@id))
    readings.mark(told[:id], "confirmed")

    assert_empty readings.contradictions(@id)
    assert_equal "C major", library.song(library.references.find(@id)).key.to_s
  end

  def test_sources_that_agree_are_no_contradiction
    readings.add(@id, aspect: "tempo", value: { bpm: current("tempo")[:value][:bpm] + 0.1 }, source: "published")

    assert_empty readings.contradictions(@id)
  end
end
