# frozen_string_literal: true

require_relative "../test_helper"

class ProfileTest < Ethoscope::TestCase
  Builder = Ethoscope::Profile::Builder
  TempoZone = Ethoscope::Rhythm::TempoZone

  def test_tempos_an_octave_apart_are_one_zone
    zone = TempoZone.new([73.26, 71.4, 76.02, 146.1, 139.76, 61.0])

    assert_equal [73.05, 69.88], zone.points.values_at(3, 4).map(&:folded)
    assert_equal [false, false, false, false, false, true], zone.points.map(&:apart)
    assert_equal [69.88, 76.02], zone.range
    assert_in_delta 73.05, zone.middle
  end

  def test_songs_without_a_pulse_take_no_part
    zone = TempoZone.new([nil, 90.0])

    assert_nil zone.points.first
    assert_equal [90.0, 90.0], zone.range
    assert_nil TempoZone.new([nil]).range
  end

  def test_degrees_count_in_bars_over_all_songs
    degrees = Builder.new([Fixture.song("one"), Fixture.song("two")]).degrees

    assert_equal "iv", degrees.first[:degree]
    assert_in_delta 1.0, degrees.sum { |row| row[:share] }, 0.05
    assert_equal [true, true], degrees.first[:songs]
  end

  def test_the_one_that_differs_in_most_respects_is_the_outlier
    minor = %w[A D E].map { |tonic| Fixture.song("in #{tonic}", key: Fixture.key(tonic, "minor"), tempo: Fixture.tempo(72.0)) }
    other = Fixture.song("the other", key: Fixture.key("C", "major"), tempo: Fixture.tempo(100.0), meter: "6/8")
    profile = Builder.new([*minor, other]).profile

    assert_equal [3, "the other"], profile[:outlier].values_at(:song, :title)
    assert_empty ["At 72.0 BPM", "In 4/4", "In minor"] - profile[:outlier][:respects]
    assert_equal [3, 4], profile[:keys].values_at(:minor, :of)
    assert_nil Builder.new(minor).profile[:outlier]
  end

  def test_what_is_claimed_says_of_how_many_songs_and_how_much_other_music_has_it
    claims = Builder.new([70.0, 71.0, 142.0].map { |bpm| Fixture.song("at #{bpm}", tempo: Fixture.tempo(bpm)) }).profile[:claims]
    tempo = claims.find { |claim| claim[:id] == "time.tempo" }

    assert(claims.all? { |claim| claim[:m] == 3 && claim[:n].between?(2, 3) })
    assert_equal ["Between 70.0 and 71.0 BPM", 3, [70.0, 71.0]], tempo.values_at(:words, :n, :value)
    assert_operator claims.find { |claim| claim[:id] == "time.meter=4/4" }[:elsewhere], :>, 0.6
  end

  def test_layers_are_counted_by_kind_of_section
    layers = Builder.new([Fixture.song("one"), Fixture.song("two")]).layers

    assert(layers[:kinds].all? { |kind| kind[:of] == 2 })
    assert_equal(Ethoscope::Layers::Activity::ROLES, layers[:roles].map { |row| row[:role] })
    assert_includes layers[:roles].find { |row| row[:role] == "kick" }[:counts], 2
  end

  def test_a_correction_stands_in_the_place_of_what_was_measured
    song = Fixture.song_of(Fixture.analysis, "heard",
      corrections: { "tempo" => { bpm: "50" }, "key" => { tonic: "C", mode: "major" }, "meter" => { name: "12/8" } })

    assert_in_delta 50.0, song.bpm
    assert_equal "12/8", song.meter
    assert_equal "ii", song.degree_bars.max_by(&:last).first
    assert_equal %w[vi IV I V], song.loop_degrees.first(4)
  end
end
