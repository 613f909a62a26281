# frozen_string_literal: true

require "fileutils"
require "json"

module Jobs
  # The work of one worker process: decode, analyse, write the result, say how far it is as lines of JSON.
  class Worker
    # @param recording [String] path of the audio file
    # @param result [String] path that the result goes to
    # @param out [IO] progress lines
    def initialize(recording, result, out)
      @recording = recording
      @result = result
      @out = out
    end

    # @return [Integer] exit code: 0 when the result is written
    def run
      report(stage: "decoding", progress: 0.0)
      recording = Ethoscope::Audio::Decoder.new(@recording).decode
      analysis = Ethoscope::Analysis.of(recording) { |stage, share| report(stage: next_stage(stage), progress: share) }
      copy_for_playback
      write(JSON.generate(analysis.to_h))
      0
    rescue Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio => e
      report(error: e.message)
      1
    rescue NoMemoryError
      report(error: "The analysis needed more memory than it may use. Try a shorter recording.")
      1
    rescue Errno::ENOSPC
      report(error: "The disk is full; the analysis could not be stored. Make room and try again.")
      1
    end

    private

    # A stage is reported when it ends, so what shows is the one that begins.
    def next_stage(done)
      stages = Ethoscope::Pipeline::STAGES.keys
      (stages[stages.index(done) + 1] || "storing").to_s
    end

    # Left beside the result as RESULT.flac; a copy that can't be made costs the sound on the page, not the analysis.
    def copy_for_playback
      info = Ethoscope::Audio::Decoder.new(@recording).probe
      Ethoscope::Audio::PlaybackCopy.write(@recording, "#{@result}.flac") if Ethoscope::Audio::PlaybackCopy.needed?(info)
    rescue Ethoscope::Errors::UnreadableAudio
      FileUtils.rm_f("#{@result}.flac")
    end

    # When the application is gone the pipe breaks, and this process ends with it.
    def report(**line)
      @out.puts(JSON.generate(line))
      @out.flush
    rescue Errno::EPIPE
      exit!(1)
    end

    def write(text)
      partial = "#{@result}.part"
      File.open(partial, "w") do |file|
        file.write(text)
        file.fsync
      end
      File.rename(partial, @result)
    end
  end
end
