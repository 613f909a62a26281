# frozen_string_literal: true

require "rack/test"

# The application over a data directory of its own, without background work unless a test starts it.
module Application
  include Rack::Test::Methods

  def library = @library ||= Store::Library.new(File.join(folder, "home"))

  def bulletin = @bulletin ||= Jobs::Bulletin.new

  def app = @app ||= Api::Server.app(library, bulletin)

  def teardown
    @library&.db&.disconnect
    super
  end

  # Sends JSON from a page of the application.
  def send_json(verb, path, body = {})
    public_send(verb, path, JSON.generate(body), "CONTENT_TYPE" => "application/json", "HTTP_HOST" => "127.0.0.1")
    answer
  end

  def get_json(path)
    get(path, {}, "HTTP_HOST" => "127.0.0.1")
    answer
  end

  def answer = JSON.parse(last_response.body, symbolize_names: true)

  def upload(study_id, bytes, name)
    post("/api/studies/#{study_id}/references", bytes, "CONTENT_TYPE" => "application/octet-stream", "HTTP_HOST" => "127.0.0.1",
      "HTTP_X_FILE_NAME" => URI.encode_www_form_component(name), "CONTENT_LENGTH" => bytes.bytesize.to_s)
    answer
  end

  def new_study(**fields) = send_json(:post, "/api/studies", { title: "Study", aim: "style" }.merge(fields))[:study]

  # A study with the fixture in it, analysed.
  def analysed_reference(study = new_study)
    reference = upload(study[:id], File.binread(Fixture.wav), "fixture.wav")[:reference]
    finish(reference[:recording_id])
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
