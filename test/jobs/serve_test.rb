# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../attack/attack"
require "open3"

# The application as a process: how it starts, how it ends, and what stands in its way.
class ServeTest < Ethoscope::TestCase
  # Ending may take this long, whatever goes on.
  ENDING_SECONDS = 3

  def teardown
    @server&.stop
    super
  end

  def home = File.join(folder, "home [1]")

  def server = @server ||= Attack::Server.new(home).start

  def refused(**environment)
    environment = { "ETHOSCOPE_HOME" => home, "PORT" => "0" }.merge(environment.transform_keys(&:to_s))
    output, status = Open3.capture2e(environment, "timeout", "20", RbConfig.ruby, File.join(Attack::Server::ROOT, "bin/start"))

    assert_equal 1, status.exitstatus, output
    assert_equal 1, output.lines.size, output
    output
  end

  def test_ports_that_are_none_or_taken
    ["abc", "0", "70000", "-1", ""].each { |port| assert_match(/PORT must be a number from 1 to 65535/, refused(PORT: port)) }
    TCPServer.open("127.0.0.1", 0) { |taken| assert_match(/Port \d+ is in use/, refused(PORT: taken.addr[1].to_s)) }
  end

  def test_data_directories_that_are_none
    File.write(file = File.join(folder, "a file"), "text")

    assert_match(/is no directory/, refused(PORT: free_port, ETHOSCOPE_HOME: file))
    assert_match(/is no directory/, refused(PORT: free_port, ETHOSCOPE_HOME: File.join(file, "below")))
  end

  def test_a_damaged_database
    FileUtils.mkdir_p(home)
    File.binwrite(File.join(home, "ethoscope.sqlite3"), "SQLite format 3\u0000#{"garbage" * 500}")

    assert_match(/is damaged\. Put back a copy/, refused(PORT: free_port))
    File.binwrite(File.join(home, "ethoscope.sqlite3"), "no database at all, but long enough to be taken for one " * 40)

    assert_match(/is damaged/, refused(PORT: free_port))
  end

  def test_nobody_else_may_read_the_data
    study
    modes = Dir.glob("**/*", base: home).group_by { |path| File.directory?(File.join(home, path)) }.transform_values do |paths|
      paths.map { |path| format("%o", File.stat(File.join(home, path)).mode & 0o777) }.uniq
    end

    assert_equal({ true => ["700"], false => ["600"] }, modes)
    assert_equal 0o700, File.stat(home).mode & 0o777
  end

  def test_it_ends_at_once_while_it_works_and_is_asked_and_that_is_no_crash_of_the_analysis
    id = study
    2.times do
      server.settle { state(id)[:state] == "running" }
      watching = Array.new(8) { Thread.new { server.get("/api/studies/#{id}/progress") } }

      assert_operator server.end_with(:INT), :<, ENDING_SECONDS
      watching.each(&:join)
      server.start
    end
    server.settle { state(id)[:state] == "done" }

    assert_nil state(id)[:error]
  end

  def test_workers_end_with_an_application_that_is_killed
    id = study
    server.settle { state(id)[:state] == "running" && server.workers.any? }
    server.end_with(:KILL)
    server.settle(10) { server.workers.empty? }

    assert_empty server.workers
  end

  def test_no_backtrace_leaves_the_server
    port = study && server.instance_variable_get(:@port)
    answers = ["GET / HTTP/9.9\r\n\r\n", "BREW /api HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n", "GET /api/%ff HTTP/1.1\r\nHost: 127.0.0.1:#{port}\r\nConnection: close\r\n\r\n",
               "POST /api/studies HTTP/1.1\r\nHost: 127.0.0.1:#{port}\r\nContent-Type: application/json\r\nContent-Length: 5\r\nConnection: close\r\n\r\n[[[[["].map do |text|
      TCPSocket.open("127.0.0.1", port) do |socket|
        socket.write(text)
        socket.close_write
        socket.read
      end
    end

    answers.each { |answer| refute_match(/\.rb:\d|Puma|Sinatra|backtrace/i, answer) }
  end

  private

  def free_port = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1].to_s }

  # A study with a song that is on its way.
  def study
    id = server.post("/api/studies", { title: "Study", aim: "study" }).json[:study][:id]
    path = File.join(Attack::Server::ROOT, "demo/audio/wet_slate.ogg")
    server.upload("/api/studies/#{id}/references", File.binread(path), "song.ogg")
    id
  end

  def state(id) = server.get("/api/studies/#{id}").json[:references].first[:analysis]
end
