# frozen_string_literal: true

require "json"

module Api
  # A request that can't be carried out: what was wrong and what to do, and which field it was.
  class Problem < StandardError
    # What a server answers that can't even read a request, or fails outside the application.
    #
    # @param error [Exception]
    # @return [Array] Rack response
    def self.unread(error)
      problem = unreadable(error) || new(500, "unexpected", "Something went wrong inside Ethoscope. Nothing was changed; try again.")
      warn "#{error.class}: #{error.message}" if problem.status == 500
      [problem.status, Guard::HEADERS.merge("content-type" => "application/json"), [JSON.generate(problem.to_h)]]
    end

    # What the server's own reader of requests gives up on, by what it says of it.
    def self.unreadable(error)
      return nil unless error.is_a?(Puma::HttpParserError)

      case error.message
      when /QUERY_STRING|REQUEST_PATH|REQUEST_URI|FRAGMENT/ then new(414, "too_long", "The address is too long.")
      when /HEADER|FIELD/ then new(431, "headers_too_large", "The headers of the request are too large.")
      else new(400, "bad_request", "The request can't be read.")
      end
    end
    private_class_method :unreadable

    # @return [Integer] HTTP status
    attr_reader :status
    # @return [String]
    attr_reader :code
    # @return [String, nil]
    attr_reader :field

    # @param status [Integer]
    # @param code [String]
    # @param message [String]
    # @param field [String, nil]
    def initialize(status, code, message, field = nil)
      super(message)
      @status = status
      @code = code
      @field = field
    end

    # @return [Hash] the body of the answer
    def to_h = { error: { code:, message:, field: }.compact }
  end
end
