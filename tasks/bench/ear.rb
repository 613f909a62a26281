# frozen_string_literal: true

require "etc"
require "json"
require "open3"
require "tmpdir"

module Bench
  # Runs the engine over a corpus folder in parallel, and the corpus' scorer over the results.
  class Ear
    ACCURACY = File.expand_path("../../docs/accuracy.md", __dir__)
    COLUMNS = { "tempo_acc1" => "tempo 1", "tempo_acc2" => "tempo 2", "tempo_err" => "tempo error %", "beat_F" => "beat F", "downbeat_F" => "downbeat F",
                "meter" => "meter", "key" => "key", "chord_root" => "root", "chord_majmin" => "maj/min", "chord_sevenths" => "sevenths",
                "boundary_F0.5" => "bound. 0.5 s", "boundary_F3" => "3 s", "section_pairF" => "labels", "layers_F" => "layers",
                "swing_err" => "swing error", "tuning_err" => "tuning error" }.freeze
    PYTHON = "/usr/bin/python3"

    # @param folder [String] songs with their truth beside them
    def initialize(folder)
      @folder = File.expand_path(folder)
    end

    # Prints the scorer's means and how they changed; the songs one by one besides.
    def run
      Dir.mktmpdir do |results|
        analyse(results, Etc.nprocessors)
        scores = scores(results)
        scores ? report(scores) : puts("No scorer here (score.py beside the corpus, and Debian's python3-mir-eval): results were not judged.")
      end
    end

    # Prints how long the folder takes on one process and on two.
    def cores
      one, two = [1, 2].map do |jobs|
        Dir.mktmpdir do |results|
          start = Clock.wall
          analyse(results, jobs)
          Clock.wall - start
        end
      end
      puts format("%<one>.1f s on one process, %<two>.1f s on two: %<times>.2f times faster", one:, two:, times: one / two)
    end

    private

    def analyse(results, jobs)
      ENV["OPENBLAS_NUM_THREADS"] = "1"
      done = Cli::Folder.new(@folder, results, jobs:, err: File.open(File::NULL, "w")).analyse_all?
      warn "Some songs could not be analysed." unless done
    end

    def scores(results)
      scorer = [@folder, File.dirname(@folder)].map { |folder| File.join(folder, "score.py") }.find { |path| File.exist?(path) }
      return nil unless scorer && system(PYTHON, "-c", "import mir_eval", err: File::NULL)

      out, status = Open3.capture2(PYTHON, scorer, @folder, results, "--json")
      status.success? ? JSON.parse(out) : nil
    end

    def report(scores)
      means = COLUMNS.map { |name, _| scores.dig("mean", name) }
      songs = scores["songs"].map { |name, row| [name, COLUMNS.keys.map { |column| row[column] }] }
      puts "| song | #{COLUMNS.values.join(" | ")} |", "|---#{"|---" * COLUMNS.size}|"
      songs.each { |name, row| puts line(name, row) }
      title = "#{songs.size} songs of #{File.basename(@folder)}"
      puts line(title, means), change(title, means)
      scores["techniques"].each { |kind, row| puts "#{kind}: #{row.values_at("matched", "reported", "truth").join(" / ")}" }
    end

    def line(name, row) = "| #{name} | #{row.map { |value| value.is_a?(Numeric) ? format("%.3f", value) : "-" }.join(" | ")} |"

    # The row with the same name in docs/accuracy.md holds the last figures.
    def change(title, means)
      stored = File.foreach(ACCURACY).find { |text| text.start_with?("| #{title} |") }
      return "No figures of this folder are stored yet." unless stored

      before = stored.split("|").map(&:strip)[2..]
      "Change: #{means.zip(before).map { |now, then_| now.is_a?(Numeric) && then_ ? format("%+.3f", now - Float(then_)) : "-" }.join(" | ")}"
    end
  end
end
