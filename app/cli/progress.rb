# frozen_string_literal: true

module Cli
  # One line that says how far the analysis is; only on a terminal.
  class Progress
    # @param err [IO]
    def initialize(err)
      @err = err if err.tty?
    end

    # @param stage [Symbol]
    # @param share [Float] 0 to 1
    def at(stage, share)
      @err&.print(format("\r%<percent>3d %% %<stage>-12s", percent: share * 100, stage:))
    end

    # Clears the line.
    def done
      @err&.print("\r#{" " * 24}\r")
    end
  end
end
