# frozen_string_literal: true

module Ethoscope
  module Attempts
    module Finders
      # Bars that the attempt leaves out or has beside those of the reference. The way is our own.
      class Form
        # What is missing before or behind an attempt at a part of the song is meant so; of a whole one, this many bars at either end are a matter of counting.
        EDGE_BARS = 2
        # An attempt at less than this share of the song is an attempt at a part.
        PART = 0.6

        # @param laid [Laid]
        def initialize(laid)
          @laid = laid
        end

        # @return [Array<Difference>]
        def differences = cut + added

        private

        def alignment = @laid.alignment

        def size = @laid.reference.size

        # A loop leaves out nothing: it is laid where it fits.
        def cut
          return [] if alignment.kind == "loop"

          alignment.cut.reject { |run| meant?(run) }.map do |run|
            bars = [[run.first, run.last]]
            Difference.of(kind: "form", measure: "form.sections", bars:, reference: bars_words(run.size), attempt: "missing", distance: run.size, tolerance: 1, unit: "bars",
              words: "Yours leaves out #{@laid.where(bars)}.", how: ["Put #{bars_words(run.size)} in after bar #{run.first - 1}, as in #{@laid.where(bars)} of the reference."])
          end
        end

        # Only the ends of an attempt at a part, or a bar or two of fading at the ends of a whole one.
        def meant?(run)
          at_end = run.first == 1 || run.last == size
          at_end && (run.size <= EDGE_BARS || @laid.bars.size < PART * size || (@laid.wishes.bars && run.first > @laid.wishes.bars))
        end

        def added
          alignment.added.reject { |run| run.size <= EDGE_BARS && (run.last == @laid.attempt.size || run.first == 1) }.map do |run|
            behind = alignment.behind(run.first)
            Difference.of(kind: "form_added", measure: "form.sections", bars: [[[behind, 1].max] * 2], reference: "not there", attempt: bars_words(run.size), distance: run.size,
              unit: "bars", words: "Yours has #{bars_words(run.size)} more after bar #{behind}.", how: ["Take out bars #{run.first} to #{run.last} of yours."])
          end
        end

        def bars_words(count) = "#{count} #{count == 1 ? "bar" : "bars"}"
      end
    end
  end
end
