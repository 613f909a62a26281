# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/demo_songs"

# The demo songs come with scores, so they say whether the engine hears them rightly.
class DemoSongsTest < Ethoscope::TestCase
  include DemoSongs

  def test_there_are_six_and_each_is_under_two_megabytes
    assert_equal 6, NAMES.size
    assert(Dir.glob(File.join(DEMO, "audio", "*.ogg")).all? { |path| File.size(path) < 2_000_000 })
  end

  def test_tempo_and_meter
    each_song do |heard, truth|
      assert_in_delta truth[:tempo_bpm], heard[:tempo][:bpm], 0.05, truth[:title]
      assert_equal truth[:meter], heard[:meter], truth[:title]
      assert_same true, heard[:tempo][:constant], truth[:title]
    end
  end

  def test_key_with_its_mode
    each_song { |heard, truth| assert_equal truth[:keys].first.values_at(:tonic, :mode), heard[:key].values_at(:tonic, :mode), truth[:title] }
  end

  def test_tuning_within_three_cents
    each_song { |heard, truth| assert_in_delta truth[:tuning_cents], heard[:tuning_cents], 3, truth[:title] }
  end

  def test_downbeats
    each_song do |heard, truth|
      found = truth[:downbeats].count { |time| heard[:downbeats].any? { |other| (other - time).abs < 0.07 } }

      assert_operator found, :>=, truth[:downbeats].size - 1, truth[:title]
      assert_in_delta truth[:downbeats].size, heard[:downbeats].size, 1, truth[:title]
    end
  end

  def test_most_chords
    each_song { |heard, truth| assert_operator chords_right(heard, truth), :>, 0.75, truth[:title] }
  end

  def test_drum_dropouts_and_narrow_dull_intros_that_open
    each_song do |heard, truth|
      %w[drum_drop width_contrast filtered_section].each do |kind|
        truth[:techniques].select { |sighting| sighting[:kind] == kind }.each do |wanted|
          assert(heard[:techniques].any? { |sighting| sighting[:kind] == kind && sighting[:start] < wanted[:end] && wanted[:start] < sighting[:end] },
            "#{kind} in #{truth[:title]}")
        end
      end
    end
  end

  def test_the_profile_finds_two_clusters_an_octave_apart_and_the_outlier
    songs = DemoSongs.results.map { |name, (heard, _)| Fixture.song_of(Ethoscope::Analysis.from_h(heard), name) }
    profile = Ethoscope::Profile::Builder.new(songs).profile

    assert_equal "copper_weather", profile[:outlier][:title]
    assert_equal(2, profile[:tempo][:points].count { |point| !point[:apart] && (point[:counted] - point[:folded]).abs > 1 })
    assert_equal 5, profile[:keys][:minor]
  end

  private

  def each_song(&) = DemoSongs.results.each_value(&)

  # Share of the time in which root and third agree.
  def chords_right(heard, truth)
    right = truth[:chords].sum do |wanted|
      heard[:chords].sum { |chord| plain(chord[:label]) == plain(wanted[:label]) ? overlap(chord, wanted) : 0 }
    end
    right / truth[:chords].sum { |chord| chord[:end] - chord[:start] }
  end

  def overlap(one, other) = [[one[:end], other[:end]].min - [one[:start], other[:start]].max, 0].max

  def plain(label)
    root, quality = label.split(":")
    [root, quality.to_s.start_with?("min")]
  end
end
