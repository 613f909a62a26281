# frozen_string_literal: true

require_relative "../test_helper"

# What kind of sound a file is, is told by its bytes alone.
class ContainerTest < Ethoscope::TestCase
  def of(bytes)
    File.binwrite(path = File.join(folder, "file"), bytes)
    Audio::Container.of(path)
  end

  def test_each_offered_format_is_told_by_its_bytes
    { "wav" => "wav", "flac" => "flac", "mp3" => "mp3", "ogg" => "ogg", "opus" => "ogg", "m4a" => "mov", "aiff" => "aiff", "aac" => "aac",
      "w64" => "w64" }.each do |extension, format|
      path = SoundFile.write(SoundFile.sine(440, 5, rate: 48_000), File.join(folder, "tone.#{extension}"), "-ar", "48000")

      assert_equal format, Audio::Container.of(path), extension
      assert_equal format, Audio::Decoder.new(path).check[:format], extension
    end
  end

  def test_mp3_of_every_version_and_layer_three_rate
    %w[44100 48000 32000 22050 24000 16000 11025 12000 8000].each do |rate|
      path = SoundFile.write(SoundFile.sine(440, 5, channels: 1), File.join(folder, "#{rate}.mp3"), "-ar", rate)

      assert_equal "mp3", Audio::Container.of(path), rate
      assert_in_delta 5.0, Audio::Decoder.new(path).decode.duration, 0.2, rate
    end
  end

  def test_tags_before_a_sound_are_passed_over
    tag = "ID3\x03\x00\x00".b + [0, 0, 2, 0].pack("C4") + ("\x00".b * 256)
    flac = File.binread(SoundFile.write(SoundFile.sine(440, 5), File.join(folder, "tone.flac")))

    assert_equal "flac", of(tag + flac)
    assert_equal "mp3", of("#{tag}whatever follows")
  end

  def test_lists_of_files_and_other_files_are_no_sound
    lists = ["#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXTINF:9,\nsong.ts\n", "ffconcat version 1.0\nfile 'a.wav'\n", "[playlist]\nFile1=a.wav\n", "v=0\no=- 0 0 IN IP4 127.0.0.1\n",
             "<?xml version=\"1.0\"?><MPD/>", "\x89PNG\r\n\x1a\n", "GIF89a", "\x1A\x45\xDF\xA3 webm", "PK\x03\x04", "MThd", "RIFF\x00\x00\x00\x00AVI ", ""]

    assert_equal([nil], lists.map { |text| of(text.b) }.uniq)
  end

  def test_a_list_named_like_a_song_is_refused_at_once_whatever_it_lists
    target = SoundFile.write(SoundFile.sine(440, 5), File.join(folder, "tone.wav"))
    File.write(path = File.join(folder, "song.mp3"), "#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXTINF:9,\n#{target}\n")
    error = assert_raises(Errors::UnreadableAudio) { Audio::Decoder.new(path).check }

    assert_match(/not a sound file/, error.message)
  end
end
