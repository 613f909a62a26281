# frozen_string_literal: true

require "io/wait"

module Ethoscope
  module Audio
    # A program that is run beside this one, bounded in time, processor time and memory. It belongs to this process's group, so that
    # whoever ends the group ends it too; when its time is over it is killed.
    #
    #   Child.new(["ffprobe", "file:song.wav"], seconds: 15).read # => what it printed
    class Child
      # Address space that ffmpeg and ffprobe may take; what a 20-minute file needs is a tenth of it.
      BYTES = 1 << 30
      CHUNK_BYTES = 1 << 20

      # The program took longer than it may.
      class Late < StandardError; end

      # @param command [Array<String>] program and arguments; no shell reads them
      # @param seconds [Numeric] of clock time that it may take in all
      # @param bytes [Integer] of address space
      def initialize(command, seconds:, bytes: BYTES)
        @command = command
        @seconds = seconds
        @options = { err: File::NULL, rlimit_as: [bytes, allowed(:AS)].min, rlimit_cpu: [seconds.ceil + 1, allowed(:CPU)].min }
      end

      # @param most [Integer] bytes that it may print
      # @return [String, nil] what it printed, nil when it failed or printed more
      # @raise [Late, Errno::ENOENT] when it takes too long, when there is no such program
      def read(most: CHUNK_BYTES)
        out = +"".b
        done = each_part { |part| out.bytesize > most ? break : out << part }
        done && out.bytesize <= most ? out : nil
      end

      # @return [Boolean] whether it ended well; what it prints is passed over
      # @raise [Late, Errno::ENOENT]
      def succeeds? = each_part { |_part| nil }

      # Hands on what it prints, part by part.
      #
      # @yieldparam part [String] bytes
      # @return [Boolean] whether it ended well
      # @raise [Late, Errno::ENOENT]
      def each_part
        reader, writer = IO.pipe(binmode: true)
        supervised({ in: File::NULL, out: writer }, writer) do
          while (part = part_of(reader))
            yield part
          end
        end
      ensure
        [reader, writer].each(&:close)
      end

      # Gives it bytes to read.
      #
      # @param bytes [String]
      # @return [Boolean] whether it took them and ended well
      # @raise [Late, Errno::ENOENT]
      def takes?(bytes)
        reader, writer = IO.pipe(binmode: true)
        supervised({ in: reader, out: File::NULL }, reader) do
          write(writer, bytes)
          writer.close
        end
      rescue Errno::EPIPE
        false
      ensure
        [reader, writer].each(&:close)
      end

      private

      # What this process itself may use: no child of it may use more.
      def allowed(resource) = Process.getrlimit(resource).last

      # Starts the program, closes its end of the pipe here, and sees to it that it is gone afterwards.
      def supervised(streams, theirs)
        @deadline = now + @seconds
        pid = Process.spawn(*@command, **@options, **streams)
        theirs.close
        yield
        ended_well?(waiter = Process.detach(pid))
      ensure
        end_process(pid, waiter) if pid
      end

      def ended_well?(waiter)
        raise Late unless waiter.join([@deadline - now, 0].max)

        waiter.value&.success? || false
      end

      def end_process(pid, waiter)
        return if waiter && !waiter.alive?

        Process.kill(:KILL, pid)
        waiter ? waiter.join : Process.wait(pid)
      rescue Errno::ESRCH, Errno::ECHILD
        # It ended by itself in the meantime.
      end

      def part_of(pipe)
        loop do
          part = pipe.read_nonblock(CHUNK_BYTES, exception: false)
          return part unless part == :wait_readable

          wait { |left| pipe.wait_readable(left) }
        end
      end

      def write(pipe, bytes)
        at = 0
        while at < bytes.bytesize
          written = pipe.write_nonblock(bytes.byteslice(at, CHUNK_BYTES), exception: false)
          written == :wait_writable ? wait { |left| pipe.wait_writable(left) } : at += written
        end
      end

      def wait
        left = @deadline - now
        raise Late unless left.positive? && yield(left)
      end

      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end
  end
end
