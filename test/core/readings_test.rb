# frozen_string_literal: true

require_relative "../test_helper"

class ReadingsTest < Ethoscope::TestCase
  Reader = Ethoscope::Readings::Reader
  Words = Ethoscope::Readings::Words

  def test_there_is_one_reading_for_each_aspect_in_the_order_of_work
    assert_equal Reader::ASPECTS, read(Fixture.analysis).keys
  end

  def test_a_close_rival_is_named_in_the_statement
    key = Fixture.key("A", "minor").merge(confidence: 0.6, rivals: [{ tonic: "C", mode: "major", odds: 0.3 }], stretches: [])
    reading = read(Fixture.varied(key:))["key"]

    assert_equal "A minor, or C major", reading.statement
    assert_equal "next C major, 30 %", reading.note
  end

  def test_a_distant_rival_is_not
    key = Fixture.key("Bb", "minor").merge(confidence: 0.9, rivals: [{ tonic: "Db", mode: "major", odds: 0.05 }], stretches: [])

    assert_equal "B♭ minor, well clear of alternatives", read(Fixture.varied(key:))["key"].statement
  end

  def test_a_change_of_key_is_in_the_statement
    stretches = [["A", 1, 8], ["B", 9, 16]].map { |tonic, first_bar, last_bar| { tonic:, mode: "minor", first_bar:, last_bar:, confidence: 0.9 } }

    assert_equal "A minor, then B minor from bar 9", read(Fixture.varied(key: Fixture.key("A", "minor").merge(stretches:)))["key"].statement
  end

  def test_a_section_opens_on_the_chord_that_sounds_there_even_when_it_was_pushed
    chords = [["A:min", 0.0, 4.0], ["F#:min", 4.0, 9.7], ["A:min", 9.7, 20.0]].map { |label, from, to| { label:, start: from, end: to, bar: 1 } }
    sections = [1, 2, 3].map { |first_bar| Fixture.analysis.fetch(:sections).first.merge(first_bar:) }
    bars = [0.0, 5.0, 10.0].map { |start| Fixture.analysis.fetch(:bars).first.merge(start:) }
    key = Fixture.key("A", "minor")

    assert_match(/two of three sections open on A\./, read(Fixture.varied(chords:, sections:, bars:, key:))["key"].why)
    sharp = chords.map { |chord| chord.merge(label: chord[:label].sub("A:", "F#:")) }

    assert_match(/no of three sections open on F\./, read(Fixture.varied(chords: sharp, sections:, bars:, key: Fixture.key("F", "minor")))["key"].why)
  end

  def test_a_moving_tempo_says_from_where_to_where
    tempo = Fixture.tempo(100.0).merge(constant: false)
    tempo_map = [{ bar: 1, time: 0, bpm: 98.04 }, { bar: 2, time: 2, bpm: 103.0 }]

    assert_equal "100.00 BPM, moving 98.0 to 103.0", read(Fixture.varied(tempo:, tempo_map:))["tempo"].statement
  end

  def test_what_was_not_found_is_said_without_confidence
    readings = read(Fixture.varied(key: nil, loop: nil, loops: [], tempo: { bpm: nil, constant: false, confidence: 0.0, candidates: [] },
      loudness: { integrated: nil, peak_db: -60.0 }))

    assert_equal ["No steady pulse found", "No key found", "No loop found", "Too quiet to gate"],
      readings.values_at("tempo", "key", "loop", "loudness").map(&:statement)
    assert(readings.values_at("tempo", "key", "loop").all? { |reading| reading.confidence.zero? })
  end

  def test_a_song_without_a_loop_of_its_own_says_which_parts_have_one
    loops = [{ letters: %w[B A], bars: 4, degrees: %w[i VI], symbols: %w[Am F], starts: [1], confidence: 0.7 }]

    assert_equal(["No loop for the whole song; parts A, B have their own", 0.7], read(Fixture.varied(loop: nil, loops:))["loop"].then { |loop| [loop.statement, loop.confidence] })
  end

  def test_a_key_that_stays_is_no_change
    stretches = [["A", 1, 8], ["A", 9, 16]].map { |tonic, first_bar, last_bar| { tonic:, mode: "minor", first_bar:, last_bar:, confidence: 0.9 } }

    refute_match(/then/, read(Fixture.varied(key: Fixture.key("A", "minor").merge(stretches:)))["key"].statement)
  end

  def test_tuning_is_told_in_cents_with_its_direction
    flat = Fixture.varied(tuning: { cents: -13.6, confidence: 0.8, a4: 436.6 })
    even = Fixture.varied(tuning: { cents: 1.2, confidence: 0.8, a4: 440.3 })

    assert_equal "14 cents flat of A 440", read(flat)["tuning"].statement
    assert_equal "In tune with A 440", read(even)["tuning"].statement
  end

  def test_what_a_person_hears_must_fit_the_aspect
    assert_equal "72.50 BPM", Reader.heard("tempo", { bpm: "72.5" })
    assert_equal "E♭ major", Reader.heard("key", { tonic: "Eb", mode: "major" })
    assert_equal "6/8 time", Reader.heard("meter", { name: "6/8" })
    assert_equal "two bars", Reader.heard("loop", { text: " two bars " })
    [["tempo", { bpm: "fast" }], ["tempo", { bpm: 4000 }], ["tempo", {}], ["key", { tonic: "H", mode: "major" }], ["meter", { name: "9/17" }],
     ["loop", { text: " " }]].each { |aspect, value| assert_raises(Ethoscope::Errors::Unfit) { Reader.heard(aspect, value) } }
  end

  def test_numbers_are_words_when_they_are_small
    assert_equal(%w[no twelve 13], [0, 12, 13].map { |count| Words.number(count) })
    assert_equal(["once", "twice", "three times"], [1, 2, 3].map { |count| Words.times(count) })
    assert_equal "over 99 to 1", Words.odds(0.9, 0.0)
    assert_equal "1 to 1", Words.odds(0.2, 0.5)
    assert_equal "−1.5", Words.signed(-1.5)
    assert_equal "B♭ and F♯", Words.signs("Bb and F#")
  end

  private

  def read(analysis) = Reader.new(analysis).readings.to_h { |reading| [reading.aspect, reading] }
end
