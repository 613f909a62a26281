# frozen_string_literal: true

module Store
  # The disk has no room for what was to be stored.
  class DiskFull < StandardError; end
end
