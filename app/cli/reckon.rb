# frozen_string_literal: true

require "json"

module Cli
  # The reckoner on the command line: `ethoscope reckon` lists its sentences, `reckon NAME` shows one with its blanks, `reckon NAME blank=value …` works it out.
  class Reckon
    # @param arguments [Array<String>] what stands behind the verb
    # @param json [Boolean]
    def initialize(arguments, json: false)
      @id, *@blanks = arguments
      @json = json
    end

    # @return [String]
    # @raise [Ethoscope::Errors::Unfit]
    def to_s
      return list unless @id

      calculator = Ethoscope::Calculators::Reckoner.find(@id)
      return asked(calculator) if @blanks.empty?

      answer = calculator.answer(written)
      @json ? JSON.pretty_generate(answer.to_h) : worked_out(calculator, answer)
    end

    private

    def list
      groups = Ethoscope::Calculators::Reckoner.to_h
      return JSON.pretty_generate(groups) if @json

      groups.map do |group|
        [group[:name], *group[:calculators].map do |calculator|
          format("  %<id>-20s %<sentence>s", **calculator.slice(:id, :sentence))
        end].join("\n")
      end.join("\n\n")
    end

    def asked(calculator)
      told = calculator.to_h
      return JSON.pretty_generate(told) if @json

      blanks = told[:blanks].map do |blank|
        usual = blank[:open] ? "may be left out: worked out" : "#{blank[:usual]} where nothing is said"
        "  #{blank[:name]}=…  #{blank[:about]}#{", #{blank[:unit]}" unless blank[:unit].empty?} (#{usual}#{"; one of #{blank[:choices].join(", ")}" if blank[:choices]})"
      end
      [told[:sentence], *blanks].join("\n")
    end

    def worked_out(calculator, answer)
      lines = answer.lines.map { |line| "#{line.name}: #{line.figure}#{" (#{line.note})" unless line.note.empty?}" }
      [calculator.to_h[:sentence].gsub(/\{(\w+)\}/) { written[Regexp.last_match(1)] || answer.filled[Regexp.last_match(1).to_sym] || usual(calculator, Regexp.last_match(1)) },
       "", *lines, *answer.warnings.map { |warning| "Mind: #{warning}" }, "Rounded: #{answer.rounding}"].join("\n")
    end

    def usual(calculator, name) = calculator::BLANKS.find { |blank| blank.name.to_s == name }.usual

    def written
      @written ||= @blanks.to_h do |blank|
        name, value = blank.split("=", 2)
        raise Ethoscope::Errors::Unfit, "write a field as NAME=VALUE, such as bpm=84.5, not “#{Ethoscope::Plain.text(blank)}”" unless value

        [name, value]
      end
    end
  end
end
