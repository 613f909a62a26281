# frozen_string_literal: true

require_relative "../test_helper"

# What people and programs may send by mistake: a clear sentence, nothing lost, nothing half-written.
class BadInputTest < Ethoscope::TestCase
  include Application

  def setup
    @study = new_study
    upload(@study[:id], File.binread(Fixture.wav), "kept.wav")
    @before = stored
  end

  def test_an_empty_file
    upload(@study[:id], "", "nothing.wav")

    assert_refused 422, "unusable_audio", /file is empty/
  end

  def test_text_that_calls_itself_wav
    upload(@study[:id], "Dear diary, today I wrote a song.", "song.wav")

    assert_refused 422, "unusable_audio", /not a sound file.*It reads WAV/
  end

  def test_half_a_second
    upload_sound(SoundFile.sine(440, 0.5), "blip.wav")

    assert_refused 422, "unusable_audio", /at least 4 s/
  end

  def test_forty_five_minutes
    upload_sound(SoundFile.sine(440, 1, channels: 1), "long.flac", "-af", "aloop=-1:44100", "-t", "2700", "-ar", "8000")

    assert_refused 422, "unusable_audio", /45:00 minutes; 20:00 is the most/
  end

  def test_a_truncated_mp3_is_taken_as_far_as_it_goes
    SoundFile.write(SoundFile.sine(440, 12), path = File.join(folder, "whole.mp3"), "-b:a", "128k")
    upload(@study[:id], File.binread(path, 90_000), "cut.mp3")

    assert_equal 201, last_response.status
  end

  def test_an_mp3_cut_before_its_first_frames
    SoundFile.write(SoundFile.sine(440, 12), path = File.join(folder, "whole.mp3"), "-b:a", "128k")
    upload(@study[:id], File.binread(path, 60), "cut.mp3")

    assert_refused 422, "unusable_audio"
  end

  def test_mono_eight_bits_fast_rates_and_surround_are_welcome
    { "mono.wav" => %w[-ac 1], "eight.wav" => %w[-c:a pcm_u8], "fast.wav" => %w[-ar 96000], "surround.flac" => %w[-ac 6] }.each do |name, options|
      upload_sound(SoundFile.sine(440, 5), name, *options)

      assert_equal 201, last_response.status, name
    end
  end

  def test_names_are_data_only
    hostile = ["../../etc/passwd.wav", "a\"b'c;<script>.wav", "🎛️ take 2 (final).wav", "#{"n" * 300}.wav", "", "..\\..\\boot.ini", "a\u0000b.wav"]
    hostile.each_with_index do |name, i|
      reference = upload(@study[:id], File.binread(Fixture.wav).tap { |bytes| bytes.setbyte(1000, i + 1) }, name)[:reference]

      assert_equal 201, last_response.status, name
      refute_match(%r{[/\\\x00]}, reference[:title])
      assert_operator reference[:title].size, :<=, 120
    end
    assert(stored[:files].all? { |path| path.match?(%r{\Arecordings/\h\h/\h{64}\z}) })
  end

  def test_the_same_song_twice_in_a_study
    upload(@study[:id], File.binread(Fixture.wav), "other name.wav")

    assert_refused 409, "duplicate", /already, as “kept”/
  end

  def test_an_upload_that_is_too_large_is_refused_before_it_is_read
    post("/api/studies/#{@study[:id]}/references", "x", "CONTENT_TYPE" => "application/octet-stream", "HTTP_HOST" => "127.0.0.1",
      "CONTENT_LENGTH" => (500 << 20).to_s)

    assert_refused 413, "too_large", /400 MB/
  end

  def test_an_upload_to_a_study_that_is_not_there
    upload(9999, File.binread(Fixture.wav), "a.wav")

    assert_refused 404, "missing"
  end

  def test_a_database_on_a_full_disk_says_so_and_keeps_what_was_there
    pages = library.db.fetch("PRAGMA page_count").single_value
    library.db.run("PRAGMA max_page_count = #{pages}")
    40.times { send_json(:post, "/api/studies", { title: "T" * 120, aim: "study" }) }

    assert_problem 507, "storage", /disk is full; nothing was changed/
    assert_equal 1, get_json("/api/studies/#{@study[:id]}")[:references].size
  end

  def test_addresses_that_are_not_there
    get_json("/api/nothing")

    assert_problem 404, "missing"
    get_json("/api/references/abc")

    assert_problem 404, "missing"
  end

  private

  def upload_sound(recording, name, *options)
    upload(@study[:id], File.binread(SoundFile.write(recording, File.join(folder, name), *options)), name)
  end

  def assert_refused(status, code, pattern = nil)
    assert_problem status, code, pattern
    assert_equal @before, stored
  end

  # Rows and files that are there.
  def stored
    { rows: %i[recordings references analyses readings].map { |table| library.db[table].count },
      files: Dir.glob("recordings/**/*", base: library.home).select { |path| File.file?(File.join(library.home, path)) }.sort }
  end
end
