# frozen_string_literal: true

require_relative "../test_helper"
require "net/http"
require "socket"

# The whole application, started as a user starts it, and killed.
class KillTest < Ethoscope::TestCase
  ROOT = File.expand_path("../..", __dir__)
  PATIENCE = 60

  def teardown
    kill if @pid
    super
  end

  def test_after_kill_minus_nine_a_restart_resumes_and_loses_nothing
    start
    study = post("/api/studies", { title: "Kept", aim: "study" })[:study]
    reference = import(study[:id])
    wait_until { state(study[:id]) != "queued" }
    kill
    start

    assert_equal "Kept", get("/api/studies/#{study[:id]}")[:study][:title]
    wait_until { state(study[:id]) == "done" }

    assert_equal 7, get("/api/references/#{reference[:id]}")[:current].size
    assert_empty Dir.glob(File.join(home, "recordings", "part-*"))
  end

  def test_a_kill_in_the_middle_of_edits_loses_nothing_that_was_acknowledged
    start
    study = post("/api/studies", { title: "Kept", aim: "study" })[:study]
    path = "/api/references/#{import(study[:id])[:id]}"
    wait_until { state(study[:id]) == "done" }
    acknowledged = edits_until_killed(path)
    start
    page = get(path)
    found = page[:analysis][:marks].map { |mark| mark[:text] }

    assert_operator acknowledged.size, :>=, 5
    assert_equal acknowledged, found.first(acknowledged.size)
    assert_operator found.size - acknowledged.size, :<=, 1
    assert_equal found.size, page[:journal][:edits].size
    assert_equal "Mark bar 1", post("#{path}/undo", {})[:label]
  end

  def test_a_second_server_on_the_same_data_says_so
    start
    output, status = Open3.capture2e(environment.merge("PORT" => free_port.to_s), RbConfig.ruby, File.join(ROOT, "bin/start"))

    refute_predicate status, :success?
    assert_match(/already runs/, output)
  end

  private

  # Notes one mark after another while another thread kills the application; the texts of those that were answered.
  def edits_until_killed(path)
    acknowledged = []
    killer = Thread.new do
      wait_until { acknowledged.size >= 5 }
      kill
    end
    (1..2000).each do |number|
      post("#{path}/marks", { type: "idea", text: number.to_s, first_bar: 1, last_bar: 1 })
      acknowledged << number.to_s
    rescue SystemCallError, EOFError, Net::ReadTimeout
      break
    end
    killer.join
    acknowledged
  end

  def home = File.join(folder, "home")

  def environment = { "ETHOSCOPE_HOME" => home, "OPENBLAS_NUM_THREADS" => "1" }

  def start
    @port = free_port
    reader, writer = IO.pipe
    @pid = Process.spawn(environment.merge("PORT" => @port.to_s), RbConfig.ruby, File.join(ROOT, "bin/start"), out: writer, err: writer, pgroup: true)
    writer.close

    assert_includes reader.gets.to_s, "http://127.0.0.1:#{@port}"
    wait_until { answering? }
  end

  def kill
    Process.kill(:KILL, @pid)
    Process.wait(@pid)
    @pid = nil
  end

  def free_port = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }

  def answering?
    TCPSocket.new("127.0.0.1", @port).close
    true
  rescue Errno::ECONNREFUSED
    false
  end

  def get(path) = JSON.parse(Net::HTTP.get("127.0.0.1", path, @port), symbolize_names: true)

  def post(path, body, headers = { "Content-Type" => "application/json" })
    body = JSON.generate(body) if body.is_a?(Hash)
    JSON.parse(Net::HTTP.post(URI("http://127.0.0.1:#{@port}#{path}"), body, headers).body, symbolize_names: true)
  end

  def import(study_id)
    post("/api/studies/#{study_id}/references", File.binread(Fixture.wav), { "Content-Type" => "application/octet-stream", "X-File-Name" => "a.wav" })[:reference]
  end

  def state(study_id) = get("/api/studies/#{study_id}")[:references].first[:analysis][:state]

  def wait_until
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + PATIENCE
    until yield
      flunk "nothing happened in #{PATIENCE} s" if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
      IO.select(nil, nil, nil, 0.05)
    end
  end
end
