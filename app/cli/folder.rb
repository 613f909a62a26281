# frozen_string_literal: true

require "fileutils"
require "json"

module Cli
  # Analyses the audio files of one folder with several worker processes, which take the next file when they are free.
  class Folder
    EXTENSIONS = %w[.wav .flac .mp3 .ogg .opus .oga .m4a .aac .mp4 .aif .aiff].freeze

    # @param source [String] a folder; files in folders below it are passed over
    # @param target [String] where NAME.json files go; made when missing
    # @param jobs [Integer] worker processes
    # @param err [IO] one line a file
    # @param beside [Boolean] use NAME.stems and NAME.mid
    def initialize(source, target, jobs:, err:, beside: false)
      @files = Dir.children(source).sort.map { |name| File.join(source, name) }
                  .select { |path| File.file?(path) && EXTENSIONS.include?(File.extname(path).downcase) }
                  .sort_by { |path| -File.size(path) } # the longest first, so that the workers end together
      @target = target
      @jobs = jobs.clamp(1, [@files.size, 1].max)
      @err = err
      @beside = beside
    end

    # @return [Boolean] true when every file was analysed
    def analyse_all?
      FileUtils.mkdir_p(@target)
      Ethoscope.preload
      queue_read, queue_write = IO.pipe
      # File numbers are single lines under the pipe's atomic size, so each worker reads whole ones.
      queue_write.write(@files.each_index.map { |i| format("%08d\n", i) }.join)
      queue_write.close
      workers = Array.new(@jobs) { fork { work(queue_read) } }
      workers.map { |pid| Process.wait2(pid).last.success? }.all?
    end

    private

    def work(queue)
      failed = false
      while (line = queue.sysread(9))
        failed = true unless analyse(@files[line.to_i])
      end
    rescue EOFError
      exit!(failed ? 1 : 0)
    end

    def analyse(path)
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      features = Ethoscope::Features.of(Ethoscope::Audio::Decoder.new(path).decode)
      sources = @beside ? Beside.of(path, err: @err).sources(features) : Ethoscope::Sources.none
      analysis = Ethoscope::Analysis.derived(features, Ethoscope::Corrections.none, sources)
      write(File.join(@target, "#{File.basename(path, ".*")}.json"), JSON.generate(analysis.to_h))
      say(path, format("%.1f s", Process.clock_gettime(Process::CLOCK_MONOTONIC) - started))
      true
    rescue Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio => e
      say(path, e.message)
      false
    rescue StandardError => e
      # One song that the engine trips over must not stop the others.
      say(path, "The analysis failed (#{e.class}: #{e.message}).")
      false
    end

    # Written beside and renamed, so that nobody reads half a file.
    def write(path, text)
      partial = "#{path}.#{Process.pid}.part"
      File.write(partial, text)
      File.rename(partial, path)
    end

    def say(path, text) = @err.syswrite("#{File.basename(path)}: #{text}\n")
  end
end
