# frozen_string_literal: true

require_relative "../test_helper"

class AudioTest < Ethoscope::TestCase
  Audio = Ethoscope::Audio
  Recording = Audio::Recording

  FORMATS = {
    "wav" => [], "flac" => [], "aiff" => [], "mp3" => %w[-b:a 192k], "ogg" => %w[-c:a libvorbis -q:a 5],
    "opus" => %w[-c:a libopus -b:a 128k], "m4a" => %w[-c:a aac -b:a 192k]
  }.freeze

  def test_every_format_is_decoded_to_the_same_sound
    FORMATS.each do |extension, options|
      path = SoundFile.write(SoundFile.sine(440, 5), File.join(folder, "tone.#{extension}"), *options)
      recording = Audio::Decoder.new(path).decode

      assert_in_delta 5.0, recording.duration, 0.1, extension
      assert_in_delta 0.5, recording.peak, 0.05, extension
      assert_predicate recording, :stereo?
    end
  end

  def test_strange_sample_formats_are_taken
    { "eight.wav" => %w[-c:a pcm_u8], "fast.wav" => %w[-ar 96000 -c:a pcm_s24le], "slow.flac" => %w[-ar 11025] }.each do |name, options|
      path = SoundFile.write(SoundFile.sine(440, 5), File.join(folder, name), *options)

      assert_in_delta 5.0, Audio::Decoder.new(path).decode.duration, 0.05, name
    end
  end

  def test_mono_stays_mono_and_surround_is_folded_to_two
    mono = SoundFile.write(SoundFile.sine(440, 5, channels: 1), File.join(folder, "mono.wav"))
    surround = SoundFile.write(SoundFile.sine(440, 5), File.join(folder, "surround.wav"), "-ac", "6")

    refute_predicate Audio::Decoder.new(mono).decode, :stereo?
    assert_predicate Audio::Decoder.new(surround).decode, :stereo?
  end

  def test_what_is_no_sound_is_refused_in_a_sentence
    { "text.wav" => "This is a note, not a recording.", "empty.wav" => "" }.each do |name, content|
      File.write(path = File.join(folder, name), content)
      error = assert_raises(Ethoscope::Errors::UnreadableAudio) { Audio::Decoder.new(path).decode }

      assert_match(/\.\z/, error.message)
    end
    assert_raises(Ethoscope::Errors::UnreadableAudio) { Audio::Decoder.new(File.join(folder, "missing.wav")).decode }
  end

  def test_a_playlist_that_points_elsewhere_is_refused
    File.write(path = File.join(folder, "list.m4a"), "#EXTM3U\n#EXTINF:10,\nfile:///etc/hostname\n")

    assert_raises(Ethoscope::Errors::UnreadableAudio) { Audio::Decoder.new(path).decode }
  end

  def test_too_short_and_too_long_are_told_with_their_length
    short = SoundFile.write(SoundFile.sine(440, 0.5), File.join(folder, "short.wav"))
    error = assert_raises(Ethoscope::Errors::UnusableAudio) { Audio::Decoder.new(short).decode }

    assert_match(/lasts 0\.5 s; at least 4 s/, error.message)
    long = SoundFile.write(SoundFile.sine(440, 1, channels: 1), File.join(folder, "long.flac"), "-af", "aloop=-1:44100", "-t", "2700", "-ar", "8000")
    error = assert_raises(Ethoscope::Errors::UnusableAudio) { Audio::Decoder.new(long).check }

    assert_match(/lasts 45:00 minutes; 20:00 is the most/, error.message)
  end

  def test_a_truncated_file_is_decoded_as_far_as_it_goes
    whole = SoundFile.write(SoundFile.sine(440, 12), File.join(folder, "whole.mp3"), "-b:a", "128k")
    File.binwrite(path = File.join(folder, "cut.mp3"), File.binread(whole, 90_000))

    assert_in_delta 5.6, Audio::Decoder.new(path).decode.duration, 0.3
  end

  def test_decoding_has_a_time_limit
    path = SoundFile.write(SoundFile.sine(440, 5), File.join(folder, "tone.wav"))
    error = assert_raises(Ethoscope::Errors::UnreadableAudio) { Audio::Decoder.new(path, time_limit: 0).decode }

    assert_match(/took longer/, error.message)
  end

  def test_silence_is_refused_by_the_analysis
    silent = Recording.new(channels: Numo::SFloat.zeros(2, 44_100 * 6), rate: 44_100)

    assert_raises(Ethoscope::Errors::UnusableAudio) { Ethoscope::Analysis.of(silent) }
  end

  def test_loudness_agrees_with_the_meter_of_ffmpeg
    [[997, 0.1], [80, 0.4], [6000, 0.05]].each do |hertz, level|
      recording = SoundFile.sine(hertz, 6, level:)
      path = SoundFile.write(recording, File.join(folder, "#{hertz}.wav"))

      assert_in_delta ffmpeg_loudness(path), Audio::Loudness.new(Audio::SoundField.of(recording)).integrated, 0.11, "#{hertz} Hz"
    end
  end

  def test_loudness_is_gated
    loud = SoundFile.sine(997, 6, level: 0.25)
    padded = Recording.new(channels: loud.channels.concatenate(Numo::SFloat.zeros(2, 44_100 * 10), axis: 1), rate: 44_100)

    assert_in_delta Audio::Loudness.new(Audio::SoundField.of(loud)).integrated, Audio::Loudness.new(Audio::SoundField.of(padded)).integrated, 0.3
  end

  def test_width_tells_mono_from_opposite_phase
    row = SoundFile.sine(440, 5).channels[0, true].dup
    widths = [[row, row], [row, row * -1], [row, row * 0]].map do |pair|
      Audio::Width.new(Audio::SoundField.of(Recording.new(channels: Numo::SFloat.vstack(pair), rate: 44_100))).between(1, 4)
    end

    assert_in_delta 0.0, widths[0], 1e-6
    assert_in_delta 1.0, widths[1], 1e-6
    assert_in_delta 0.5, widths[2], 1e-3
  end

  def test_halving_the_rate_keeps_what_is_heard_and_drops_what_would_fold
    low = Audio::Resampler.halve(SoundFile.sine(2000, 1, channels: 1).mono)
    high = Audio::Resampler.halve(SoundFile.sine(15_000, 1, channels: 1).mono)

    assert_equal 22_050, low.size
    assert_in_delta 0.5, low[5000...15_000].max, 0.01
    assert_operator high[5000...15_000].max, :<, 0.01
  end

  def test_channels_are_mixed_stretch_by_stretch_over_all_of_a_long_recording
    size = Audio::OneChannel::BLOCK + 10
    left = Numo::SFloat.zeros(size)
    left[size - 1] = -0.75
    recording = Recording.new(channels: Numo::SFloat.vstack([left, left * 0]), rate: 44_100)

    assert_equal [size, 0.375, 0.140625], [recording.middle.size, recording.middle.peak, recording.middle.energy]
    assert_equal [0.0, -0.375], recording.side[(size - 2)...size].to_a
    assert_equal [0.0, -0.375], recording.mono.samples[-2..].to_a
  end

  def test_what_cancels_out_in_the_middle_is_heard_from_the_left
    row = SoundFile.sine(440, 1).channels[0, true].dup
    recording = Recording.new(channels: Numo::SFloat.vstack([row, row * -1]), rate: 44_100)

    assert_in_delta row[0...2000].max, recording.mono[0...2000].max, 1e-6
    assert_in_delta 0.0, recording.middle.peak, 1e-6
  end

  def test_a_file_that_does_not_say_how_long_it_is_is_decoded_whole
    SoundFile.write(SoundFile.sine(440, 9), path = File.join(folder, "plain.wav"))
    streamed = File.join(folder, "streamed.flac")
    system("ffmpeg -nostdin -v error -i #{path} -f flac - | cat > #{streamed}", exception: true)

    assert_nil Audio::Decoder.new(streamed).probe[:duration]
    assert_in_delta 9.0, Audio::Decoder.new(streamed).decode.duration, 0.01
  end

  def test_a_recording_is_valid_or_not_at_all
    assert_raises(ArgumentError) { Recording.new(channels: Numo::SFloat.zeros(3, 10), rate: 44_100) }
    assert_raises(ArgumentError) { Recording.new(channels: Numo::SFloat.zeros(1, 10), rate: 4000) }
  end

  def test_title_and_artist_are_read_from_the_bytes_whatever_the_name
    path = File.join(folder, "tagged.mp3")
    SoundFile.write(SoundFile.sine(440, 5), path, "-metadata", "title=Low Tide\u0007", "-metadata", "artist=Nobody at All")
    File.rename(path, bare = File.join(folder, "bare"))

    assert_equal ["Low Tide", "Nobody at All"], Audio::Decoder.new(bare).probe[:tags].to_h.values
  end

  def test_formats_that_browsers_do_not_play_get_a_copy
    path = SoundFile.write(SoundFile.sine(440, 5), File.join(folder, "tone.aiff"))
    info = Audio::Decoder.new(path).probe

    assert Audio::PlaybackCopy.needed?(info)
    refute Audio::PlaybackCopy.needed?({ format: "flac", codec: "flac" })
    Audio::PlaybackCopy.write(path, "aiff", copy = File.join(folder, "copy"))

    assert_equal "flac", Audio::Decoder.new(copy).probe[:format]
    assert_raises(Ethoscope::Errors::UnreadableAudio) { Audio::PlaybackCopy.write(__FILE__, "wav", copy) }
  end

  private

  def ffmpeg_loudness(path)
    output, = Open3.capture2e("ffmpeg", "-nostdin", "-hide_banner", "-i", path, "-af", "ebur128", "-f", "null", "-")
    output[/Summary:.*?I:\s+(-?[\d.]+) LUFS/m, 1].to_f
  end
end
