# frozen_string_literal: true

module Ethoscope
  module Techniques
    # The steps of an entry with the figures of one sighting, told in the tempo and key of the new track. The method is our own.
    class HowTo
      # Lengths in quarters that steps speak of in milliseconds.
      LENGTHS = { "thirty_second_ms" => 0.125, "sixteenth_ms" => 0.25, "eighth_ms" => 0.5, "dotted_eighth_ms" => 0.75, "quarter_ms" => 1.0, "pump_release_ms" => 0.75 }.freeze
      # Note values that a sighting or an entry names, in quarters.
      UNITS = Rhythm::NoteValue::QUARTERS.merge("16th" => 0.25, "8th" => 0.5).freeze
      USUAL_BPM = 120.0
      # Tempos that are one.
      SAME = 1e-9
      NUMBER = /\A-?\d/
      FIGURE = /%\{(\w+)\}/

      # @param bpm [Float, nil] of the new track, in beats
      # @param key [Harmony::Key, nil] of the new track
      # @param meter [Rhythm::Meter] of the reference
      # @param shift [Integer] semitones from the reference's key to the new one
      # @param ratio [Float] the new tempo by the reference's
      def initialize(bpm:, key:, meter:, shift: 0, ratio: 1.0)
        @bpm = bpm || USUAL_BPM
        @key = key
        @meter = meter
        @shift = shift
        @ratio = ratio
      end

      # @param entry [Entry]
      # @param sighting [Hash] detail, first_bar and last_bar, as in the schema; empty when there is none
      # @return [Array<String>]
      def steps(entry, sighting = {})
        figures = figures(entry, sighting)
        usual = sighting.empty? ? [] : entry.defaults.select { |_, value| value.match?(NUMBER) }.keys - (sighting[:detail] || {}).keys.map(&:to_s)
        entry.steps.map { |step| filled(step, figures, usual) }
      end

      private

      # What was not measured is said to be a place to start from.
      def filled(step, figures, usual)
        names = step.scan(FIGURE).flatten
        text = step.gsub(FIGURE) { figures.fetch(Regexp.last_match(1)) }
        text = grammatical(text)
        names.intersect?(usual) ? "#{text.delete_suffix(".")} (a place to start from; it was not measured)." : text
      end

      # A figure or a note value in the middle of a sentence takes its article and its number with it: an eighth, 1 bar.
      def grammatical(text)
        text.gsub(/\b([Aa]) (?=[aei]|o(?!ne)|8|11\b|18\b)/, '\1n ').gsub(/\b1 ([a-z]{3,}?)s\b(?<!ss)/, '1 \1')
      end

      def beat_ms = 60_000.0 / @bpm

      def quarter_ms = beat_ms / @meter.quarters_per_beat

      def figures(entry, sighting)
        told = entry.defaults.merge((sighting[:detail] || {}).to_h { |name, value| [name.to_s, word(name.to_s, value)] })
        times(told).merge({ "bars" => bars(sighting), "bpm" => number(@bpm.round(2)), "key" => @key ? "#{@key.tonic} #{@key.mode}" : "your key",
                            "beat_ms" => number(beat_ms.round), "bar_ms" => number((beat_ms * @meter.beats).round) }).merge(told)
      end

      def times(told)
        beats = Float(told["beats"], exception: false) || 1.0
        length = number((beats * beat_ms).round)
        lengths = LENGTHS.transform_values { |quarters| number((quarters * quarter_ms).round) }
        lengths.merge("gap_ms" => length, "riser_ms" => length, "silence_ms" => length, "slice_ms" => length,
          "unit_ms" => number((UNITS.fetch(told["unit"], 1.0) * quarter_ms).round),
          "turn_ms" => number(((Float(told["turn_bars"], exception: false) || 1.0) * beat_ms * @meter.beats).round))
      end

      def bars(sighting)
        first, last = sighting.values_at(:first_bar, :last_bar)
        return "the section" unless first

        first == last ? "bar #{first}" : "bars #{first} to #{last}"
      end

      # A note's name moves with the key.
      def word(name, value)
        return moved(value) if name == "note"
        return value.join(", ") if value.is_a?(Array)

        value.is_a?(Numeric) ? number(restated(name, value)) : value.to_s
      end

      # Milliseconds and tempos follow the new tempo.
      def restated(name, value)
        return value if (@ratio - 1).abs < SAME
        return (value / @ratio).round(1) if name == "ms" || name.end_with?("_ms")

        name.end_with?("_bpm") ? (value * @ratio).round(1) : value
      end

      def moved(name)
        pitch = Harmony::PitchClass.parse(name) + @shift
        @key ? @key.spell(pitch % 12) : Harmony::PitchClass.spell(pitch % 12, "C")
      rescue ArgumentError
        name
      end

      def number(value) = (value % 1).zero? ? value.to_i.to_s : value.to_s
    end
  end
end
