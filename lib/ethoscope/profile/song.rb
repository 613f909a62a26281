# frozen_string_literal: true

module Ethoscope
  module Profile
    # One reference as the profile sees it: its analysis, and what a person corrected.
    class Song
      # @return [String]
      attr_reader :title
      # @return [Hash] the analysis schema
      attr_reader :data

      # @param title [String]
      # @param analysis [Analysis]
      # @param corrections [Hash{String => Hash}] value by aspect: "tempo" => {bpm:}, "key" => {tonic:, mode:}, "meter" => {name:}
      def initialize(title:, analysis:, corrections: {})
        @title = title
        @data = analysis.to_h
        @corrections = corrections
        freeze
      end

      # @return [Float, nil] beats per minute
      def bpm = @corrections.dig("tempo", :bpm)&.to_f || data[:tempo][:bpm]

      # @return [String] such as "4/4"
      def meter = @corrections.dig("meter", :name) || data[:meter]

      # @return [Harmony::Key, nil]
      def key
        found = @corrections["key"] || data[:key]
        found && Harmony::Key.named(found[:tonic], found[:mode])
      end

      # @return [Integer] number of bars
      def bars = data[:bars].size

      # Degrees are read anew when the key was corrected.
      #
      # @return [Hash{String => Float}] bars spent on each degree
      def degree_bars
        beats = Rhythm::Meter.named(data[:meter]).beats.to_f
        sums = Hash.new(0.0)
        data[:chords].each { |chord| sums[degree(chord)] += chord[:beats] / beats if chord[:degree] }
        sums
      end

      # @return [Array<String>, nil] degrees of the main loop, one root each
      def loop_degrees = data[:loop] && data[:loop][:symbols].map { |symbol| plain(symbol) }

      private

      def degree(chord)
        return triad(chord[:degree]) unless @corrections["key"] && key

        root, quality = chord[:label].split(":")
        plain_degree(Harmony::PitchClass.parse(root), quality)
      end

      def plain(symbol)
        root = symbol[/\A[A-G][♭♯]*/].tr("♭♯", "b#")
        quality = symbol.sub(/\A[A-G][♭♯]*/, "")
        minor = quality.start_with?("m") && !quality.start_with?("maj")
        plain_degree(Harmony::PitchClass.parse(root), minor || quality.start_with?("dim") ? "min" : "maj")
      end

      def plain_degree(root, quality)
        base = Harmony::Degree::NUMERALS[(root - key.pitch_class) % 12]
        Harmony::Degree::SMALL.include?(quality.split("/").first) ? base.tr("IV", "iv") : base
      end

      # Sevenths and suspensions count with the triad of their degree.
      def triad(numeral) = numeral[/\A[♭♯]?[IViv]+/]
    end
  end
end
