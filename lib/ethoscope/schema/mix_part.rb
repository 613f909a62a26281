# frozen_string_literal: true

module Ethoscope
  class Schema
    # Loudness, spectrum and width.
    class MixPart
      # Values of the short-term series per second.
      SERIES_RATE = 1.0

      # @param findings [Engine::Findings]
      def initialize(findings, _confidence)
        @found = findings
        @field = findings.features.field
        @width = Audio::Width.new(@field)
        @balance = Audio::Balance.new(@field)
      end

      # @return [Hash]
      def to_h
        loudness = Audio::Loudness.new(@field)
        { loudness: { integrated: loudness.integrated, range: loudness.range, loudest_short_term: loudness.loudest, true_peak: @found.features.true_peak,
                      peak_db: (20 * Math.log10(@found.features.peak)).round(1), short_term: series(loudness.short_term) },
          mix: { centres: Audio::SoundField::CENTRES, spectrum: @balance.long_term, registers: @width.registers(0, @found.features.duration), sections: } }
      end

      private

      def series(values)
        step = (1 / (SERIES_RATE * @field.hop_seconds)).round
        (0...values.size).step(step).map { |frame| values[frame].round(1) }
      end

      def sections
        @found.parts.sections.map do |section|
          span = [section.start, section.end]
          { first_bar: section.first_bar, against_mean: @balance.against_mean(*span), registers: @width.registers(*span) }
        end
      end
    end
  end
end
