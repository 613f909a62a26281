# frozen_string_literal: true

module Ethoscope
  module Audio
    # Writes samples as a FLAC file of 16 bits. The method is our own.
    module FlacFile
      SECONDS = 120

      # @param samples [Numo::SFloat] shape [1 or 2, n], full scale is 1.0; what is beyond is clipped
      # @param rate [Integer] samples per second
      # @param path [String]
      # @raise [Errors::UnreadableAudio] when it can't be written
      def self.write(samples, rate, path)
        channels = samples.shape[0]
        command = ["ffmpeg", "-nostdin", "-v", "error", "-y", "-f", "f32le", "-ar", rate.to_s, "-ac", channels.to_s, "-i", "pipe:0", "-sample_fmt", "s16",
                   "-f", "flac", "file:#{path}"]
        written = Child.new(command, seconds: SECONDS).takes?(samples.clip(-1.0, 1.0).transpose.dup.to_binary)
        raise Errors::UnreadableAudio, "The separated sound could not be written." unless written
      rescue Child::Late
        raise Errors::UnreadableAudio, "Writing the separated sound took longer than #{SECONDS} s and was stopped."
      end
    end
  end
end
