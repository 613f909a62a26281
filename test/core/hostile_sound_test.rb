# frozen_string_literal: true

require_relative "../test_helper"

# Sound files that lie, or hold what is no sound: read as far as they can be, or refused in a sentence.
class HostileSoundTest < Ethoscope::TestCase
  SECONDS = 5

  def wave(data, rate: 44_100, channels: 1, bits: 32, format: 3, size: data.bytesize)
    frame = channels * bits / 8
    path = File.join(folder, "#{data.hash}.wav")
    File.binwrite(path, "RIFF".b + [(36 + size) & 0xFFFFFFFF].pack("V") + "WAVEfmt ".b + [16, format, channels, rate, rate * frame, frame, bits].pack("VvvVVvv") +
      "data".b + [size].pack("V") + data)
    path
  end

  def floats(every, value) = Array.new(44_100 * SECONDS) { |i| (i % every).zero? ? value : Math.sin(i * 0.05) * 0.4 }.pack("e*")

  def test_a_few_values_that_are_no_sound_are_silenced
    [Float::NAN, Float::INFINITY, -3.0e38].each do |value|
      samples = Audio::Decoder.new(wave(floats(40_000, value))).decode

      assert_in_delta 0.4, samples.peak, 0.01, value.to_s
    end
  end

  def test_many_of_them_are_refused_with_their_share
    [Float::NAN, Float::INFINITY, 1.0e20].each do |value|
      error = assert_raises(Errors::UnusableAudio) { Audio::Decoder.new(wave(floats(10, value))).decode }

      assert_match(/\A10 % of this file is no sound/, error.message)
    end
  end

  def test_loud_floats_are_sound
    assert_in_delta 4.0, Audio::Decoder.new(wave(Array.new(44_100 * SECONDS) { |i| Math.sin(i * 0.05) * 4.0 }.pack("e*"))).decode.peak, 0.01
  end

  def test_any_number_of_channels_up_to_the_most
    [3, 7, 9, 10, 16, 24, 32, 63, 64].each do |channels|
      data = ([8000] * channels).pack("s<*") * (8000 * SECONDS)
      recording = Audio::Decoder.new(wave(data, rate: 8000, channels:, bits: 16, format: 1)).decode

      assert_equal 2, recording.channels.shape[0], channels
      assert_in_delta SECONDS, recording.duration, 0.1, channels
    end
    error = assert_raises(Errors::UnreadableAudio) { Audio::Decoder.new(wave([1].pack("s<") * (65 * 8000 * SECONDS), rate: 8000, channels: 65, bits: 16, format: 1)).decode }

    assert_match(/65 channels; 64 are the most/, error.message)
  end

  def test_channels_of_no_known_arrangement_stand_left_and_right_in_turn
    frame = [8000, 0].cycle.first(10).pack("s<*")
    recording = Audio::Decoder.new(wave(frame * (8000 * SECONDS), rate: 8000, channels: 10, bits: 16, format: 1)).decode

    assert_operator recording.channels[0, true].mean, :>, 0.2
    assert_in_delta 0.0, recording.channels[1, true].mean, 0.001
  end

  def test_a_head_that_lies_about_the_length_is_not_believed
    path = wave(floats(9_999_999, 0.0), size: 0x7FFFFFF0)

    assert_in_delta SECONDS, Audio::Decoder.new(path).decode.duration, 0.1
  end

  def test_twenty_minutes_and_two_seconds_say_so_to_the_second
    silent = SoundFile.sine(440, 1, channels: 1)
    path = SoundFile.write(silent, File.join(folder, "long.flac"), "-af", "aloop=-1:44100", "-t", "1202", "-ar", "8000")
    error = assert_raises(Errors::UnusableAudio) { Audio::Decoder.new(path).check }

    assert_equal "The recording lasts 20:02 minutes; 20:00 is the most. Cut out the song and drop that.", error.message
  end
end
