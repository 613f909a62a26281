# frozen_string_literal: true

module Store
  # The same recording is in the study already.
  class Duplicate < StandardError; end
end
