# frozen_string_literal: true

require "fileutils"
require "json"

module Jobs
  # The work of one worker process: decode and analyse, derive anew from what was measured before, or separate; write the result, say how
  # far it is as lines of JSON.
  class Worker
    # @param recording [String] path of the audio file
    # @param result [String] path that the result goes to
    # @param out [IO] progress lines
    # @param task [Hash] kind (analyse or separate), corrections, features (path of what was measured before)
    def initialize(recording, result, out, task = {})
      @recording = recording
      @result = result
      @out = out
      @task = task
    end

    # @return [Integer] exit code: 0 when the result is written
    def run
      @task[:kind] == "separate" ? separate : analyse
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

    def analyse
      features = kept_features
      report(stage: features ? "rhythm" : "decoding", progress: 0.0)
      features ||= measured_features
      corrections = Ethoscope::Corrections.of(**@task.fetch(:corrections, {}))
      write(JSON.generate(Ethoscope::Analysis.derived(features, corrections) { |stage, share| told(stage, share) }.to_h))
    end

    # What an earlier run measured is enough for a derivation.
    def kept_features
      @task.fetch(:corrections, {}).empty? ? nil : Store::FeaturesFile.read(@task.fetch(:features))
    end

    def measured_features
      recording = Ethoscope::Audio::Decoder.new(@recording).decode
      features = Ethoscope::Features.of(recording) { |stage| told(stage, Ethoscope::Pipeline::STAGES.fetch(stage)) }
      Store::FeaturesFile.write(features, "#{@result}.features")
      copy_for_playback
      features
    end

    def told(stage, share) = report(stage: next_stage(stage), progress: share)

    def separate
      report(stage: "separating", progress: 0.0)
      recording = Ethoscope::Audio::Decoder.new(@recording).decode
      parts = Ethoscope::Audio::Separation.of(recording) { |share| report(stage: "separating", progress: share * 0.9) }
      parts.to_h.each { |name, samples| Ethoscope::Audio::FlacFile.write(samples, recording.rate, "#{@result}.#{name}.flac") }
      write("{}")
    end

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
