# frozen_string_literal: true

require "open3"

# Writes recordings to files with ffmpeg: 16-bit WAV, or whatever the path's extension and the options make of it.
module SoundFile
  module_function

  def write(recording, path, *options)
    channels, = recording.channels.shape
    options = %w[-c:a pcm_s16le] if options.empty? && File.extname(path) == ".wav"
    output, status = Open3.capture2e("ffmpeg", "-v", "error", "-y", "-f", "f32le", "-ar", recording.rate.to_s, "-ac", channels.to_s, "-i", "pipe:0",
      *options, path, stdin_data: recording.channels.transpose.dup.to_binary, binmode: true)
    raise "ffmpeg: #{output}" unless status.success?

    path
  end

  # A sine of so many seconds as a recording.
  def sine(hertz, seconds, level: 0.5, channels: 2, rate: 44_100)
    time = Numo::DFloat.new((seconds * rate).round).seq / rate
    row = Numo::SFloat.cast(Numo::NMath.sin(time * (2 * Math::PI * hertz)) * level)
    Ethoscope::Audio::Recording.new(channels: Numo::SFloat.vstack([row] * channels), rate:)
  end
end
