# frozen_string_literal: true

require_relative "../../test_helper"
require_relative "../../support/demo_songs"

# A song in another tempo and key: what the restated analysis tells is what the measures restate.
class RestatedSongTest < Ethoscope::TestCase
  # Figures are rounded once on either way, to a tenth at the coarsest; below this two are one.
  CLOSE = 0.11

  def setup
    @analysis = DemoSongs.sheets.fetch(DemoSongs::NAMES.first)
    @vector = Measures::Vector.of(@analysis)
    @wanted = @vector.key.transpose(4)
    @restatement = Measures::Restatement.of(@vector, bpm: @vector.bpm * 1.1, key: @wanted)
    @restated = Analysis.new(Measures::RestatedSong.new(@analysis.to_h, @restatement).to_h)
  end

  def test_its_vector_is_the_vector_restated_measure_by_measure
    there = Measures::Vector.of(@restated)
    apart = Measures::Registry.all.reject do |measure|
      alike?(@vector.of(measure.id).map { |told| measure.restate(told.value, @restatement) }, there.of(measure.id).map(&:value))
    end

    assert_empty apart.map(&:id)
  end

  def test_tempo_key_and_chords_are_those_that_are_wanted_and_degrees_stay
    assert_in_delta @vector.bpm * 1.1, @restated.fetch(:tempo)[:bpm], 0.001
    assert_equal @wanted, @restated.key
    before, after = [@analysis, @restated].map { |analysis| analysis.fetch(:chords) }

    assert_equal(*[before, after].map { |chords| chords.map { |chord| chord[:degree] } })
    before.zip(after).each { |one, other| assert_equal Harmony::ChordSymbol.parse(one[:symbol]).transpose(4, @wanted).to_s, other[:symbol] }
  end

  def test_seconds_shrink_with_the_tempo_but_stay_beside_the_recording
    assert_in_delta @analysis.fetch(:duration) / 1.1, @restated.fetch(:duration), 0.001
    assert_in_delta @analysis.fetch(:sections).last[:start] / 1.1, @restated.fetch(:sections).last[:start], 0.001
    beside = Measures::RestatedSong.new(@analysis.to_h, @restatement).over_sound

    assert_equal(@analysis.fetch(:bars).map { |bar| bar[:start] }, beside[:bars].map { |bar| bar[:start] })
    assert_equal @restated.fetch(:tempo), beside[:tempo]
  end

  def test_there_and_back_again_is_the_same_song
    back = Analysis.new(Measures::RestatedSong.new(@restated.to_h, @restatement.inverse).to_h)

    assert_empty(%i[chords key loop sections bass].reject { |part| alike?(@analysis.fetch(part), back.fetch(part)) })
  end

  def test_where_nothing_is_wanted_nothing_moves
    assert_equal @analysis.to_h, Measures::RestatedSong.new(@analysis.to_h, Measures::Restatement.of(@vector)).to_h
  end

  def test_what_a_person_says_of_tempo_and_key_is_restated
    to = Measures::Restatement.new(from_bpm: 100.0, to_bpm: 50.0, from_key: Harmony::Key.named("A", "minor"), to_key: Harmony::Key.named("C", "minor"), semitones: 3)

    assert_equal({ value: { bpm: 60.0, changes: [{ at: 4.0, bpm: 45.0 }] }, statement: "60.00 BPM, then 45.00" },
      Measures::RestatedReading.of("tempo", { bpm: 120.0, changes: [{ at: 4.0, bpm: 90.0 }] }, to))
    assert_equal "C minor, then E♭ minor", Measures::RestatedReading.of("key", { tonic: "A", mode: "minor", modulations: [{ at: 9.0, tonic: "C", mode: "minor" }] }, to)[:statement]
    assert_empty Measures::RestatedReading.of("form", { text: "long" }, to)
  end

  def test_another_mode_is_never_mixed_in
    own = Harmony::Key.named("F", "minor")
    wanted = Harmony::Key.named("C", "major")

    assert_equal "C minor", Measures::Restatement.home(own, wanted, "tonic").to_s
    assert_equal "A minor", Measures::Restatement.home(own, wanted, "notes").to_s
    assert_equal "C major", Measures::Restatement.home(Harmony::Key.named("F", "major"), wanted, "notes").to_s
    # No harmonic minor has the notes of a major key.
    assert_equal "C harmonic minor", Measures::Restatement.home(Harmony::Key.named("F", "harmonic minor"), wanted, "notes").to_s
  end

  def test_chord_by_chord_it_says_what_another_mode_changes
    rows = Measures::ModeChange.new(Harmony::Key.named("F", "minor"), Harmony::Key.named("C", "major")).rows(%w[Fm7 D♭ E♭/G C7 N.C.])

    assert_equal(%w[Cm7 A♭ B♭/D G7], rows.map { |row| row[:tonic] })
    assert_equal(%w[Am7 F G/B E7], rows.map { |row| row[:notes] })
    # i7 becomes Imaj7, ♭VI vi, ♭VII vii°; the dominant is the same in both but for its minor third above the scale.
    assert_equal(%w[Cmaj7 Am Bdim/D], rows.first(3).map { |row| row[:changed] })
    assert_equal([["E♭ → E", "B♭ → B"], ["A♭ → A", "E♭ → E"], ["B♭ → B"]], rows.first(3).map { |row| row[:differs] })
  end

  private

  def alike?(one, other)
    case one
    when Hash then other.is_a?(Hash) && one.keys == other.keys && one.all? { |name, value| alike?(value, other[name]) }
    when Array then other.is_a?(Array) && one.size == other.size && one.zip(other).all? { |pair| alike?(*pair) }
    when Float then other.is_a?(Numeric) && (one - other).abs <= CLOSE
    else one == other
    end
  end
end
