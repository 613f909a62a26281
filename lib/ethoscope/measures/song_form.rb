# frozen_string_literal: true

module Ethoscope
  module Measures
    # Sections of a song as its measures tell them. The way is our own.
    module SongForm
      # The gate of loudness meters: nothing is quieter (ITU-R BS.1770-4).
      SILENT_LUFS = -70.0
      # Per cent of energy where all bars are as loud.
      EVEN = 50.0

      # @param song [Subject]
      # @param value [Object, nil]
      # @return [Array<Hash>] as sure as the sections are in the mean
      def self.whole(song, value)
        sure = song.sections.filter_map { |section| section[:confidence] }
        song.whole(value, aspect: "form", sure: sure.empty? ? 1.0 : (sure.sum / sure.size).round(3))
      end

      # To a tenth of a decibel, so that of two passes that are as loud the first one counts.
      #
      # @param song [Subject]
      # @return [Hash, nil] the loudest section: label, first_bar and bars
      def self.peak(song) = song.sections.max_by { |section| level(song, section).round(1) }&.slice(:label, :first_bar, :bars)

      # @param song [Subject]
      # @param section [Hash]
      # @return [Float] mean level of its bars in LUFS
      def self.level(song, section)
        bars = song.bars_of(section)
        bars.empty? ? SILENT_LUFS : bars.sum { |bar| bar[:energy] } / bars.size
      end

      # @param song [Subject]
      # @return [Array<Hash>] for each section its mean level between the song's quietest and loudest bar, in per cent
      def self.energy(song)
        low, high = song.data[:bars].map { |bar| bar[:energy] }.minmax
        song.by_section(aspect: "form", sure: ->(_) { 1.0 }) { |section| high > low ? ((level(song, section) - low) / (high - low) * 100).round(1) : EVEN }
      end
    end
  end
end
