# frozen_string_literal: true

require "fileutils"
require "json"

module Cli
  # Analyses the audio files of one folder with several worker processes, which take the next file when they are free.
  class Folder
    # Files that are named like sound are tried and told of; others are taken when their bytes are sound.
    EXTENSIONS = %w[.wav .wave .flac .mp3 .ogg .opus .oga .m4a .m4b .aac .mp4 .mov .aif .aiff .aifc .w64 .rf64].freeze

    # @param path [String]
    # @return [Boolean] whether the file is to be tried
    def self.sound?(path)
      return false unless File.file?(path)

      EXTENSIONS.include?(File.extname(path).downcase) || (File.readable?(path) && !Ethoscope::Audio::Container.of(path).nil?)
    end

    # @param source [String] a folder; files in folders below it are passed over
    # @param target [String] where NAME.json files go; made when missing
    # @param jobs [Integer] worker processes
    # @param err [IO] one line a file
    # @param beside [Boolean] use NAME.stems and NAME.mid
    # @param plans [Plans, nil] checklists are written in the place of analyses
    def initialize(source, target, jobs:, err:, beside: false, plans: nil)
      @files = Dir.children(source).sort.map { |name| File.join(source, name) }
                  .select { |path| self.class.sound?(path) }
                  .sort_by { |path| -File.size(path) } # the longest first, so that the workers end together
      @target = target
      @jobs = jobs.clamp(1, [@files.size, 1].max)
      @err = err
      @beside = beside
      @plans = plans
    end

    # @return [Boolean] true when every file was analysed
    def analyse_all?
      FileUtils.mkdir_p(@target)
      Ethoscope.preload
      queue_read, queue_write = IO.pipe
      # File numbers are single lines under the pipe's atomic size, so each worker reads whole ones.
      queue_write.write(@files.each_index.map { |i| format("%08d\n", i) }.join)
      queue_write.close
      parent = Process.pid
      workers = Array.new(@jobs) { fork { work(queue_read, parent) } }
      workers.map { |pid| Process.wait2(pid).last.success? }.all?
    end

    private

    def work(queue, parent)
      failed = false
      # Whoever is gone waits for nothing.
      while (line = queue.sysread(9)) && Process.ppid == parent
        failed = true unless analyse(@files[line.to_i])
      end
      exit!(1)
    rescue EOFError
      exit!(failed ? 1 : 0)
    end

    def analyse(path)
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      sources = @beside ? Beside.of(path, err: @err).method(:sources) : Ethoscope::Sources.none
      analysis = Ethoscope::Analysis.of(Ethoscope::Audio::Decoder.new(path).decode, sources:)
      analysis.fetch(:gaps).each { |gap| say(path, "not told: #{gap[:what]} (#{gap[:fault] || gap[:reason]})") }
      write(*result(analysis, name_for(path)))
      say(path, format("%.1f s", Process.clock_gettime(Process::CLOCK_MONOTONIC) - started))
      true
    rescue Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio => e
      say(path, e.message)
      false
    rescue Errno::ENOSPC, Errno::EDQUOT, Errno::EACCES => e
      say(path, "The result could not be written to #{@target} (#{e.message}).")
      false
    rescue StandardError => e
      # One song that the engine trips over must not stop the others.
      say(path, "The analysis failed (#{e.class}: #{e.message}).")
      false
    end

    # Where it goes, and what it says.
    def result(analysis, name)
      return [File.join(@target, "#{name}.json"), JSON.generate(analysis.to_h)] unless @plans

      [File.join(@target, "#{name}.#{@plans.extension}"), @plans.of(analysis, name)]
    end

    # Files that differ in their extension only keep it, so that none takes the other's place.
    def name_for(path)
      base = File.basename(path, ".*")
      @files.count { |other| File.basename(other, ".*") == base } > 1 ? File.basename(path) : base
    end

    # Written beside and renamed, so that nobody reads half a file.
    def write(path, text)
      partial = "#{path}.#{Process.pid}.part"
      File.write(partial, text)
      File.rename(partial, path)
    end

    def say(path, text) = @err.syswrite("#{Command.shown(path)}: #{text}\n")
  end
end
