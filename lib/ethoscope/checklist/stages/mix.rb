# frozen_string_literal: true

module Ethoscope
  module Checklist
    module Stages
      # Loudness, levels from section to section, spectrum and width.
      class Mix < Stage
        NAME = "Mix"
        CLAIMS = %w[mix.loudness mix.range mix.peak mix.level mix.spectrum mix.width mix.registers mix.widths].freeze
        # Registers of the spectrum: names, and how many third octaves each has, from 25 Hz up.
        BANDS = { "up to 63 Hz" => 5, "80 to 200 Hz" => 5, "250 to 630 Hz" => 5, "800 Hz to 2 kHz" => 5, "2.5 to 5 kHz" => 4, "from 6.3 kHz" => 5 }.freeze
        MIDDLE = "800 Hz to 2 kHz"
        # Registers of the width, see {Measures::Families::Mix::REGISTERS}.
        REGISTERS = ["below 120 Hz", "120 to 500 Hz", "500 Hz to 2 kHz", "2 to 6 kHz", "above 6 kHz"].freeze

        private

        def claimed = brief.profile ? [loudness, width] : [loudness, dynamics, levels, spectrum, width]

        def loudness
          level = one("mix.loudness") or return nil
          item("Loudness", [level], tolerance: "±#{level.tolerance} LU", minutes: 15,
            steps: ["The reference stands at #{level.words}, mastered: turn it down to yours before you compare."])
        end

        def dynamics
          range = one("mix.range")
          peak = one("mix.peak")
          return nil unless range

          item("Range and true peak", [range, peak].compact, target: [range&.words, peak&.words].compact.join(", "), minutes: 10,
            tolerance: [range, peak].compact.map(&:tolerance_words).join(", "))
        end

        # How much louder each section is than the one before.
        def levels
          levels = of("mix.level")
          return nil if levels.size < 2

          steps = levels.each_with_index.map do |level, i|
            step = i.zero? ? "" : ", #{against((level.value - levels[i - 1].value).round(1))} the one before"
            "#{level.place.label}, #{Wording.bars(level.place)}: #{level.words}#{step}."
          end
          item("Levels from section to section", levels, target: "#{levels.map(&:value).minmax.map { |value| Readings::Words.signed(value, 1) }.join(" to ")} LUFS",
            tolerance: levels.first.tolerance_words, minutes: 15, steps:)
        end

        def against(units)
          return "as loud as" if units.zero?

          "#{units.abs} LU #{units.positive? ? "above" : "below"}"
        end

        def spectrum
          spectrum = one("mix.spectrum") or return nil
          item("Spectrum", [spectrum], target: "as the reference, register by register", tolerance: spectrum.tolerance_words, minutes: 15,
            steps: bands(spectrum.value).map { |name, level| "#{name}: #{Readings::Words.signed(level.round(1), 1)} dB against #{MIDDLE}." })
        end

        # The mean of each register, against that of the middle.
        def bands(curve)
          first = 0
          means = BANDS.to_h { |name, size| [name, curve[first, size]].tap { first += size } }.reject { |_, levels| levels.nil? || levels.empty? }
                       .transform_values { |levels| levels.sum / levels.size }
          means.except(MIDDLE).transform_values { |level| level - means.fetch(MIDDLE, 0) }
        end

        def width
          width = one("mix.width") or return nil
          item("Stereo width", [width, *(brief.profile ? [] : [one("mix.registers"), *of("mix.widths")].compact)], tolerance: "±#{Measures::Kinds.plain(width.tolerance)} %",
            steps: brief.profile ? [] : registers + sections)
        end

        def registers
          registers = one("mix.registers") or return []
          ["By register: #{REGISTERS.zip(registers.value).map { |name, side| "#{name} #{side.round} %" }.join("; ")}."]
        end

        def sections
          told = of("mix.widths").map { |width| [width.value.round, "#{width.place.label} (bar #{width.place.first_bar}) #{width.value.round} %"] }
          told.map(&:first).uniq.size < 2 ? [] : ["By section: #{told.map(&:last).join("; ")}."]
        end
      end
    end
  end
end
