# frozen_string_literal: true

module Ethoscope
  # Turns value objects into plain data and back into data with symbol keys.
  module Plain
    # @param object [Object] values, arrays, hashes, numbers
    # @return [Object] the same in hashes, arrays and scalars, frozen throughout; what is so already is handed back as it is
    def self.frozen(object)
      return object if !object.is_a?(Struct) && Ractor.shareable?(object)

      case object
      when String then -object
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

    # Signs that turn or join text without being seen; a name made of nothing else is no name.
    UNSEEN = /[[:cntrl:]\u00AD\u061C\u200B-\u200F\u2028-\u202E\u2060-\u206F\uFEFF]/
    # Direction overrides and isolates, which can show a name in another order than it has.
    TURNING = /[[:cntrl:]\u200E\u200F\u061C\u2028-\u202E\u2066-\u2069\uFEFF]/

    # @param bytes [String] a name that somebody or some program wrote, in whatever encoding
    # @return [String] UTF-8 without control characters and signs that turn the direction, empty when nothing is left to see
    def self.name(bytes)
      utf8 = bytes.dup.force_encoding(Encoding::UTF_8).scrub("")
      utf8.gsub(UNSEEN, "").strip.empty? ? "" : utf8.gsub(TURNING, "").strip
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
