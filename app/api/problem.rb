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
      warn "#{error.class}: #{error.message}"
      problem = new(500, "unexpected", "Something went wrong inside Ethoscope. Nothing was changed; try again.")
      [500, { "content-type" => "application/json" }, [JSON.generate(problem.to_h)]]
    end

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
