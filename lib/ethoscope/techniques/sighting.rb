# frozen_string_literal: true

module Ethoscope
  module Techniques
    # One place where a technique happens. Bars count from 1, last one inclusive; times are seconds; detail holds figures.
    Sighting = Value.of(:kind, :first_bar, :last_bar, :start, :end, :confidence, :detail)
  end
end
