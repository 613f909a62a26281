# frozen_string_literal: true

require "etc"
require "fileutils"
require "json"

module Bench
  # Compares each attempt of a folder of pairs with its reference, as the command line does, and writes what the corpus' scorer of attempts reads.
  class Attempts
    # @param pairs [String] a folder with NAME.pair.json, NAME.ref.ogg and NAME.try.ogg, and NAME.ref.stems, NAME.ref.mid and so on where there are any
    # @param results [String] a folder
    # @param jobs [Integer] worker processes
    def initialize(pairs, results, jobs: Etc.nprocessors)
      @pairs = pairs
      @results = results
      @jobs = jobs
    end

    # Prints how long each comparison by itself took.
    def run
      FileUtils.mkdir_p(@results)
      names = Dir[File.join(@pairs, "*.pair.json")].map { |path| File.basename(path, ".pair.json") }.sort
      names.each_slice([(names.size / @jobs.to_f).ceil, 1].max).map { |part| fork { part.each { |name| compare(name) } } }.each { |pid| Process.wait(pid) }
    end

    private

    def compare(name)
      recordings = %w[ref try].map { |which| Dir[File.join(@pairs, "#{name}.#{which}.{ogg,wav,flac,mp3,m4a}")].first }
      comparison, said = Cli::Compare.new(err: $stderr, beside: true).of(*recordings)
      File.write(File.join(@results, "#{name}.json"), JSON.generate(comparison.to_h))
      puts [name, *said.map { |which, count| "#{which} #{count}" }].join("  ")
    end
  end
end
