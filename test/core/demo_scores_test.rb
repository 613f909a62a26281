# frozen_string_literal: true

require_relative "../test_helper"
%w[songs score renderer truth].each { |file| require_relative "../../demo/#{file}" }

# The demo songs as they are written.
class DemoScoresTest < Ethoscope::TestCase
  def test_every_song_lasts_between_sixty_and_a_hundred_and_ten_seconds
    Demo::Songs::ALL.each { |song| assert_includes 60..110, truth(song)[:duration], song[:title] }
  end

  def test_the_truth_that_is_committed_is_that_of_the_scores
    Demo::Songs::ALL.each do |song|
      stored = JSON.parse(File.read(File.expand_path("../../demo/truth/#{song[:name]}.json", __dir__)))

      assert_equal JSON.parse(JSON.generate(truth(song))), stored, song[:title]
    end
  end

  def test_notes_lie_within_the_song_and_within_midi
    Demo::Songs::ALL.each do |song|
      score = Demo::Score.new(song)
      score.notes.each_value do |notes|
        notes.each do |start, length, pitch, velocity|
          assert_operator start + length, :<=, (score.bars * score.beats) + 0.01
          assert_includes 20..108, pitch
          assert_includes 1..127, velocity
        end
      end
    end
  end

  def test_the_file_that_is_committed_is_what_would_be_written
    song = Demo::Songs::ALL.find { |one| one[:name] == "nine_buckets_down" }
    written = Dir.mktmpdir do |folder|
      FileUtils.mkdir_p(File.join(folder, "scores"))
      Demo::Renderer.new(song, folder).write_score
      read(File.join(folder, "scores"))
    end
    stored = read(File.expand_path("../../demo/scores", __dir__))

    assert_equal [stored.notes, stored.tempos, stored.markers], [written.notes, written.tempos, written.markers]
    assert_equal(stored.tracks.map { |track| [track.name, track.program] }, written.tracks.map { |track| [track.name, track.program] })
  end

  def test_a_score_is_the_same_each_time
    song = Demo::Songs::ALL.first

    assert_equal Demo::Score.new(song).notes, Demo::Score.new(song).notes
  end

  def test_drums_rest_before_the_sections_that_they_drop_out_of
    song = Demo::Songs::ALL.first
    dropped = truth(song)[:techniques].select { |sighting| sighting[:kind] == "drum_drop" }
    beat = 60.0 / song[:bpm]
    hits = Demo::Score.new(song).notes.values_at(:kick, :snare, :hats).flatten(1).map { |note| Demo::Renderer::LEAD_IN + (note.first * beat) }

    refute_empty dropped
    dropped.each { |rest| assert_empty(hits.select { |time| time > rest[:start] + 0.01 && time < rest[:end] - 0.01 }) }
  end

  def test_the_songs_share_habits_and_differ
    songs = Demo::Songs::ALL

    assert_equal 6, songs.size
    assert_equal(1, songs.count { |song| song[:meter] == "6/8" && song[:mode] == "major" })
    assert_equal(1, songs.count { |song| song[:mode] == "dorian" })
    assert_equal(2, songs.count { |song| song[:bpm] > 130 })
    assert_operator songs.count { |song| song[:parts].first[:dull] && song[:parts].first[:narrow] }, :>=, 5
    assert_operator songs.count { |song| song[:parts].any? { |part| part[:drop] } }, :>=, 5
  end

  private

  def read(folder) = Ethoscope::Midi::ScoreReader.read(File.binread(File.join(folder, "nine_buckets_down.mid")))

  def truth(song) = Demo::Truth.new(song).to_h
end
