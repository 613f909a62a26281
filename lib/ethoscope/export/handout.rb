# frozen_string_literal: true

module Ethoscope
  module Export
    # What is written of a song: its title, its settled analysis, and all that is measured of it.
    Handout = Value.of(:title, :analysis, :vector)
  end
end
