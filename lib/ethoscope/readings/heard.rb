# frozen_string_literal: true

module Ethoscope
  module Readings
    # A person's values for aspects, checked and put into statements.
    module Heard
      LONGEST = 300

      # @param aspect [String] one of {Reader::ASPECTS}
      # @param value [Hash] tempo: bpm and changes; meter: name and first_downbeat; key: tonic, mode and modulations; form: entries; else text
      # @return [String]
      # @raise [Errors::Unfit] when the value does not fit the aspect
      def self.statement(aspect, value)
        raise Errors::Unfit, "unknown aspect: #{aspect}" unless Reader::ASPECTS.include?(aspect)

        worded(aspect, Values.checked(aspect, value))
      end

      def self.worded(aspect, value)
        case aspect
        when "tempo" then tempo(value)
        when "meter" then "#{Rhythm::Meter.named(value[:name]).name} time"
        when "key" then key(value)
        else value[:entries] ? form(value[:entries]) : text(value[:text])
        end
      end
      private_class_method :worded

      def self.tempo(value) = [format("%.2f BPM", value[:bpm]), *("as played" if value[:follows]), *value.fetch(:changes, []).map { |change| change(**change) }].join(", ")
      private_class_method :tempo

      def self.change(bpm:, to: nil, bars: nil, **)
        to ? format("then from %<bpm>.2f to %<to>.2f in %<bars>d bars", bpm:, to:, bars:) : format("then %.2f", bpm)
      end
      private_class_method :change

      def self.key(value) = [value, *value[:modulations]].map { |key| Words.signs(Harmony::Key.named(key[:tonic], key[:mode]).to_s) }.join(", then ")
      private_class_method :key

      def self.form(entries) = "#{Words.number(entries.size).capitalize} section#{"s" if entries.size > 1}"
      private_class_method :form

      def self.text(text)
        said = text.strip
        raise Errors::Unfit, "say what you hear" if said.empty?

        said[0, LONGEST]
      end
      private_class_method :text
    end
  end
end
