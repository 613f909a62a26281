# frozen_string_literal: true

require "json"

module Api
  # Refuses requests that a page of another site could have caused, and says how pages of this one may behave.
  class Guard
    HOSTS = %w[127.0.0.1 localhost].freeze
    # WebAssembly may be compiled, for the library that stretches sound; scripts as text may not.
    POLICY = "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self'; img-src 'self' data:; media-src 'self'; font-src 'self'; " \
             "connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
    HEADERS = { "content-security-policy" => POLICY, "x-content-type-options" => "nosniff", "referrer-policy" => "no-referrer",
                "cross-origin-resource-policy" => "same-origin", "cross-origin-opener-policy" => "same-origin" }.freeze

    # @param app [#call]
    def initialize(app)
      @app = app
    end

    # @param env [Hash]
    # @return [Array] Rack response
    def call(env)
      request = Rack::Request.new(env)
      return refuse("foreign_host", "This address is not served here.") unless HOSTS.include?(request.host)
      return refuse("foreign_origin", "Requests from other sites are refused.") if foreign?(env, request)

      return refuse("form", "Send JSON, or the bytes of a file as application/octet-stream.", 415) if request.form_data? && request.content_type

      status, headers, body = @app.call(env)
      [status, HEADERS.merge(headers), body]
    end

    private

    def foreign?(env, request)
      return true if env["HTTP_SEC_FETCH_SITE"] == "cross-site" && env["HTTP_SEC_FETCH_MODE"] != "navigate"

      origin = env["HTTP_ORIGIN"]
      origin && origin != "#{request.scheme}://#{request.host_with_port}"
    end

    def refuse(code, message, status = 403)
      [status, HEADERS.merge("content-type" => "application/json"), [JSON.generate(error: { code:, message: })]]
    end
  end
end
