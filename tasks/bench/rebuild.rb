# frozen_string_literal: true

module Bench
  # How much of each song could be rebuilt from its checklist alone, by the corpus' scorer of rebuilding.
  class Rebuild
    # @param folder [String] songs with truth and NAME.mid
    # @param results [String] a folder of their analyses
    def initialize(folder, results)
      @folder = folder
      @results = results
    end

    # @return [String, nil] what the scorer prints; nil where there are no notes, or no scorer
    def report
      return nil if Dir.glob(File.join(@folder, "*.mid")).empty? || scorer.nil?

      Dir.mktmpdir do |plans|
        Dir.glob(File.join(@results, "*.json")) { |path| File.write(File.join(plans, File.basename(path)), JSON.generate(Checklists.new(JSON.parse(File.read(path))).to_h)) }
        out, status = Open3.capture2(Ear::PYTHON, scorer, @folder, plans)
        status.success? ? out : nil
      end
    end

    private

    def scorer = [@folder, File.dirname(@folder), Ear::SHARED].map { |folder| File.join(folder, "score_rebuild.py") }.find { |path| File.exist?(path) }
  end
end
