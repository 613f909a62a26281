# frozen_string_literal: true

require "fileutils"
require "sequel"

module Store
  # Opens the SQLite database of a data directory and brings it up to date.
  module Database
    MIGRATIONS = File.expand_path("../../db/migrations", __dir__)
    BUSY_MS = 10_000

    # @param home [String] the data directory; made when missing
    # @return [Sequel::Database] foreign keys on, write-ahead log, waiting for locks
    def self.open(home)
      FileUtils.mkdir_p(home)
      db = Sequel.connect(adapter: "sqlite", database: File.join(home, "ethoscope.sqlite3"), timeout: BUSY_MS,
        foreign_keys: true, max_connections: 12, after_connect: ->(connection) { pragmas(connection) })
      Sequel.extension :migration
      Sequel::Migrator.run(db, MIGRATIONS)
      db
    end

    def self.pragmas(connection)
      connection.execute("PRAGMA journal_mode = WAL")
      connection.execute("PRAGMA synchronous = NORMAL")
    end
    private_class_method :pragmas
  end
end
