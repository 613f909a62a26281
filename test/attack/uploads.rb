# frozen_string_literal: true

require "open3"
require "sqlite3"

module Attack
  # Hostile files through the application and through the command line.
  class Uploads
    # @param server [Server]
    # @param files [HostileFiles]
    # @param report [Report]
    def initialize(server, files, report)
      @server = server
      @files = files
      @report = report
    end

    # @param count [Integer]
    def run(count)
      study = @server.post("/api/studies", { title: "Attacked", aim: "study" }).json[:study][:id]
      song = @server.upload("/api/studies/#{study}/references", File.binread(Attack.song), "kept.wav").json[:reference][:id]
      @server.settle { done?(study) }
      @files.each(count).with_index { |file, i| send_file(study, song, file, i) }
      @server.settle(600) { done?(study) }
      check_after(study, song)
    end

    # The same files, as far as they are sound, given to the command line one by one.
    #
    # @param count [Integer]
    # @param folder [String]
    def through_the_command_line(count, folder)
      @files.each(count).with_index do |file, i|
        path = File.join(folder, "#{i}.#{file.name[/\w+\z/]}")
        File.binwrite(path, file.bytes)
        _, err, status = Open3.capture3({ "OPENBLAS_NUM_THREADS" => "1" }, "timeout", "60", RbConfig.ruby, File.join(Server::ROOT, "bin/ethoscope"), "analyze", path)
        @report.count("command line", "files")
        @report.bad("command line", "hang", file.kind) if status.exitstatus == 124
        @report.bad("command line", "raw exception", "#{file.kind}: #{err.lines.first}") unless [0, 3].include?(status.exitstatus) && !err.match?(/\.rb:\d+:in/)
      end
    end

    private

    def send_file(study, song, file, index)
      midi = file.kind == "MIDI" || file.name.end_with?(".mid")
      path = if midi then "/api/references/#{song}/score"
             else index % 4 == 3 ? "/api/references/#{song}/stems" : "/api/studies/#{study}/references"
             end
      answer = @server.upload(path, file.bytes, file.name)
      @report.count("uploads", "files")
      @report.answered("uploads", answer)
      @report.count("uploads", answer.ok? ? "taken" : "refused")
      @report.bad("uploads", "hang", file.kind) if answer.seconds > Server::PATIENCE
      @report.bad("uploads", "no answer", file.kind) if answer.status.zero?
      @report.bad("uploads", answer.status >= 500 ? "5xx" : "raw exception", "#{file.kind}: #{answer.status} #{answer.body[0, 160]}") if answer.status.positive? && answer.broken?
    end

    def done?(study)
      page = @server.get("/api/studies/#{study}").json
      states = page[:references].map { |row| row[:analysis][:state] }
      stems = page[:references].flat_map { |row| @server.get("/api/references/#{row[:id]}").json[:stems] }.map { |stem| stem[:state] }
      !(states + stems).intersect?(%w[queued running])
    end

    # Everything still answers, jobs that failed say why in words, and nothing lies about that no row knows.
    def check_after(study, song)
      page = @server.get("/api/studies/#{study}")
      page.json[:references].each do |row|
        sheet = @server.get("/api/references/#{row[:id]}")
        @report.bad("uploads", "page that does not answer", row[:original_name]) unless sheet.ok?
        error = row[:analysis][:error]
        @report.count("uploads", "failed analyses") if error
        @report.bad("uploads", "raw exception", error) if error.to_s.match?(/unexpectedly|Error\b|exit code/)
      end
      @report.bad("uploads", "page that does not answer", "the sheet of before") unless @server.get("/api/references/#{song}").json[:analysis]
      check_files
    end

    def check_files
      db = SQLite3::Database.new(File.join(@server.home, "ethoscope.sqlite3"), readonly: true)
      known = db.execute("select sha256 from recordings").flatten
      files = Dir.glob("recordings/**/*", base: @server.home).select { |path| File.file?(File.join(@server.home, path)) }
      files.each { |path| @report.bad("uploads", "leftover file", path) unless known.include?(File.basename(path)[0, 64]) }
      scores = Dir.children(File.join(@server.home, "scores")).size
      @report.bad("uploads", "leftover file", "#{scores} scores") if scores > 1
    ensure
      db&.close
    end
  end
end
