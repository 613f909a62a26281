# frozen_string_literal: true

require "open3"
require "wavefile"

# Writes recordings to files: WAV by a library, everything else by ffmpeg.
module SoundFile
  module_function

  # Writes 16-bit WAV, or whatever the options for ffmpeg and the path's extension make of it.
  def write(recording, path, *options)
    return wav(recording, path) if options.empty? && File.extname(path) == ".wav"

    source = "#{path}.source.wav"
    wav(recording, source)
    convert(source, path, *options)
    File.delete(source)
    path
  end

  def wav(recording, path)
    rows = recording.channels.transpose.to_a
    rows = rows.map(&:first) if rows.first.size == 1
    kind = recording.stereo? ? :stereo : :mono
    WaveFile::Writer.new(path, WaveFile::Format.new(kind, :pcm_16, recording.rate)) do |writer|
      writer.write(WaveFile::Buffer.new(rows, WaveFile::Format.new(kind, :float, recording.rate)))
    end
    path
  end

  def convert(source, path, *options)
    output, status = Open3.capture2e("ffmpeg", "-nostdin", "-v", "error", "-y", "-i", source, *options, path)
    raise "ffmpeg: #{output}" unless status.success?
  end

  # A sine of so many seconds as a recording.
  def sine(hertz, seconds, level: 0.5, channels: 2, rate: 44_100)
    time = Numo::DFloat.new((seconds * rate).round).seq / rate
    row = Numo::SFloat.cast(Numo::NMath.sin(time * (2 * Math::PI * hertz)) * level)
    Ethoscope::Audio::Recording.new(channels: Numo::SFloat.vstack([row] * channels), rate:)
  end
end
