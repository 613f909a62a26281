# frozen_string_literal: true

module Ethoscope
  module Layers
    # How much of one role is heard in each bar of a mix.
    Layer = Value.of(:role, :activity, :confidence, :spans)
  end
end
