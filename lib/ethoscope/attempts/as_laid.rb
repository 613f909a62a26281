# frozen_string_literal: true

module Ethoscope
  module Attempts
    # An attempt in the sections of its reference, so that what is measured section by section is measured over the same bars. The way is our own.
    module AsLaid
      # @param attempt [Analysis]
      # @param map [BarMap]
      # @param reference [Analysis]
      # @return [Analysis] the attempt; sections of which it has no bar are left out
      def self.of(attempt, map, reference)
        bars = map.bars
        sections = reference.fetch(:sections).filter_map do |section|
          section(section, attempt, (section[:first_bar]...(section[:first_bar] + section[:bars])).filter_map do |bar|
            bars[bar]
          end)
        end
        Analysis.new(attempt.to_h.merge(sections:))
      end

      def self.section(section, attempt, laid)
        return nil if laid.empty?

        first, last = laid.minmax
        told = attempt.fetch(:bars)
        section.merge(first_bar: first, bars: last - first + 1, start: told[first - 1][:start], end: told[last - 1][:end])
      end
      private_class_method :section
    end
  end
end
