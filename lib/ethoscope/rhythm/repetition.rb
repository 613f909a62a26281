# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # How much rows of features resemble those some time later, for every lag at once (autocorrelation summed over columns;
    # self-similarity after Foote, "Visualizing music and audio using self-similarity", ACM Multimedia 1999).
    class Repetition
      # Musical seconds between two rows.
      STEP = 0.1
      LONGEST_LAG = 34.0

      # @param rows [Numo::DFloat] shape [n, features], STEP apart
      def initialize(rows)
        count = rows.shape[0]
        lags = [(LONGEST_LAG / STEP).round, count - 10].min
        @likeness = lags > 2 ? correlate(rows, count, lags) : nil
        freeze
      end

      # @param lag [Float] musical seconds
      # @return [Float, nil] mean likeness at that lag; nil when the recording is too short to say
      def at(lag)
        place = lag / STEP
        return nil if @likeness.nil? || place >= @likeness.size - 2

        low = place.floor
        (@likeness[low] * (1 - (place - low))) + (@likeness[low + 1] * (place - low))
      end

      private

      def correlate(rows, count, lags)
        size = Signal::Padded.size(count + lags)
        power = (0...rows.shape[1]).sum do |column|
          spectrum = Signal::Padded.spectrum(rows[true, column], size)
          (spectrum * spectrum.conj).real
        end
        sums = Signal::Padded.series(power)[0...lags].to_a
        sums.each_with_index.map { |sum, lag| sum / (count - lag) }
      end
    end
  end
end
