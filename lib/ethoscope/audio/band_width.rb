# frozen_string_literal: true

module Ethoscope
  module Audio
    # How wide a stretch of sound is in one register: the side's share of the energy, the correlation of the channels (1 for
    # mono, 0 for unrelated, -1 for opposite), and what summing to mono costs in dB.
    BandWidth = Value.of(:name, :hertz, :side, :correlation, :mono_loss_db)
  end
end
