# frozen_string_literal: true

require_relative "../test_helper"

# What several songs have in common in every respect that is measured.
class ProfileCommonTest < Ethoscope::TestCase
  Common = Ethoscope::Profile::Common

  def songs = [70.0, 74.0, 146.0].map { |bpm| Fixture.song("at #{bpm}", tempo: Fixture.tempo(bpm)) }

  def line(id, songs = self.songs, **place) = Common.new(songs).of(id).find { |one| one.place.to_h == place }

  def test_tempos_are_folded_to_one_groove
    tempo = line("time.tempo")

    assert_equal [{ bpm: 73.0 }, 2.0, 3, 3], tempo.to_h.values_at(:value, :spread, :n, :m)
  end

  def test_sections_are_told_by_their_kind_and_layers_by_their_role
    energy = line("form.energy", label: "chorus")
    kick = line("layers.plays", role: "kick", label: "verse")

    assert_operator energy.value, :>, line("form.energy", label: "verse").value
    assert_equal 3, kick.n
    assert_nil line("form.energy", label: "verse 2")
  end

  def test_of_each_song_a_kind_of_section_counts_once
    assert_equal 3, line("form.section", label: "verse").n
  end

  def test_places_without_a_name_are_in_no_two_songs_the_same
    assert_empty Common.new(songs).of("techniques.technique")
    refute_nil line("techniques.used")
  end

  def test_only_what_is_told_counts
    told = [Fixture.song("one"), Fixture.song("two", key: nil), Fixture.song("three")]

    assert_equal [2, 3], line("harmony.mode", told).to_h.values_at(:n, :m)
  end

  def test_a_made_up_measure_is_in_the_lines_by_itself
    measure = Ethoscope::Measures::Measure.new(id: "time.made_up", name: "made up", unit: "bars", scope: :song, kind: Ethoscope::Measures::Kinds::Number.new,
      exact: 1, style: 2, stage: "Mix", rests_on: %w[form], reader: ->(song) { song.whole(song.bars, aspect: "form") })

    assert_empty Common.new(songs, measures: [measure]).lines
    vectors = songs.map { |song| Ethoscope::Profile::Song.new(title: song.title, vector: Ethoscope::Measures::Vector.new({ "time.made_up": [{ value: 16, source: "mix", confidence: 1.0 }] }) { {} }) }

    assert_equal([[16, 3]], Common.new(vectors, measures: [measure]).lines.map { |found| [found.value, found.n] })
  end
end
