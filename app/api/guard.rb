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

    # Nothing stands before this server whose word would count.
    FORWARDED = %w[HTTP_X_FORWARDED_HOST HTTP_X_FORWARDED_PORT HTTP_X_FORWARDED_PROTO HTTP_X_FORWARDED_SCHEME HTTP_X_FORWARDED_SSL HTTP_X_FORWARDED_FOR HTTP_FORWARDED].freeze
    # Of an address, bytes.
    LONGEST = 8192

    # What a request with a body may carry, and how much of it.
    CARRIED = { "application/json" => 256 << 10, "application/octet-stream" => 400 << 20 }.freeze
    MOST = CARRIED.values.max
    WRITING = %w[POST PATCH PUT DELETE].freeze

    # @param app [#call]
    def initialize(app)
      @app = app
    end

    # @param env [Hash]
    # @return [Array] Rack response
    def call(env)
      FORWARDED.each { |name| env.delete(name) }
      refused = unreadable(env)
      return refused if refused

      request = Rack::Request.new(env)
      return refuse("foreign_host", "This address is not served here.") unless HOSTS.include?(request.host)
      return refuse("foreign_origin", "Requests from other sites are refused.") if foreign?(env, request)

      refused = WRITING.include?(request.request_method) && unwelcome(request)
      return refused if refused

      status, headers, body = @app.call(env)
      [status, HEADERS.merge(headers), body]
    end

    private

    # Addresses that are too long, or whose signs are none.
    def unreadable(env)
      path, query = env.values_at("PATH_INFO", "QUERY_STRING").map(&:to_s)
      return refuse("too_long", "The address is too long.", 414) if path.bytesize + query.bytesize > LONGEST

      refuse("bad_request", "The address can't be read.", 400) unless [path, query].all? { |part| readable?(part) }
    end

    def readable?(part)
      text = part.gsub(/%(\h\h)/) { Regexp.last_match(1).hex.chr }.b.force_encoding(Encoding::UTF_8)
      text.valid_encoding? && !text.include?("\0")
    end

    # Bodies are refused by what they declare, before they are read.
    def unwelcome(request)
      most = CARRIED[request.media_type]
      return refuse("form", "Send JSON, or the bytes of a file as application/octet-stream.", 415) unless most
      return nil if request.content_length.to_i <= most

      refuse("too_large", most < 1 << 20 ? "The request is too large." : "The file is larger than #{most >> 20} MB. Export it as FLAC or MP3.", 413)
    end

    def foreign?(env, request)
      # A link from elsewhere may lead here; nothing else may come from there, and a form least of all.
      followed = env["HTTP_SEC_FETCH_MODE"] == "navigate" && %w[GET HEAD].include?(env["REQUEST_METHOD"])
      return true if env["HTTP_SEC_FETCH_SITE"] == "cross-site" && !followed

      origin = env["HTTP_ORIGIN"]
      origin && origin != "#{request.scheme}://#{request.host_with_port}"
    end

    def refuse(code, message, status = 403)
      [status, HEADERS.merge("content-type" => "application/json"), [JSON.generate(error: { code:, message: })]]
    end
  end
end
