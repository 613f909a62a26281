# frozen_string_literal: true

module Ethoscope
  module Calculators
    # What of a song, and of the new track where it is said, goes into the blanks of each sentence. Where a sentence leads from one place to another, the song is
    # where it starts. The way is our own.
    class Known
      # Blanks of the place where a sentence starts.
      STARTS = %i[sample_bpm sample_key from_bpm from].freeze
      # Bars of the loop at the most that are written out.
      CHORDS = 8

      # @param vector [Measures::Vector] of the song
      # @param bpm [Numeric, nil] of the new track
      # @param key [Harmony::Key, nil] of the new track
      # @param layer [String, nil] the layer that is asked about
      def initialize(vector, bpm: nil, key: nil, layer: nil)
        @vector = vector
        @bpm = bpm
        @key = key
        @layer = layer
      end

      # @return [Array<String>] layers with a register
      def layers = @vector.of("lines.register").map { |told| told.place.name }.uniq

      # @return [Hash{String => Hash{String => String}}] by calculation and blank what is known, as one writes it
      def to_h
        Reckoner::ALL.to_h { |calculator| [calculator::ID, filled(calculator).transform_keys(&:to_s)] }.reject { |_, blanks| blanks.empty? }
      end

      private

      # The song's own figures where nothing leads away from it.
      def filled(calculator)
        names = calculator::BLANKS.map(&:name)
        away = names.intersect?(STARTS) ? { bpm: @bpm && Figures.plain(@bpm, 2), key: @key&.to_s } : {}
        song.merge(away.compact).slice(*names)
      end

      def song
        @song ||= { bpm:, sample_bpm: bpm, from_bpm: bpm, key: key, sample_key: key, from: key, wanted: @key&.to_s || key, meter: @vector.value("time.meter"), a4:,
                    sections:, chords:,
                    chord: chords&.split&.first, degrees:, percent:, first: level("mix.loudness"), lufs: level("mix.loudness"), peak: level("mix.peak"), **register }.compact
      end

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
        told = @vector.of("lines.register").select { |one| one.place.name == (@layer || "bass") }
        return {} if told.empty?

        low, high = [told.map { |one| one.value[:low] }.min, told.map { |one| one.value[:high] }.max].map { |pitch| named(pitch.round) }
        { lowest: low, highest: high, note: low }
      end

      def named(pitch) = Harmony::NoteName.of(pitch, @vector.key || Measures::Restatement::UNKEYED)
    end
  end
end
