# frozen_string_literal: true

module Ethoscope
  # Turns value objects into plain data and back into data with symbol keys.
  module Plain
    # @param object [Object] values, arrays, hashes, numbers
    # @return [Object] the same in hashes, arrays and scalars, frozen throughout
    def self.frozen(object)
      case object
      when Struct then object.to_h.transform_values { |part| frozen(part) }.freeze
      when Hash then object.transform_values { |part| frozen(part) }.freeze
      when Array then object.map { |part| frozen(part) }.freeze
      else object
      end
    end

    # @param bytes [String] text that somebody wrote, in whatever encoding
    # @return [String] UTF-8 without control characters
    def self.text(bytes)
      utf8 = bytes.dup.force_encoding(Encoding::UTF_8)
      utf8 = bytes.dup.force_encoding(Encoding::ISO_8859_1).encode(Encoding::UTF_8) unless utf8.valid_encoding?
      utf8.gsub(/[[:cntrl:]]/, " ")
    end

    # @param object [Object] parsed JSON
    # @return [Object] the same with symbol keys
    def self.symbolized(object)
      case object
      when Hash then object.to_h { |name, part| [name.to_sym, symbolized(part)] }
      when Array then object.map { |part| symbolized(part) }
      else object
      end
    end
  end
end
