# frozen_string_literal: true

module Ethoscope
  module Midi
    # What a score says as plain data: how it lies over the recording, and for each part what the notes tell exactly. After Standard MIDI Files 1.0.
    class ScoreFacts
      # @param score [Score]
      # @param parts [Array<Part>]
      # @param placement [Placement]
      # @param grid [Rhythm::BeatGrid]
      # @param sections [Array<Form::Section>]
      def initialize(score, parts, placement, grid, sections)
        @score = score
        @parts = parts
        @placement = placement
        @grid = grid
        @sections = sections
      end

      # @return [Hash] for the schema
      def to_h
        { bpm: @score.bpm, tempo_changes: @score.tempos.size - 1, meter: "#{@score.meter.numerator}/#{@score.meter.denominator}", keys: @score.keys.map(&:to_h),
          markers: @score.markers.map { |marker| { text: marker.text, bar: bar(marker.at) } }, warnings: @score.warnings,
          placement: { kind: @placement.kind.to_s, offset: @placement.offset, agreement: @placement.agreement, believable: @placement.believable?, told: @placement.told? },
          parts: @parts.map { |part| PartStudy.new(part, @placement, @grid, @sections).to_h } }
      end

      private

      def bar(quarters) = (@grid.position(@placement.seconds(quarters)) / @grid.meter.beats).round + 1
    end
  end
end
