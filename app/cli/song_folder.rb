# frozen_string_literal: true

require "etc"
require "json"
require "tmpdir"

module Cli
  # The songs of a folder: sound files, or analyses as `ethoscope analyze --out` writes them.
  class SongFolder
    # @param folder [String]
    # @param err [IO] one line a file
    # @param jobs [Integer] worker processes
    def initialize(folder, err:, jobs: Etc.nprocessors)
      @folder = folder
      @err = err
      @jobs = jobs
    end

    # @return [Hash{String => Ethoscope::Analysis}] by name
    # @raise [Ethoscope::Errors::Unfit] when it holds no song
    def analyses
      told = with_results { |paths| paths.to_h { |path| [File.basename(path, ".json"), Ethoscope::Analysis.from_h(JSON.parse(File.read(path), symbolize_names: true))] } }
      raise Ethoscope::Errors::Unfit, "there is no song in #{Command.shown(@folder)}" if told.empty?

      told
    end

    private

    # Analyses that stand there, or those of the sounds that do.
    def with_results
      return yield(Dir[File.join(@folder, "*.json")]) if Dir.children(@folder).none? { |name| Folder.sound?(File.join(@folder, name)) }

      Dir.mktmpdir do |results|
        Folder.new(@folder, results, jobs: @jobs, err: @err).analyse_all?
        yield(Dir[File.join(results, "*.json")])
      end
    end
  end
end
