# frozen_string_literal: true

require "io/wait"
require "json"
require "open3"

module Ethoscope
  module Audio
    # Turns an audio file into a {Recording} with ffmpeg as a child process that may read that one file and nothing else.
    class Decoder
      # Container names as ffprobe gives them. Anything else is refused.
      FORMATS = %w[wav flac mp3 ogg mov mp4 m4a aiff aac w64].freeze
      RATE = 44_100
      MAX_SECONDS = 20 * 60
      MIN_SECONDS = 4
      TIME_LIMIT = 120
      CHUNK_BYTES = 1 << 23
      READABLE = "WAV, FLAC, MP3, OGG or Opus, M4A or AAC, or AIFF"

      # @param path [String] an audio file
      # @param time_limit [Numeric] seconds that decoding may take
      def initialize(path, time_limit: TIME_LIMIT)
        @path = File.expand_path(path)
        @time_limit = time_limit
      end

      # @return [Recording] one channel for mono files, two for all others, at 44100 Hz
      # @raise [Errors::UnreadableAudio] when the file is missing, empty, in another format, damaged or too slow to decode
      # @raise [Errors::UnusableAudio] when it is shorter than 4 s or longer than 20 minutes
      def decode
        info = check
        channels = info[:channels] == 1 ? 1 : 2
        samples = read_samples(channels)
        check_length(samples.shape[1].to_f / RATE)
        Recording.new(channels: samples, rate: RATE)
      end

      # What can be said before decoding, cheap enough to do at once when a file arrives.
      #
      # @return [Hash] as {#probe}
      # @raise [Errors::UnreadableAudio, Errors::UnusableAudio] as {#decode}
      def check = probe.tap { |info| check_length(info[:duration]) if info[:duration] }

      # @return [Hash] format, codec, duration in seconds (nil when the file does not say), channels, rate
      # @raise [Errors::UnreadableAudio] when the file is no audio in a known format
      def probe
        raise Errors::UnreadableAudio, "There is no such file." unless File.file?(@path)
        raise Errors::UnreadableAudio, "The file is empty. Export it again and drop it here." if File.empty?(@path)

        data = JSON.parse(ffprobe_output)
        stream = data.fetch("streams", []).find { |s| s["codec_type"] == "audio" }
        names = data.dig("format", "format_name").to_s.split(",")
        raise Errors::UnreadableAudio, not_audio unless stream && names.intersect?(FORMATS)

        duration = (data.dig("format", "duration") || stream["duration"])&.to_f
        { format: names.first, codec: stream["codec_name"], duration:, channels: stream["channels"].to_i, rate: stream["sample_rate"].to_i }
      end

      private

      def not_audio = "This is not a sound file that Ethoscope can read. It reads #{READABLE}."

      def ffprobe_output
        out, status = Open3.capture2("ffprobe", "-v", "quiet", "-protocol_whitelist", "file", "-show_entries",
          "stream=codec_type,codec_name,sample_rate,channels,duration:format=format_name,duration",
          "-of", "json", "file:#{@path}", err: File::NULL)
        raise Errors::UnreadableAudio, not_audio unless status.success?

        out
      rescue Errno::ENOENT
        raise Errors::UnreadableAudio, "ffmpeg is not installed; bin/setup installs it."
      end

      def check_length(seconds)
        if seconds < MIN_SECONDS
          raise Errors::UnusableAudio,
            format("The recording lasts %<is>.1f s; at least %<min>d s are needed to find a tempo.", is: seconds, min: MIN_SECONDS)
        end
        return if seconds <= MAX_SECONDS + 1

        raise Errors::UnusableAudio,
          format("The recording lasts %<is>d minutes; %<max>d are the most. Cut out the song and drop that.",
            is: seconds / 60, max: MAX_SECONDS / 60)
      end

      def read_samples(channels)
        chunks = decode_chunks(channels)
        raise Errors::UnreadableAudio, "No sound could be decoded; the file seems damaged. Export it again." if chunks.empty?

        total = chunks.sum { |chunk| chunk.size / channels }
        samples = Numo::SFloat.zeros(channels, total)
        at = 0
        chunks.each do |chunk|
          frames = chunk.size / channels
          samples[true, at...(at + frames)] = chunk.reshape(frames, channels).transpose
          at += frames
        end
        samples
      end

      def decode_chunks(channels)
        deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + @time_limit
        chunks = []
        IO.popen(command(channels), "rb", err: File::NULL) do |pipe|
          while (bytes = next_chunk(pipe, channels * 4, deadline))
            chunks << Numo::SFloat.from_binary(bytes)
          end
        end
        chunks
      end

      # Reads whole frames only, so that a chunk never splits a sample.
      def next_chunk(pipe, frame_bytes, deadline)
        buffer = +"".b
        while buffer.bytesize < CHUNK_BYTES
          wait_for(pipe, deadline)
          part = pipe.read_nonblock(CHUNK_BYTES - buffer.bytesize, exception: false)
          break if part.nil?

          buffer << part unless part == :wait_readable
        end
        whole = buffer.bytesize / frame_bytes * frame_bytes
        whole.zero? ? nil : buffer.byteslice(0, whole)
      end

      def wait_for(pipe, deadline)
        left = deadline - Process.clock_gettime(Process::CLOCK_MONOTONIC)
        return if left.positive? && pipe.wait_readable(left)

        Process.kill(:KILL, pipe.pid)
        raise Errors::UnreadableAudio, "Decoding took longer than #{@time_limit} s and was stopped."
      end

      def command(channels)
        ["ffmpeg", "-nostdin", "-v", "error", "-protocol_whitelist", "file,pipe", "-i", "file:#{@path}",
         "-map", "0:a:0", "-vn", "-sn", "-dn", "-ac", channels.to_s, "-ar", RATE.to_s,
         "-t", (MAX_SECONDS + 10).to_s, "-f", "f32le", "pipe:1"]
      end
    end
  end
end
