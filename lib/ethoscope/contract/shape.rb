# frozen_string_literal: true

module Ethoscope
  module Contract
    # A named type with a sentence on what it is ("" where the name says it).
    Shape = Value.of(:name, :type, :about)
  end
end
