# frozen_string_literal: true

module Ethoscope
  module Audio
    # Turns an audio file into a {Recording} with ffmpeg as a child process that may read that one file, in the one format that its
    # bytes show, and nothing else.
    class Decoder
      RATE = 44_100
      MAX_SECONDS = 20 * 60
      MIN_SECONDS = 4
      # What a file may last over the limit, for the silence that formats add at the ends.
      LEEWAY = 1
      TIME_LIMIT = 120
      CHUNK_BYTES = 1 << 23
      # More channels can't be told apart by what decodes them.
      MAX_CHANNELS = 64
      # From this many channels on no arrangement of loudspeakers is known: they are taken to stand left and right in turn.
      UNARRANGED = 9
      READABLE = "WAV, FLAC, MP3, OGG or Opus, M4A or AAC, or AIFF"

      # @param path [String] an audio file
      # @param time_limit [Numeric] seconds that decoding may take
      def initialize(path, time_limit: TIME_LIMIT)
        @path = File.expand_path(path)
        @time_limit = time_limit
      end

      # @return [Recording] one channel for mono files, two for all others, at 44100 Hz
      # @raise [Errors::UnreadableAudio] when the file is missing, empty, in another format, damaged or too slow to decode
      # @raise [Errors::UnusableAudio] when it is shorter than 4 s or longer than 20 minutes, or holds values that are no sound
      def decode
        info = check
        samples = read_samples(info, info[:channels] == 1 ? 1 : 2)
        check_length(samples.shape[1].to_f / RATE)
        Recording.new(channels: Samples.cleaned(samples), rate: RATE)
      end

      # What can be said before decoding, cheap enough to do at once when a file arrives.
      #
      # @return [Hash] as {#probe}
      # @raise [Errors::UnreadableAudio, Errors::UnusableAudio] as {#decode}
      def check
        probe.tap do |info|
          check_length(info[:duration]) if info[:duration]
          next if info[:channels] <= MAX_CHANNELS

          raise Errors::UnreadableAudio, "The file has #{info[:channels]} channels; #{MAX_CHANNELS} are the most. Export it in stereo."
        end
      end

      # @return [Hash] format, codec, duration in seconds (nil when the file does not say, or can't be believed), channels, rate, and
      #   {Tags}
      # @raise [Errors::UnreadableAudio] when the file is no audio in a known format
      def probe = @probe ||= Probe.new(@path).facts

      private

      def check_length(seconds)
        if seconds < MIN_SECONDS
          raise Errors::UnusableAudio,
            format("The recording lasts %<is>.1f s; at least %<min>d s are needed to find a tempo.", is: seconds, min: MIN_SECONDS)
        end
        return if seconds <= MAX_SECONDS + LEEWAY

        raise Errors::UnusableAudio, "The recording lasts #{clock(seconds)} minutes; #{clock(MAX_SECONDS)} is the most. Cut out the song and drop that."
      end

      def clock(seconds) = format("%<minutes>d:%<rest>02d", minutes: seconds / 60, rest: seconds % 60)

      # Each chunk goes to its place at once: a long recording that says rightly how long it is, to the microsecond, is never in memory twice.
      def read_samples(info, channels)
        samples = Numo::SFloat.zeros(channels, ((info[:duration] || MIN_SECONDS) * RATE).round)
        at = 0
        each_chunk(info, channels) do |chunk|
          frames = chunk.size / channels
          samples = lengthened(samples, at + frames) if at + frames > samples.shape[1]
          samples[true, at...(at + frames)] = chunk.reshape(frames, channels).transpose
          at += frames
        end
        raise Errors::UnreadableAudio, "No sound could be decoded; the file seems damaged. Export it again." if at.zero?

        at == samples.shape[1] ? samples : samples[true, 0...at].dup
      end

      # Half as long again, or as long as it must be: for files that do not say how long they are, or say too little.
      def lengthened(samples, least)
        channels, size = samples.shape
        Numo::SFloat.zeros(channels, [least, size + (size / 2)].max).tap { |longer| longer[true, 0...size] = samples }
      end

      # Whole frames only, so that a chunk never splits a sample.
      def each_chunk(info, channels)
        frame = channels * 4
        rest = +"".b
        Child.new(command(info, channels), seconds: @time_limit).each_part do |part|
          rest << part
          yield Numo::SFloat.from_binary(rest.slice!(0, rest.bytesize / frame * frame)) if rest.bytesize >= CHUNK_BYTES
        end
        whole = rest.bytesize / frame * frame
        yield Numo::SFloat.from_binary(rest.byteslice(0, whole)) if whole.positive?
      rescue Child::Late
        raise Errors::UnreadableAudio, "Decoding took longer than #{@time_limit} s and was stopped."
      end

      def command(info, channels)
        ["ffmpeg", "-nostdin", "-v", "error", *Probe.reading(@path, info[:format]), "-map", "0:a:0", "-vn", "-sn", "-dn", *mixed(info, channels),
         "-ar", RATE.to_s, "-t", (MAX_SECONDS + 10).to_s, "-f", "f32le", "pipe:1"]
      end

      def mixed(info, channels)
        return ["-ac", channels.to_s] if info[:channels] < UNARRANGED

        sides = [0, 1].map do |first|
          own = (first...info[:channels]).step(2).to_a
          own.map { |channel| "#{(1.0 / own.size).round(6)}*c#{channel}" }.join("+")
        end
        ["-af", "pan=stereo|c0=#{sides[0]}|c1=#{sides[1]}"]
      end
    end
  end
end
