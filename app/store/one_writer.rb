# frozen_string_literal: true

module Store
  # Lets the threads of this process write one after another in the order in which they came. Without it each of them would look again
  # and again whether the database is free, and the unlucky ones would wait for long.
  module OneWriter
    # @param db [Sequel::Database] that is extended
    def self.extended(db) = db.instance_variable_set(:@writing, Mutex.new)

    # As Sequel's; one that is to write at once waits for its turn.
    def transaction(options = {}, &)
      return super if options[:mode] != :immediate || in_transaction? || @writing.owned?

      @writing.synchronize { super }
    end
  end
end
