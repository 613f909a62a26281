# frozen_string_literal: true

module Ethoscope
  module Readings
    # A person's values for aspects, checked and put into statements.
    module Heard
      LONGEST = 300

      # @param aspect [String] one of {Reader::ASPECTS}
      # @param value [Hash] tempo: bpm and changes; meter: name and first_downbeat; key: tonic, mode and modulations; form: entries; else text
      # @return [String]
      # @raise [ArgumentError] when the value does not fit the aspect
      def self.statement(aspect, value)
        raise ArgumentError, "unknown aspect: #{aspect}" unless Reader::ASPECTS.include?(aspect)

        case aspect
        when "tempo" then tempo(value)
        when "meter" then "#{Rhythm::Meter.named(value[:name]).name} time"
        when "key" then key(value)
        else value[:entries] ? form(value[:entries]) : text(value[:text])
        end
      end

      def self.tempo(value)
        bpm = Float(value[:bpm])
        changes = value[:changes] || []
        Corrections.of(bpm:, tempo_changes: changes)
        [format("%.2f BPM", bpm), *changes.map { |change| format("then %.2f", change[:bpm]) }].join(", ")
      rescue TypeError, KeyError
        raise ArgumentError, "a tempo is a number"
      end
      private_class_method :tempo

      def self.key(value)
        raise ArgumentError, "a key has a tonic and a mode" unless value[:tonic] && value[:mode]

        names = [value, *value[:modulations]].map { |key| Words.signs(Harmony::Key.named(key[:tonic], key[:mode]).to_s) }
        names.join(", then ")
      end
      private_class_method :key

      def self.form(entries)
        raise ArgumentError, "a song has at least one section" if entries.empty?

        "#{Words.number(entries.size).capitalize} section#{"s" if entries.size > 1}"
      end
      private_class_method :form

      def self.text(text)
        said = text.to_s.strip
        raise ArgumentError, "say what you hear" if said.empty?

        said[0, LONGEST]
      end
      private_class_method :text
    end
  end
end
