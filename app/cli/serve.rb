# frozen_string_literal: true

require "fileutils"
require "puma"
require "puma/configuration"
require "puma/launcher"
require "socket"

module Cli
  # The application on the loopback address, over one data directory. What stands in its way at the start is said in one sentence.
  class Serve
    # Requests at a time. None holds its thread: pages ask for progress again and again.
    THREADS = 24
    # What a request may still take once the application is ended.
    ENDING_SECONDS = 1
    # Nobody else on this machine reads the data.
    PRIVATE = 0o077
    DONE = 0
    HINDERED = 1

    # What stands in the way.
    class Hindered < StandardError; end

    # @param home [String] the data directory
    # @param port [String] as it was given
    # @param out [IO]
    # @param err [IO]
    def initialize(home:, port:, out:, err:)
      @home = File.expand_path(home)
      @port = port
      @out = out
      @err = err
    end

    # Serves until it is ended.
    #
    # @return [Integer] exit code: 0 ended, 1 could not start
    def run
      File.umask(PRIVATE)
      port = free_port
      take_home
      library = open_library
      # Read now, so that the first page that needs other music does not wait for it.
      Ethoscope::Profile::Baseline.shipped
      dispatcher = Jobs::Dispatcher.new(library, bulletin = Jobs::Bulletin.new).start
      serve(Api::Server.app(library, bulletin), port) { dispatcher.stop }
      DONE
    rescue Hindered => e
      @err.puts(e.message)
      HINDERED
    end

    private

    def free_port
      number = Integer(@port, 10, exception: false)
      raise Hindered, "PORT must be a number from 1 to 65535, such as PORT=4568; it is “#{@port}”." unless number&.between?(1, 65_535)

      TCPServer.new("127.0.0.1", number).close
      number
    rescue Errno::EADDRINUSE
      raise Hindered, "Port #{number} is in use. Say PORT=4568 bin/start, or end what uses it."
    rescue Errno::EACCES
      raise Hindered, "Port #{number} may not be used by you. Say PORT=4568 bin/start."
    end

    # One server a data directory: a second one would take up analyses that the first is at.
    def take_home
      FileUtils.mkdir_p(@home)
      File.chmod(0o700, @home) if File.stat(@home).owned?
      @lock = File.new(File.join(@home, "lock"), File::RDWR | File::CREAT)
      raise Hindered, "Ethoscope already runs on #{@home}." unless @lock.flock(File::LOCK_EX | File::LOCK_NB)
    rescue Errno::EACCES, Errno::EPERM, Errno::EROFS
      raise Hindered, "#{@home} can't be written by you. Say another directory: ETHOSCOPE_HOME=… bin/start."
    rescue Errno::EEXIST, Errno::ENOTDIR
      raise Hindered, "#{@home} is no directory. Say another one: ETHOSCOPE_HOME=… bin/start."
    rescue Errno::ENOSPC, Errno::EDQUOT
      raise Hindered, full
    end

    def open_library
      Store::Library.new(@home).tap(&:sweep)
    rescue Errno::ENOSPC, Errno::EDQUOT
      raise Hindered, full
    rescue Errno::EACCES, Errno::EPERM, Errno::EROFS
      raise Hindered, "Something in #{@home} can't be written by you. Give it back to yourself, or say another directory: ETHOSCOPE_HOME=… bin/start."
    rescue Sequel::Error => e
      raise Hindered, Store::Database.full?(e) ? full : "The database in #{@home} #{fault(e)}."
    end

    def fault(error)
      case Store::Database.cause_of(error)
      when SQLite3::NotADatabaseException, SQLite3::CorruptException then "is damaged. Put back a copy of ethoscope.sqlite3, or move it away to start anew"
      when SQLite3::CantOpenException, SQLite3::ReadOnlyException, SQLite3::PermissionException then "can't be written by you. Say another directory: ETHOSCOPE_HOME=… bin/start"
      when SQLite3::BusyException then "is in use by another program. End that, then start again"
      else "can't be opened (#{error.message.lines.first.strip})"
      end
    end

    def full = "The disk of #{@home} is full. Make room, then start again."

    def serve(app, port)
      configuration = Puma::Configuration.new do |user|
        user.app app
        user.bind "tcp://127.0.0.1:#{port}"
        user.threads 4, THREADS
        user.environment "production"
        user.force_shutdown_after ENDING_SECONDS
        user.http_content_length_limit Api::Guard::MOST
        user.lowlevel_error_handler { |error| Api::Problem.unread(error) }
        user.log_requests false
        user.quiet
      end
      @out.puts "Ethoscope listens on http://127.0.0.1:#{port} (data in #{@home}). Ctrl-C ends it."
      Puma::Launcher.new(configuration, log_writer: Puma::LogWriter.new(File.open(File::NULL, "w"), @err)).run
    ensure
      yield
    end
  end
end
