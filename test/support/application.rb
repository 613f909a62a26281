# frozen_string_literal: true

require "rack/test"

# The application over a data directory of its own, without background work unless a test starts it.
module Application
  include Rack::Test::Methods

  def library = @library ||= Store::Library.new(Application.home(File.join(folder, "home")))

  # A data directory with an empty database, which is made once for all tests.
  def self.home(path)
    FileUtils.mkdir_p(path)
    FileUtils.cp(empty_database, path)
    path
  end

  def self.empty_database
    @empty_database ||= Dir.mktmpdir("ethoscope-empty").then do |home|
      Minitest.after_run { FileUtils.rm_rf(home) }
      Store::Library.new(home).db.disconnect
      File.join(home, "ethoscope.sqlite3")
    end
  end

  def bulletin = @bulletin ||= Jobs::Bulletin.new

  def app = @app ||= Api::Server.app(library, bulletin)

  def teardown
    @library&.db&.disconnect
    super
  end

  # Sends JSON from a page of the application.
  def send_json(verb, path, body = {})
    public_send(verb, path, JSON.generate(body), "CONTENT_TYPE" => "application/json", "HTTP_HOST" => "127.0.0.1")
    as_declared
  end

  def get_json(path)
    get(path, {}, "HTTP_HOST" => "127.0.0.1")
    as_declared
  end

  # Every answer that a test gets is held to the contract.
  def as_declared
    answer.tap { |data| assert_empty Api::Contract.problems(last_request.request_method, last_request.path.delete_prefix("/api"), data) if last_response.successful? && json? }
  end

  def json? = last_response.content_type.to_s.start_with?("application/json") && !last_request.path.end_with?(".json")

  def answer = JSON.parse(last_response.body, symbolize_names: true)

  def upload(study_id, bytes, name) = send_bytes("/api/studies/#{study_id}/references", bytes, name)

  # Sends a file as a page of the application does.
  def send_bytes(path, bytes, name)
    post(path, bytes, "CONTENT_TYPE" => "application/octet-stream", "HTTP_HOST" => "127.0.0.1",
      "HTTP_X_FILE_NAME" => URI.encode_www_form_component(name), "CONTENT_LENGTH" => bytes.bytesize.to_s)
    answer
  end

  # Does what the dispatcher would have workers do, in this process.
  def work_off(*queues)
    queues.each do |queue|
      while (job = queue.claim)
        result = File.join(folder, "result-#{job[:id]}.json")
        lines = StringIO.new
        code = Jobs::Worker.new(queue.path(job), result, lines, JSON.parse(JSON.generate(queue.task(job)), symbolize_names: true)).run
        code.zero? ? queue.finish(job, result) : queue.fail(job, JSON.parse(lines.string.lines.last)["error"])
      end
    end
  end

  def new_study(**fields) = send_json(:post, "/api/studies", { title: "Study", aim: "style" }.merge(fields))[:study]

  # A study with the fixture in it, analysed: as if it had been dropped, without its sound being looked at again in every test.
  def analysed_reference(study = new_study)
    recording = File.open(Fixture.wav, "rb") { |file| library.recordings.keep(file) { { format: "wav", duration: Fixture.analysis.fetch(:duration) } } }
    Fixture.keep_features(library, recording)
    reference = library.references.create(study_id: study[:id], recording:, title: "fixture", artist: nil, original_name: "fixture.wav")
    finish(recording[:id])
    reference
  end

  def finish(recording_id, analysis = Fixture.analysis)
    run = library.analyses.queue(recording_id)
    library.analyses.claim
    library.analyses.finish(run[:id], JSON.generate(analysis.to_h))
  end

  def assert_problem(status, code, pattern = nil)
    assert_equal status, last_response.status, last_response.body
    assert_equal code, answer.dig(:error, :code)
    assert_match pattern, answer.dig(:error, :message) if pattern
  end
end
