# frozen_string_literal: true

require "fileutils"
require "tmpdir"

# Tries to break the application: hostile files, random edits, kills, a crowd. Run by `rake attack`; small parts of it run with the tests.
module Attack
  autoload :Answer, File.join(__dir__, "server")
  autoload :Server, File.join(__dir__, "server")
  autoload :HostileFiles, File.join(__dir__, "hostile_files")
  autoload :Uploads, File.join(__dir__, "uploads")
  autoload :Edits, File.join(__dir__, "edits")
  autoload :Kills, File.join(__dir__, "kills")
  autoload :Catalogue, File.join(__dir__, "catalogue")
  autoload :Crowd, File.join(__dir__, "crowd")
  autoload :Report, File.join(__dir__, "report")

  # Songs on which sheets are edited: the fixture, and one of the demo's in 6/8.
  SONGS = [-> { song }, -> { File.join(Server::ROOT, "demo/audio/copper_weather.ogg") }].freeze

  # @return [String] path of a short song that can be analysed
  def self.song = Fixture.brief_wav

  # @param seed [Integer]
  # @param files [Integer] through upload; a third as many through the command line
  # @param edits [Integer]
  # @param kills [Integer]
  # @param seconds [Numeric] that each crowd stays
  # @param said [#puts] told after each part how much broke so far
  # @return [Report] of what was done, also when it is ended before its time
  def self.run(seed:, files:, edits:, kills:, seconds:, said: $stdout)
    report = Report.new
    parts = { "catalogue" => ->(folder) { catalogue(folder, seed, edits, report) }, "uploads" => ->(folder) { uploads(folder, seed, files, report) },
              "edits" => ->(folder) { edits(folder, seed, edits, report) },
              "kills" => ->(folder) { served(folder, "kills") { |server| Kills.new(server, seed, report).run(kills) } },
              "crowds" => ->(folder) { crowds(folder, seed, seconds, report) } }
    Dir.mktmpdir("ethoscope-attack") do |folder|
      parts.each do |name, part|
        part.call(folder)
        said.puts "#{name} is through; #{report.faults.size} faults so far"
      end
    end
    report
  rescue SignalException => e
    said.puts "Ended by #{e.message}; this is what was done."
    report
  end

  def self.catalogue(folder, seed, count, report)
    served(folder, "catalogue") { |server| Catalogue.new(server, seed, report).run(count) } if count.positive?
  end

  def self.served(folder, name)
    server = Server.new(File.join(folder, name)).start
    yield server
  ensure
    server&.stop
  end

  def self.uploads(folder, seed, count, report)
    served(folder, "uploads") { |server| Uploads.new(server, HostileFiles.new(seed, folder), report).run(count) }
    Dir.mkdir(files = File.join(folder, "files"))
    Uploads.new(nil, HostileFiles.new(seed + 1, folder), report).through_the_command_line(count / 3, files)
  end

  def self.edits(folder, seed, count, report, songs: SONGS)
    served(folder, "edits") do |server|
      songs.each_with_index do |song, i|
        study = server.post("/api/studies", { title: "Edited", aim: "exact" }).json[:study][:id]
        path = song.call
        id = server.upload("/api/studies/#{study}/references", File.binread(path), File.basename(path)).json[:reference][:id]
        server.settle(300) { server.get("/api/references/#{id}").json[:analysis] }
        worked_in = ->(reference) { server.settle { !%w[queued running].include?(server.get("/api/references/#{reference}").json.dig(:derivation, :state)) } }
        Edits.new(server, study, id, seed + i, report, &worked_in).run(count / songs.size)
      end
    end
  end

  def self.crowds(folder, seed, seconds, report)
    served(folder, "crowd") do |server|
      crowd = Crowd.new(server, report, seed)
      crowd.prepare
      [8, 50].each { |clients| crowd.run(clients, seconds) }
    end
  end
end
