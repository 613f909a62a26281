# frozen_string_literal: true

module Ethoscope
  module Techniques
    # One place where a technique happens. Bars count from 1, last one inclusive; times are seconds; detail holds figures that the
    # how-to takes up; source is the best one that showed it ("mix", "stem" or "midi"); evidence is an {Evidence} or nil.
    Sighting = Value.of(:kind, :first_bar, :last_bar, :start, :end, :confidence, :detail, :source, :evidence)
  end
end
