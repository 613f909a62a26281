# frozen_string_literal: true

module Ethoscope
  # Makes small immutable value objects: built from keywords, frozen, equal by content, open to pattern matching.
  #
  #   Meter = Value.of(:beats, :unit)
  #   Meter.new(beats: 4, unit: 4) == Meter.new(beats: 4, unit: 4) # => true
  module Value
    # @param names [Array<Symbol>] the attributes
    # @return [Class] a Struct class whose instances are frozen and demand every attribute
    # @raise [ArgumentError] when an instance is built with an attribute missing or unknown
    def self.of(*names, &body)
      Struct.new(*names, keyword_init: true) do
        define_method(:initialize) do |**attributes|
          missing = names - attributes.keys
          raise ArgumentError, "missing: #{missing.join(", ")}" unless missing.empty?

          super(**attributes)
          freeze
        end
        class_eval(&body) if body
      end
    end
  end
end
