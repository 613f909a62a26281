# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Note values that delays are set to, in quarters.
    module NoteValue
      QUARTERS = { "sixteenth" => 1 / 4.0, "eighth triplet" => 1 / 3.0, "dotted sixteenth" => 3 / 8.0, "eighth" => 1 / 2.0, "quarter triplet" => 2 / 3.0,
                   "dotted eighth" => 3 / 4.0, "quarter" => 1.0 }.freeze
    end
  end
end
