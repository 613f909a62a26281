# frozen_string_literal: true

module Ethoscope
  module Readings
    # One statement about a reference. Rivals are [{label, odds}]; bars is nil when it holds for the whole song.
    Reading = Value.of(:aspect, :value, :statement, :note, :confidence, :rivals, :why, :bars)
  end
end
