# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # What becomes of bars where another meter is wanted than a song has. The way is our own.
    module MeterChange
      # @param own [Meter] of the song
      # @param wanted [Meter]
      # @return [Array<String>] sentences: what can stay, and where bar lines meet
      def self.words(own, wanted)
        return beats(own, wanted) if own.compound == wanted.compound && own.denominator == wanted.denominator

        [("With the beat kept, #{own} beats in three are laid over #{wanted} beats in two: eighths become triplets." if own.compound && !wanted.compound),
         ("With the beat kept, two eighths are laid over three: straight eighths become swung." if wanted.compound && !own.compound),
         "With the eighth kept, bar lines meet after #{meeting(eighths(own), eighths(wanted))}.",
         "Bars are shown as the song has them; nothing is cut or added."].compact
      end

      def self.beats(own, wanted)
        change = if wanted.beats < own.beats
                   "the last #{plural(own.beats - wanted.beats,
                     "beat")} of each bar would go"
                 else
                   "each bar would need #{plural(wanted.beats - own.beats, "more beat")}"
                 end
        ["Bar for bar, #{change}.", "Beat for beat, bar lines meet after #{meeting(own.beats, wanted.beats)}.", "Bars are shown as the song has them; nothing is cut or added."]
      end
      private_class_method :beats

      def self.meeting(own, wanted)
        common = own.lcm(wanted)
        "#{plural(common / own, "bar")} of the song, #{plural(common / wanted, "bar")} of yours"
      end
      private_class_method :meeting

      def self.eighths(meter) = meter.numerator * 8 / meter.denominator
      private_class_method :eighths

      def self.plural(count, word) = "#{count} #{word}#{"s" if count > 1}"
      private_class_method :plural
    end
  end
end
