# frozen_string_literal: true

module Ethoscope
  module Checklist
    # After how many bars what is played returns, so that it need be written down only once: bars is that period (all of them where nothing returns), and apart
    # are the bars after the first round, from 1, that differ. The method is our own.
    Returning = Value.of(:bars, :apart) do
      # @param list [Array<Object>] what is played, bar by bar, to be compared
      # @return [Returning]
      def self.of(list)
        period = Rhythm::PatternPeriod::PERIODS.find { |lag| list.size >= 2 * lag && returns?(list, lag) } || list.size
        new(bars: period, apart: (period...list.size).reject { |bar| list[bar] == list[bar % period] }.map { |bar| bar + 1 })
      end

      # Whether most bars are as the one a period before.
      def self.returns?(list, lag) = (lag...list.size).count { |bar| list[bar] == list[bar % lag] } >= 0.7 * (list.size - lag)

      # @param size [Integer] bars of the whole
      # @return [String, nil] how often it is played
      def words(size)
        return nil if bars >= size

        bars == 1 ? "the same in every bar" : "the same every #{bars} bars"
      end
    end
  end
end
