# frozen_string_literal: true

module Ethoscope
  module Audio
    # A lossless copy of a recording in a format that every browser plays, for those that none does. The method is our own.
    module PlaybackCopy
      FORMATS = %w[aiff w64].freeze
      CODECS = %w[alac].freeze
      SECONDS = 120

      # @param info [Hash] format and codec, as {Decoder#probe} gives them
      # @return [Boolean] true when browsers can't play the file itself
      def self.needed?(info) = FORMATS.include?(info[:format]) || CODECS.include?(info[:codec])

      # @param source [String] path of the recording
      # @param demuxer [String] its format, as {Decoder#probe} gives it
      # @param target [String] path of the FLAC file that is written
      # @raise [Errors::UnreadableAudio] when it can't be written
      def self.write(source, demuxer, target)
        command = ["ffmpeg", "-nostdin", "-v", "error", "-y", *Probe.reading(source, demuxer), "-map", "0:a:0", "-ac", "2", "-t", (Decoder::MAX_SECONDS + 10).to_s,
                   "-f", "flac", "file:#{target}"]
        raise Errors::UnreadableAudio, "No copy for listening could be made." unless Child.new(command, seconds: SECONDS).succeeds?
      rescue Child::Late
        raise Errors::UnreadableAudio, "Making a copy for listening took longer than #{SECONDS} s and was stopped."
      end
    end
  end
end
