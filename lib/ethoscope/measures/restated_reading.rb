# frozen_string_literal: true

module Ethoscope
  module Measures
    # What a person says of tempo and key, in another tempo and key. The way is our own.
    module RestatedReading
      # @param aspect [String]
      # @param value [Hash, nil] of a person's reading
      # @param restatement [Restatement]
      # @return [Hash] value and statement there; empty where its words do not move
      def self.of(aspect, value, restatement)
        moved = moved(aspect, value, restatement) or return {}
        { value: moved, statement: Readings::Heard.statement(aspect, moved) }
      rescue Errors::Unfit
        {}
      end

      def self.moved(aspect, value, restatement)
        case aspect
        when "tempo" then value && RestatedTime.new({}, restatement).tempo_value(value)
        when "key" then value && key(value, restatement)
        end
      end
      private_class_method :moved

      def self.key(value, restatement)
        pitch = RestatedPitch.new({}, restatement)
        pitch.named(value).merge(value[:modulations] ? { modulations: value[:modulations].map { |stretch| pitch.named(stretch) } } : {})
      end
      private_class_method :key
    end
  end
end
