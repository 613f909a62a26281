# frozen_string_literal: true

module Api
  # A request that can't be carried out: what was wrong and what to do, and which field it was.
  class Problem < StandardError
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
