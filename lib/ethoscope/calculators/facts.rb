# frozen_string_literal: true

module Ethoscope
  module Calculators
    # What of a song goes into blanks, by their names, as one writes it. The way is our own.
    class Facts
      # Chords at the most that are written out.
      CHORDS = 8

      # @param vector [Measures::Vector]
      # @param layer [String] of which notes are asked for
      def initialize(vector, layer)
        @vector = vector
        @layer = layer
      end

      # @return [Hash{Symbol => String}] without what the song does not tell
      def to_h
        @to_h ||= { bpm:, sample_bpm: bpm, from_bpm: bpm, key:, sample_key: key, from: key, wanted: key, meter: @vector.value("time.meter"), a4:, sections:, chords:,
                    chord: chords&.split&.first, degrees:, percent:, first: level("mix.loudness"), lufs: level("mix.loudness"), peak: level("mix.peak"), **register }.compact
      end

      private

      def bpm = @vector.bpm && Figures.plain(@vector.bpm, 2)

      def key = @vector.key&.to_s

      def a4 = @vector.value("harmony.tuning")&.then { |cents| Figures.plain(440 * (2**(cents / 1200.0)), 2) }

      def sections = @vector.of("form.section").map { |section| section.place.bars }.join(" ").then { |text| text.empty? ? nil : text }

      # Those of the section that lasts longest.
      def chords
        longest = @vector.of("harmony.chords").max_by { |told| told.place.bars.to_i }
        longest && longest.value.map { |chord| chord[:symbol] }.uniq.first(CHORDS).join(" ")
      end

      def degrees = @vector.value("harmony.loop")&.fetch(:degrees)&.join(" ")

      def percent = @vector.value("groove.swing")&.then { |swing| swing[:ratio] if swing.is_a?(Hash) }&.then { |ratio| Figures.plain(ratio * 100, 1) }

      def level(id) = @vector.value(id)&.then { |value| value.is_a?(Numeric) ? value.round(1).to_s : nil }

      def register
        told = @vector.of("lines.register").select { |one| one.place.name == @layer }
        return {} if told.empty?

        low, high = [told.map { |one| one.value[:low] }.min, told.map { |one| one.value[:high] }.max].map { |pitch| named(pitch.round) }
        { lowest: low, highest: high, note: low }
      end

      def named(pitch) = Harmony::NoteName.of(pitch, @vector.key || Measures::Restatement::UNKEYED)
    end
  end
end
