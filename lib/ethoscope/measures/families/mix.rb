# frozen_string_literal: true

module Ethoscope
  module Measures
    module Families
      # Loudness, spectrum and width. The way is our own.
      module Mix
        LOUDNESS = Measure.new(
          id: "mix.loudness", name: "loudness", unit: "LUFS", scope: :song,
          kind: Kinds::Number.new,
          exact: 1.0, style: 1.5, stage: "Mix", rests_on: %w[loudness],
          reader: ->(song) { song.whole(song.data[:loudness][:integrated], aspect: "loudness") }
        )

        RANGE = Measure.new(
          id: "mix.range", name: "loudness range", unit: "LU", scope: :song,
          kind: Kinds::Number.new,
          exact: 1.0, style: 2.0, stage: "Mix", rests_on: %w[loudness],
          reader: ->(song) { song.whole(song.data[:loudness][:range], aspect: "loudness") }
        )

        PEAK = Measure.new(
          id: "mix.peak", name: "true peak", unit: "dBTP", scope: :song,
          kind: Kinds::Number.new,
          exact: 0.5, style: 1.0, stage: "Mix", rests_on: %w[loudness],
          reader: ->(song) { song.whole(song.data[:loudness][:true_peak], aspect: "loudness") }
        )

        WIDTH = Measure.new(
          id: "mix.width", name: "stereo width", unit: "% side energy", scope: :song,
          kind: Kinds::Share.new(digits: 0),
          exact: 5, style: 10, stage: "Mix", rests_on: %w[loudness],
          reader: lambda { |song|
            widths = song.data[:bars].map { |bar| bar[:width] }
            song.whole(widths.empty? ? nil : (widths.sum / widths.size * 100).round(1), aspect: "loudness")
          }
        )

        SPECTRUM = Measure.new(
          id: "mix.spectrum", name: "spectrum by third octave", unit: "dB", scope: :song,
          kind: Kinds::Curve.new,
          exact: 2.0, style: 4.0, stage: "Mix", rests_on: %w[loudness],
          reader: ->(song) { song.whole(song.data[:mix][:spectrum].then { |bands| bands.empty? ? nil : bands }, aspect: "loudness") }
        )

        LEVEL = Measure.new(
          id: "mix.level", name: "level", unit: "LUFS", scope: :section,
          kind: Kinds::Number.new,
          exact: 1.0, style: 3.0, stage: "Mix", rests_on: %w[loudness],
          reader: ->(song) { song.by_section(aspect: "loudness", sure: ->(_) { 1.0 }) { |section| SongForm.level(song, section).round(1) } }
        )

        # Side energy by register, from low end to top.
        REGISTERS = Measure.new(
          id: "mix.registers", name: "stereo width by register", unit: "% side energy", scope: :song,
          kind: Kinds::Curve.new(digits: 0),
          exact: 3.0, style: 6.0, stage: "Mix", rests_on: %w[loudness],
          reader: ->(song) { song.whole(song.data[:mix][:registers].then { |bands| bands.empty? ? nil : bands.map { |band| (band[:side] * 100).round(1) } }, aspect: "loudness") }
        )

        WIDTHS = Measure.new(
          id: "mix.widths", name: "stereo width", unit: "% side energy", scope: :section,
          kind: Kinds::Share.new(digits: 0),
          exact: 5, style: 10, stage: "Mix", rests_on: %w[loudness],
          reader: lambda { |song|
            song.by_section(aspect: "loudness", sure: ->(_) { 1.0 }) do |section|
              bars = song.bars_of(section)
              (bars.sum { |bar| bar[:width] } / bars.size * 100).round(1) if bars.any?
            end
          }
        )

        MEASURES = [LOUDNESS, RANGE, PEAK, WIDTH, REGISTERS, WIDTHS, SPECTRUM, LEVEL].freeze
      end
    end
  end
end
