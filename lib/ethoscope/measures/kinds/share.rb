# frozen_string_literal: true

module Ethoscope
  module Measures
    module Kinds
      # A part of a whole, in per cent. The way is our own.
      class Share < Number
        # @return [Symbol]
        def name = :share
      end
    end
  end
end
