# frozen_string_literal: true

module Ethoscope
  module Export
    # What is written of a song: its title, its settled analysis, all that is measured of it, and at which second of the recording bar 1 begins.
    Handout = Value.of(:title, :analysis, :vector, :first_bar_at) do
      def initialize(first_bar_at: 0.0, **)
        super
      end
    end
  end
end
