# frozen_string_literal: true

module Ethoscope
  module Calculators
    # How a sample is brought to a track's tempo and key: by stretching and shifting, by speed alone, or by speed first and the rest shifted.
    # Twelve semitones double the frequency (equal temperament); the limits of what is heard are the trade's own. The way is our own.
    class SampleToTrack < Calculator
      ID = "sample_to_track"
      GROUP = "sample"
      NAME = "Bring a sample to the track"
      SENTENCE = "A sample at {sample_bpm} BPM in {sample_key} goes into a track at {bpm} BPM in {key}."
      BLANKS = [Blank.new(name: :sample_bpm, about: "Tempo of the sample", among: Blanks::TEMPI, usual: "90"),
                Blank.new(name: :sample_key, about: "Key of the sample", kind: :key, usual: "A minor"),
                Blank.new(name: :bpm, about: "Tempo of the track", among: Blanks::TEMPI, usual: "84.5"),
                Blank.new(name: :key, about: "Key of the track", kind: :key, usual: "C minor")].freeze
      # Beyond these a shift or a stretch is plainly heard.
      SHIFT = 4
      STRETCH = 0.15
      # The sample's tempo counted whole, half and double.
      COUNTS = { "as counted" => 1.0, "counted at half" => 0.5, "counted at double" => 2.0 }.freeze

      private

      def work
        start = Answer.start("Ratios to 0.001, shifts to a cent.")
                      .heard(ratio, shift)
                      .line("Shift", Figures.shift(shift), key_after)
                      .line("Stretch to", "#{Figures.fixed(100 / ratio,
                        1)} % of its length", "#{Figures.fixed(ratio, 3)} times as fast#{", #{count}" unless count == "as counted"}")
                      .line("By speed alone", Figures.shift(by_speed), "tempo fits; key becomes #{moved(by_speed)}")
                      .line("Speed first, then shift", Figures.shift(rest), "after the speed has moved it by #{Figures.shift(by_speed)}")
        cautions(others(start))
      end

      def others(answer)
        (COUNTS.keys - [count]).reduce(answer) do |lines, name|
          lines.line("Or #{name}", "#{Figures.fixed(100 / (given[:bpm] / (given[:sample_bpm] * COUNTS[name])), 1)} % of its length")
        end
      end

      def cautions(answer)
        answer.warn(shift.abs > SHIFT, "A shift of #{Figures.shift(shift)} is heard: voices and drums change character beyond ±#{SHIFT} semitones.")
              .warn((ratio - 1).abs > STRETCH, "A stretch by #{Figures.signed((1 / ratio * 100) - 100, 1)} % is heard: strokes smear beyond ±15 %.")
              .warn(given[:sample_key].mode != given[:key].mode, "The modes differ: #{Figures.key(given[:sample_key])} does not become #{Figures.key(given[:key])} by shifting.")
      end

      # Of the three ways to count the sample the one that stretches least.
      def count = @count ||= COUNTS.min_by { |_, factor| Math.log(given[:bpm] / (given[:sample_bpm] * factor)).abs }.first

      def ratio = given[:bpm] / (given[:sample_bpm] * COUNTS.fetch(count))

      def shift = KeyShift.nearest(given[:sample_key], given[:key])

      def by_speed = Varispeed.semitones(ratio)

      # What is left to shift once the speed has moved it, the shorter way round.
      def rest = ((shift - by_speed + 6) % 12) - 6

      def key_after = "key after it: #{Figures.key(given[:sample_key].transpose(shift))}"

      def moved(semitones)
        whole = semitones.round
        cents = ((semitones - whole) * 100).round
        "#{Figures.key(given[:sample_key].transpose(whole))}#{", #{cents.abs} cents #{cents.positive? ? "sharp" : "flat"}" unless cents.zero?}"
      end
    end
  end
end
