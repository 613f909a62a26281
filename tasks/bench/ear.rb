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
                "tech_P" => "tech. P", "tech_R" => "R", "tech_F" => "F", "swing_err" => "swing error", "tuning_err" => "tuning error" }.freeze
    ROUNDS = 5
    COUNTED = 50_000_000
    PYTHON = "/usr/bin/python3"
    # Where the scorers are, beside the development corpus.
    SHARED = File.expand_path("../../../shared/corpus", __dir__)

    # Kinds of techniques whose truth the corpus knows; what else is seen is neither right nor wrong there.
    JUDGED = %w[drum_drop filtered_section width_contrast hat_rate_change pumping riser octave_shift pedal four_on_floor octave_doubling pingpong_delay
                alternating_velocity reverse_swell].freeze

    # @param folder [String] songs with their truth beside them
    # @param beside [Boolean] with NAME.stems and NAME.mid where they stand beside a song
    def initialize(folder, beside: nil)
      @folder = File.expand_path(folder)
      @beside = beside
    end

    # Prints the scorer's means and how they changed; the songs one by one besides.
    def run
      Dir.mktmpdir do |results|
        analyse(results, Etc.nprocessors)
        scores = scores(results)
        rebuilt = Rebuild.new(@folder, results).report
        puts rebuilt, "" if rebuilt
        scores ? report(scores) : puts("No scorer here (score.py beside the corpus, and Debian's python3-mir-eval): results were not judged.")
      end
    end

    # Prints how long the folder takes on one core and on two, in turn, several times: other guests of a machine are felt, so
    # the median counts. One process alone would use two cores, since ffmpeg decodes beside it; so the run is held to one core.
    def cores
      possible = []
      ratios = Array.new(ROUNDS) do
        one, two = [1, 2].map { |cores| seconds_on(cores) }
        possible << possible_gain
        puts format("%<one>.1f s on one core, %<two>.1f s on two: %<times>.2f times faster; processor seconds %<less>.1f and %<more>.1f",
          one: one.first, two: two.first, times: one.first / two.first, less: one.last, more: two.last)
        one.first / two.first
      end
      puts format("median %<times>.2f; two loops that only count: %<possible>.2f", times: ratios.sort[ROUNDS / 2], possible: possible.sort[ROUNDS / 2])
    end

    private

    # How much two processes that share nothing gain on this machine at this moment.
    def possible_gain
      one, two = [1, 2].map do |processes|
        start = Clock.wall
        Array.new(processes) { fork { COUNTED.times { |i| i + 1 } && exit!(true) } }.each { |pid| Process.wait(pid) }
        Clock.wall - start
      end
      2 * one / two
    end

    # Seconds that passed, and those of all processors.
    def seconds_on(cores)
      wall = Clock.wall
      processor = Clock.processor
      Dir.mktmpdir do |results|
        Process.wait(fork do
          system("taskset", "-pc", "0-#{cores - 1}", Process.pid.to_s, out: File::NULL, exception: true)
          analyse(results, cores)
        end)
      end
      [Clock.wall - wall, Clock.processor - processor]
    end

    def analyse(results, jobs)
      ENV["OPENBLAS_NUM_THREADS"] = "1"
      done = Cli::Folder.new(@folder, results, jobs:, err: File.open(File::NULL, "w"), beside: @beside).analyse_all?
      Dir.glob(File.join(results, "*.json")) { |path| judged_only(path) }
      warn "Some songs could not be analysed." unless done
    end

    def judged_only(path)
      data = JSON.parse(File.read(path))
      data["techniques"].select! { |sighting| JUDGED.include?(sighting["kind"]) }
      File.write(path, JSON.generate(data))
    end

    def scores(results)
      scorer = [@folder, File.dirname(@folder), SHARED].map { |folder| File.join(folder, "score.py") }.find { |path| File.exist?(path) }
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
      puts pooled(scores["techniques"].values.map { |row| row.values_at("matched", "reported", "truth") }.transpose.map(&:sum))
    end

    def pooled((matched, reported, truth))
      precision = matched.fdiv([reported, 1].max)
      recall = matched.fdiv([truth, 1].max)
      format("all sightings together: precision %<precision>.3f, recall %<recall>.3f, F %<f>.3f", precision:, recall:, f: 2 * precision * recall / [precision + recall, 1e-9].max)
    end

    def line(name, row) = "| #{name} | #{row.map { |value| value.is_a?(Numeric) ? format("%.3f", value) : "-" }.join(" | ")} |"

    # The row with the same name in docs/accuracy.md holds the last figures.
    def change(title, means)
      stored = File.foreach(ACCURACY).find { |text| text.start_with?("| #{title} |") }
      return "No figures of this folder are stored yet." unless stored

      before = stored.strip.delete_prefix("|").delete_suffix("|").split("|").drop(1).map { |cell| Float(cell, exception: false) }
      return "The figures of this folder that are stored have other columns." unless before.size == means.size

      "Change: #{means.zip(before).map { |now, then_| now && then_ ? format("%+.3f", now - then_) : "-" }.join(" | ")}"
    end
  end
end
