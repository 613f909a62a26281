# frozen_string_literal: true

module Ethoscope
  module Form
    # What changes where a run of four or eight bars begins: the bar (from 1), layers that enter, leave, thin out or come
    # forward, and whether the hats play faster or slower than before.
    Change = Value.of(:bar, :enters, :leaves, :thins, :swells, :hats)
  end
end
