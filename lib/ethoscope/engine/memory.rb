# frozen_string_literal: true

require "fiddle"

module Ethoscope
  module Engine
    # Gives back to the system what is no longer used: Ruby clears arrays of numbers away late, and the C library keeps what was freed
    # in between what lives on. A recording of twenty minutes would need half as much again. The method is our own.
    module Memory
      # The C library's own function for it, where it has one.
      TRIM = begin
        Fiddle::Function.new(Fiddle::Handle::DEFAULT["malloc_trim"], [Fiddle::TYPE_SIZE_T], Fiddle::TYPE_INT)
      rescue Fiddle::DLError
        nil
      end
      private_constant :TRIM

      # @return [void]
      def self.release
        GC.start
        TRIM&.call(0)
        nil
      end
    end
  end
end
