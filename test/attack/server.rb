# frozen_string_literal: true

require "json"
require "net/http"
require "rbconfig"
require "socket"
require "uri"

module Attack
  # What came back: status (0 when nothing did), body, and seconds that it took.
  Answer = Struct.new(:status, :type, :body, :seconds) do
    def json = JSON.parse(body, symbolize_names: true)

    def ok? = status.between?(200, 299)

    # Answers of the server's own making that no client should ever see.
    def broken? = status.zero? || (status >= 500 && ![503, 507].include?(status)) || !told?

    # A refusal is JSON with a sentence, and shows nothing of what is inside.
    def told?
      return true unless status >= 400

      message = json.dig(:error, :message).to_s
      message.match?(/\A[A-Z“0-9].*[.?!]\z/m) && !message.match?(/\b(Error|Exception|nil:|undefined|NoMethod|::)\b|\.rb:\d/)
    rescue JSON::ParserError
      false
    end
  end

  # The application as a user starts it, on a data directory of its own, and requests to it.
  class Server
    ROOT = File.expand_path("../..", __dir__)
    # Nothing may take longer.
    PATIENCE = 20
    JSON_TYPE = { "Content-Type" => "application/json" }.freeze

    attr_reader :home, :pid

    def initialize(home)
      @home = home
    end

    # @return [Server] self, when it answers
    def start
      @port = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }
      @log = File.join("#{@home}.log")
      environment = { "ETHOSCOPE_HOME" => @home, "PORT" => @port.to_s, "OPENBLAS_NUM_THREADS" => "1" }
      @pid = Process.spawn(environment, RbConfig.ruby, File.join(ROOT, "bin/start"), out: [@log, "a"], err: [@log, "a"], pgroup: true)
      settle(60) { get("/api/schools").ok? }
      self
    end

    # @return [Float] seconds that it took to end
    def end_with(signal)
      started = now
      Process.kill(signal, @pid)
      Process.wait(@pid)
      @pid = nil
      now - started
    end

    def stop = @pid && end_with(:TERM)

    # What it said on its way.
    def log = File.exist?(@log.to_s) ? File.read(@log) : ""

    def get(path, headers = {}) = request(Net::HTTP::Get.new(path, headers))

    def post(path, body = {}, headers = JSON_TYPE) = send_body(Net::HTTP::Post, path, body, headers)

    def patch(path, body = {}) = send_body(Net::HTTP::Patch, path, body, JSON_TYPE)

    def delete(path) = send_body(Net::HTTP::Delete, path, {}, JSON_TYPE)

    def upload(path, bytes, name)
      post(path, bytes, { "Content-Type" => "application/octet-stream", "X-File-Name" => URI.encode_www_form_component(name) })
    end

    # Waits until the block is true.
    def settle(seconds = 120)
      deadline = now + seconds
      until yield
        raise "nothing happened in #{seconds} s\n#{log[-2000..] || log}" if now > deadline

        IO.select(nil, nil, nil, 0.05)
      end
    end

    # @return [Array<Integer>] processes that work on this data directory
    def workers
      `ps -eo pid,args`.lines.select { |line| line.include?("analysis-worker") && line.include?(@home) }.map { |line| line.split.first.to_i }
    end

    private

    def send_body(kind, path, body, headers)
      request = kind.new(path, headers)
      request.body = body.is_a?(String) ? body : JSON.generate(body)
      request(request)
    end

    def request(request)
      started = now
      response = Net::HTTP.start("127.0.0.1", @port, open_timeout: 5, read_timeout: PATIENCE + 10) { |http| http.request(request) }
      Answer.new(response.code.to_i, response["content-type"].to_s, response.body.to_s, now - started)
    rescue SystemCallError, IOError, Timeout::Error, Net::HTTPBadResponse
      Answer.new(0, "", "", now - started)
    end

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
