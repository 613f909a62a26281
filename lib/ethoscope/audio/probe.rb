# frozen_string_literal: true

require "json"

module Ethoscope
  module Audio
    # What a sound file says of itself, read by ffprobe as a child process with little time and memory.
    class Probe
      # Headers may say a little more than there is.
      TOLD_SHARE = 0.9
      SECONDS = 30
      SHOWN = "stream=codec_type,codec_name,sample_rate,channels,duration,bit_rate:format=duration:format_tags=title,artist:stream_tags=title,artist"
      # No lossy format gets by with fewer bytes a second, nor silence in a lossless one: a longer duration is a lie of the head.
      FEWEST_BYTES = 100

      # @param path [String]
      # @param demuxer [String] the one format in which it may be read
      # @return [Array<String>] arguments of ffmpeg and ffprobe
      def self.reading(path, demuxer) = ["-protocol_whitelist", "file,pipe", "-f", demuxer, "-i", "file:#{path}"]

      # @param path [String]
      def initialize(path)
        @path = path
      end

      # @return [Hash] as {Decoder#probe}
      # @raise [Errors::UnreadableAudio]
      def facts
        raise Errors::UnreadableAudio, "There is no such file." unless File.file?(@path)
        raise Errors::UnreadableAudio, "The file is empty. Export it again and drop it here." if File.empty?(@path)
        raise Errors::UnreadableAudio, "The file may not be read by you." unless File.readable?(@path)

        demuxer = Container.of(@path) or raise Errors::UnreadableAudio, not_audio
        data = JSON.parse(said(demuxer), symbolize_names: true)
        stream = data.fetch(:streams, []).find { |candidate| candidate[:codec_type] == "audio" } or raise Errors::UnreadableAudio, not_audio
        { format: demuxer, codec: stream[:codec_name], duration: duration(data, stream), channels: stream[:channels].to_i, rate: stream[:sample_rate].to_i,
          tags: Tags.of(data.dig(:format, :tags), stream[:tags]) }
      rescue JSON::ParserError
        raise Errors::UnreadableAudio, not_audio
      end

      private

      def not_audio = "This is not a sound file that Ethoscope can read. It reads #{Decoder::READABLE}."

      def said(demuxer)
        Child.new(["ffprobe", "-v", "quiet", *self.class.reading(@path, demuxer), "-show_entries", SHOWN, "-of", "json"], seconds: SECONDS).read or
          raise Errors::UnreadableAudio, not_audio
      rescue Child::Late
        raise Errors::UnreadableAudio, "Reading the file took longer than #{SECONDS} s and was stopped. Export it again."
      rescue Errno::ENOENT
        raise Errors::UnreadableAudio, "ffmpeg is not installed; bin/setup installs it."
      end

      # What the head says, unless the file is far too small for it; then decoding tells.
      def duration(data, stream)
        said = (data.dig(:format, :duration) || stream[:duration])&.to_f
        return nil unless said&.finite?

        bytes = File.size(@path)
        bits = stream[:bit_rate].to_f
        least = stream[:codec_name].to_s.start_with?("pcm_") && bits.positive? ? bits / 8 * TOLD_SHARE : FEWEST_BYTES
        said * least > bytes ? nil : said
      end
    end
  end
end
