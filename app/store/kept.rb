# frozen_string_literal: true

module Store
  # Keeps the few things that were asked for last, by what they were made from, so that they are not made again. Threads may share it.
  class Kept
    # @param most [Integer] things that are kept
    def initialize(most)
      @most = most
      @things = {}
      @mutex = Mutex.new
    end

    # @param key [Object] changes whenever the thing does
    # @yieldreturn [Object] the thing; nil is not kept
    # @return [Object]
    def keep(key)
      found = @mutex.synchronize { @things.key?(key) ? @things[key] = @things.delete(key) : nil }
      found || yield.tap { |made| store(key, made) unless made.nil? }
    end

    # @param key [Object]
    # @return [Object, nil] the thing, if it is there
    def look(key) = @mutex.synchronize { @things[key] }

    private

    def store(key, thing)
      @mutex.synchronize do
        @things[key] = thing
        @things.shift while @things.size > @most
      end
    end
  end
end
