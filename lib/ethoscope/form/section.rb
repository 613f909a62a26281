# frozen_string_literal: true

module Ethoscope
  module Form
    # A run of bars with a label and a letter for what repeats. Bars count from 1; times are seconds.
    Section = Value.of(:label, :letter, :first_bar, :bars, :start, :end, :confidence, :reason) do
      # @return [Integer] the last bar that belongs to it
      def last_bar = first_bar + bars - 1

      # @return [Range<Integer>] its bars, from 1
      def bar_range = first_bar..last_bar
    end
  end
end
