# frozen_string_literal: true

require_relative "../test_helper"
require "puma"

# A local application answers its own pages and nobody else's.
class GuardTest < Ethoscope::TestCase
  include Application

  def test_a_foreign_host_is_refused
    get("/api/studies", {}, "HTTP_HOST" => "evil.example")

    assert_equal 403, last_response.status
    assert_equal "foreign_host", answer[:error][:code]
  end

  def test_nobody_s_word_on_the_host_is_believed
    get("/api/studies", {}, "HTTP_HOST" => "evil.example", "HTTP_X_FORWARDED_HOST" => "127.0.0.1")

    assert_equal 403, last_response.status
    get("/api/studies", {}, "HTTP_HOST" => "127.0.0.1", "HTTP_X_FORWARDED_HOST" => "evil.example")

    assert_equal 200, last_response.status
  end

  def test_addresses_that_can_not_be_read_are_refused_as_data_with_the_headers_of_all_answers
    { "/api/search?words=%ff" => 400, "/api/studies/%00" => 400, "/%ff" => 400, "/api/search?words=#{"a" * 9000}" => 414 }.each do |path, status|
      response = app.call(Rack::MockRequest.env_for("http://127.0.0.1/").merge("PATH_INFO" => path[/\A[^?]*/], "QUERY_STRING" => path[/\?(.*)/, 1].to_s))

      assert_equal [status, "nosniff"], [response[0], response[1]["x-content-type-options"]], path
    end
  end

  def test_what_the_server_can_not_even_read_is_told_by_its_kind
    { "HTTP element QUERY_STRING is longer" => 414, "HTTP element HEADER is longer" => 431, "Invalid HTTP format" => 400 }.each do |message, status|
      told = Api::Problem.unread(Puma::HttpParserError.new(message))

      assert_equal [status, "nosniff"], [told[0], told[1]["x-content-type-options"]]
    end
  end

  def test_a_foreign_origin_is_refused
    post("/api/studies", %({"title":"x","aim":"study"}), "CONTENT_TYPE" => "application/json", "HTTP_HOST" => "127.0.0.1", "HTTP_ORIGIN" => "http://evil.example")

    assert_equal "foreign_origin", answer[:error][:code]
    assert_empty library.studies.all
  end

  def test_another_port_is_foreign_too
    get("/api/studies", {}, "HTTP_HOST" => "127.0.0.1:4567", "SERVER_PORT" => "4567", "HTTP_ORIGIN" => "http://127.0.0.1:9999")

    assert_equal 403, last_response.status
  end

  def test_requests_that_another_site_caused_are_refused_but_not_links
    get("/api/studies", {}, "HTTP_HOST" => "127.0.0.1", "HTTP_SEC_FETCH_SITE" => "cross-site", "HTTP_SEC_FETCH_MODE" => "no-cors")

    assert_equal 403, last_response.status
    get("/", {}, "HTTP_HOST" => "127.0.0.1", "HTTP_SEC_FETCH_SITE" => "cross-site", "HTTP_SEC_FETCH_MODE" => "navigate")

    refute_equal 403, last_response.status
  end

  def test_a_form_post_is_refused
    post("/api/studies", { title: "x" }, "HTTP_HOST" => "127.0.0.1")

    assert_equal 415, last_response.status
  end

  def test_its_own_pages_are_answered_under_a_strict_policy
    get("/api/studies", {}, "HTTP_HOST" => "127.0.0.1", "HTTP_ORIGIN" => "http://127.0.0.1")

    assert_equal 200, last_response.status
    assert_match(/script-src 'self'/, last_response["content-security-policy"])
    refute_match(/'unsafe/, last_response["content-security-policy"])
    assert_equal "nosniff", last_response["x-content-type-options"]
  end

  def test_every_page_address_gets_the_one_page
    get("/studies/1/profile", {}, "HTTP_HOST" => "127.0.0.1")

    assert_equal 200, last_response.status
    assert_includes last_response.body, "<div id=\"root\">"
    assert_equal "no-store", last_response["cache-control"]
  end

  def test_files_outside_the_built_front_end_are_not_served
    ["/../config/boot.rb", "/%2e%2e/Gemfile", "/..%2fGemfile"].each do |path|
      get(path, {}, "HTTP_HOST" => "127.0.0.1")

      refute_includes last_response.body, "Ethoscope::"
      refute_includes last_response.body, "gem \""
    end
  end
end
