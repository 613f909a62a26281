# frozen_string_literal: true

require "fileutils"
require "json"
require "sequel"

module Store
  # Opens the SQLite database of a data directory and brings it up to date.
  module Database
    MIGRATIONS = File.expand_path("../../db/migrations", __dir__)
    # How long a connection waits for another one's write to end, and how often it looks.
    BUSY_SECONDS = 10
    BUSY_PAUSE = 0.004
    # What was deleted is freed when it is so many bytes, and so much of the file.
    WORTH_FREEING = 16 << 20
    SHARE_WORTH_FREEING = 0.25
    # One for each thread that may ask at a time: requests, workers, and one that sweeps.
    CONNECTIONS = 40

    # @param home [String] the data directory; made when missing
    # @return [Sequel::Database] foreign keys on, write-ahead log, waiting for locks
    def self.open(home)
      FileUtils.mkdir_p(home)
      db = Sequel.connect(adapter: "sqlite", database: File.join(home, "ethoscope.sqlite3"), foreign_keys: true, max_connections: CONNECTIONS, pool_timeout: BUSY_SECONDS,
        after_connect: ->(connection) { prepare(connection) }).extend(OneWriter)
      Sequel.extension :migration
      Sequel::Migrator.run(db, MIGRATIONS)
      db
    end

    # @param error [Exception]
    # @return [Boolean] whether the disk was full
    def self.full?(error) = cause_of(error).is_a?(SQLite3::FullException)

    # @param error [Exception]
    # @return [Boolean] whether somebody else was writing for longer than one waits
    def self.busy?(error)
      error.is_a?(Sequel::PoolTimeout) || [SQLite3::BusyException, SQLite3::LockedException].any? { |kind| cause_of(error).is_a?(kind) }
    end

    # @param error [Exception]
    # @return [Exception] what the database itself raised
    def self.cause_of(error) = (error.wrapped_exception if error.respond_to?(:wrapped_exception)) || error.cause || error

    # @param text [String]
    # @return [String] as words are compared: without case, whatever the script
    def self.folded(text) = text.dup.force_encoding(Encoding::UTF_8).scrub.unicode_normalize(:nfkc).downcase(:fold)

    # @param json [String, nil]
    # @return [String] the texts in it, without the names of its fields
    def self.said(json)
      texts = lambda do |part|
        case part
        when Hash then part.values.flat_map(&texts)
        when Array then part.flat_map(&texts)
        else part.is_a?(String) ? [part] : []
        end
      end
      texts.call(JSON.parse(json.to_s.dup.force_encoding(Encoding::UTF_8))).join(" ")
    rescue JSON::ParserError
      ""
    end

    # Frees what was deleted, where that is much; for a moment in which nobody works.
    #
    # @param db [Sequel::Database]
    # @return [Boolean] whether anything was done
    def self.tidy(db)
      pages, free, size = %w[page_count freelist_count page_size].map { |name| db.fetch("PRAGMA #{name}").single_value }
      return false if free * size < WORTH_FREEING || free < pages * SHARE_WORTH_FREEING

      db.run("VACUUM")
      true
    rescue Sequel::DatabaseError => e
      raise unless full?(e) || busy?(e)

      false
    end

    # Stores something that can be worked out again; where it can't be stored, whoever reads goes on without.
    #
    # @yield what stores it
    def self.at_leisure
      yield
    rescue Sequel::DatabaseError => e
      raise unless full?(e) || busy?(e)
    end

    # SQLite's own busy timeout sleeps without letting other threads of this process run, so that the one which holds the
    # lock could never give it back; this handler sleeps in Ruby.
    def self.prepare(connection)
      connection.busy_handler do |tries|
        sleep(BUSY_PAUSE)
        tries * BUSY_PAUSE < BUSY_SECONDS
      end
      # SQLite folds the letters of ASCII only.
      connection.create_function("folded", 1) { |function, text| function.result = folded(text.to_s) }
      connection.create_function("said", 1) { |function, json| function.result = folded(said(json)) }
      connection.execute("PRAGMA journal_mode = WAL")
      # What was acknowledged is on the disk, even when the power goes.
      connection.execute("PRAGMA synchronous = FULL")
    end
    private_class_method :prepare
  end
end
