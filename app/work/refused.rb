# frozen_string_literal: true

module Work
  # What somebody asked for can't be done as things stand, for a reason that they can do something about.
  class Refused < StandardError
    # @return [Symbol] :invalid where what was asked for makes no sense, another word where it only has to wait
    attr_reader :code
    # @return [String, nil] what of the request it is about
    attr_reader :field

    # @param code [Symbol]
    # @param message [String] one sentence that says what to do
    # @param field [String, nil]
    def initialize(code, message, field = nil)
      super(message)
      @code = code
      @field = field
    end
  end
end
