# frozen_string_literal: true

module Ethoscope
  module Form
    # A run of bars with a label and a letter for what repeats. Bars count from 1; times are seconds. The method is our own.
    Section = Value.of(:label, :letter, :first_bar, :bars, :start, :end, :confidence, :reason)

    # Knows its bars.
    class Section
      # What sections are usually called, in the order in which they come in songs.
      LABELS = %w[intro verse pre-chorus chorus post-chorus bridge breakdown build drop solo outro].freeze

      # @return [Integer] the last bar that belongs to it
      def last_bar = first_bar + bars - 1

      # @return [Range<Integer>] its bars, from 1
      def bar_range = first_bar..last_bar
    end
  end
end
