# frozen_string_literal: true

module Ethoscope
  module Techniques
    # What is known of a technique: its kind (a name for programs), family and name, a line on what it is, how to hear it, how it shows in a
    # mix, in stems and in MIDI, which measurement shows it, five steps to do it in which figures stand as %{names}, the figures where no
    # sighting gives them, and what goes wrong.
    Entry = Value.of(:kind, :family, :name, :summary, :hear, :mix, :stems, :midi, :measure, :steps, :defaults, :wrong, :searched)
  end
end
