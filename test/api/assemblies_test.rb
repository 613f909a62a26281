# frozen_string_literal: true

require_relative "../test_helper"

# Songs that come without a mix: put together from stems, or played from notes.
class AssembliesTest < Ethoscope::TestCase
  include Application

  def setup
    @study = new_study
    @assembly = send_json(:post, "/api/studies/#{@study[:id]}/assemblies", { title: "Out of parts" })[:assembly]
  end

  def test_stems_alone_make_a_song_with_a_mix_and_those_stems
    send_file(StemFiles.kick, "Kick.wav")
    send_file(File.binread(Fixture.wav), "Keys.wav")
    start

    assert_equal([["Out of parts", %w[kick chords]]], songs.map { |song| [song[:title], song[:stems].map { |stem| stem[:role] }] })
    assert_empty page[:assemblies]
    assert_in_delta 39.6, library.recordings.find(songs.first[:recording_id])[:duration], 1.0
  end

  def test_the_mix_of_stems_is_their_sum
    send_file(StemFiles.kick, "Kick.wav")
    send_file(File.binread(Fixture.wav), "Keys.wav")
    start
    mix, kick, keys = [song_path, *[StemFiles.kick, File.binread(Fixture.wav)].map { |bytes| file(bytes) }].map { |path| decode(path) }
    count = [kick, keys].map { |channels| channels.shape[1] }.min
    sum = kick[true, 0...count] + keys[true, 0...count]
    level = (mix[0, 0...count] * sum[0, true]).sum / (sum[0, true]**2).sum

    assert_operator (mix[0, 0...count] - (sum[0, true] * level)).abs.max, :<, 1e-3
    assert_operator level, :<=, 1.0
  end

  def test_a_midi_file_alone_makes_a_song_that_can_be_heard_and_is_led_by_its_notes
    send_file(StemFiles.score, "song.mid")
    start

    assert_equal(%w[Kick Keys], songs.first[:score][:parts].map { |part| part[:name] })
    features = Ethoscope::Engine::Features.of(Ethoscope::Audio::Decoder.new(song_path).decode)
    sources = Ethoscope::Sources.new(stems: [], score: Ethoscope::Midi::ScoreReader.read(StemFiles.score), roles: {})
    analysis = Ethoscope::Analysis.of(features:, sources:)

    assert_in_delta 100.0, analysis.fetch(:tempo)[:bpm], 0.2
    assert_equal(%w[midi midi], analysis.fetch(:layers).select { |layer| layer[:source] == "midi" }.map { |layer| layer[:source] })
  end

  def test_what_can_not_be_read_is_refused_and_the_rest_stays
    send_file(StemFiles.kick, "Kick.wav")

    assert_equal 201, last_response.status, last_response.body
    send_file("Dear sir", "Bass.wav")

    assert_problem 422, "unusable_audio", /not a sound file/
    send_file("Dear sir", "song.mid")

    assert_problem 422, "unusable_score", /not a MIDI file/
    send_file(StemFiles.kick, "Kick again.wav")

    assert_problem 409, "duplicate", /there already/
    assert_equal([["Kick"], nil], page[:assemblies].first.then { |row| [row[:stems].map { |stem| stem[:name] }, row[:score_name]] })
  end

  def test_nothing_is_not_enough
    send_json(:post, "/api/assemblies/#{@assembly[:id]}/start")

    assert_problem 422, "invalid", /add stems or a MIDI file first/i
  end

  def test_stems_that_are_all_silent_fail_with_a_reason_and_can_be_removed
    send_file(StemFiles.silence, "Kick.wav")
    start

    assert_equal "failed", page[:assemblies].first[:state]
    assert_match(/All stems are silent/, page[:assemblies].first[:error])
    assert_empty songs
    send_json(:delete, "/api/assemblies/#{@assembly[:id]}")

    assert_empty page[:assemblies]
  end

  def test_what_a_killed_run_left_is_taken_up_but_not_for_ever
    send_file(StemFiles.kick, "Kick.wav")
    send_json(:post, "/api/assemblies/#{@assembly[:id]}/start")
    Store::Assemblies::TRIES.times do
      assert_equal @assembly[:id], queue.claim[:id]
      queue.resume
    end

    assert_nil queue.claim
    assert_match(/cut off/, page[:assemblies].first[:error])
  end

  private

  def page = get_json("/api/studies/#{@study[:id]}")

  def songs = page[:references].map { |row| row.merge(get_json("/api/references/#{row[:id]}").slice(:stems, :score)) }

  def song_path = library.recordings.path(library.recordings.find(songs.first[:recording_id]))

  def queue = Jobs::AssemblyQueue.new(library)

  def decode(path) = Ethoscope::Audio::Decoder.new(path).decode.channels

  def file(bytes) = File.join(folder, "#{bytes.hash}.wav").tap { |path| File.binwrite(path, bytes) }

  def send_file(bytes, name) = send_bytes("/api/assemblies/#{@assembly[:id]}/files", bytes, name)

  def start
    send_json(:post, "/api/assemblies/#{@assembly[:id]}/start")

    assert_equal 202, last_response.status
    work_off(queue)
  end
end
