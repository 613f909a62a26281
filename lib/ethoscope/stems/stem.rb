# frozen_string_literal: true

module Ethoscope
  module Stems
    # One part of a song on its own: what its file was called, its role, how many seconds later than in its file it sounds in the mix,
    # and what was measured on it.
    Stem = Value.of(:name, :role, :offset, :features)
  end
end
