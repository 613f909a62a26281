# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Release of pumping that is back at full level just before the next stroke: what is left of its note value after attack and hold. The way is our own.
    class PumpRelease < Calculator
      ID = "pump_release"
      GROUP = "time"
      NAME = "Release for pumping"
      SENTENCE = "At {bpm} BPM it ducks every {value}, with {attack} ms of attack and {hold} ms of hold."
      BLANKS = [Blanks::BPM, Blank.new(name: :value, about: "Note value", kind: :choice, among: ["1/2", "1/4", "1/8", "1/16"], usual: "1/4"),
                Blank.new(name: :attack, about: "Attack", unit: "ms", among: 0..500, usual: "5"),
                Blank.new(name: :hold, about: "Hold", unit: "ms", among: 0..1000, usual: "20")].freeze
      # Back at full level this share of the note value before the next stroke, so that it is heard as back.
      EARLY = 0.1

      private

      def work
        whole = 240 / given[:bpm] / given[:value].delete_prefix("1/").to_i
        left = whole - ((given[:attack] + given[:hold]) / 1000)
        Answer.start("Times to 0.1 ms.")
              .line("Longest release", Figures.ms(left), "full level just as the next stroke falls")
              .line("Release that breathes", Figures.ms([left - (EARLY * whole), 0].max), "back 10 % earlier")
              .line("Tight release", Figures.ms([left / 2, 0].max), "back half way").line("One cycle", Figures.ms(whole))
              .warn(left <= 0, "Attack and hold take the whole #{given[:value]}: nothing is left to release in.")
      end
    end
  end
end
