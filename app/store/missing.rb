# frozen_string_literal: true

module Store
  # Something that was asked for is not there.
  class Missing < StandardError; end
end
