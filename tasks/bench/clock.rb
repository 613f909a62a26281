# frozen_string_literal: true

module Bench
  # Time as the benchmarks take it.
  module Clock
    # @return [Float] seconds that have passed
    def self.wall = Process.clock_gettime(Process::CLOCK_MONOTONIC)

    # @return [Float] processor seconds of this process and the children that have ended
    def self.processor = Process.times.then { |times| times.utime + times.stime + times.cutime + times.cstime }

    # @return [Integer] MiB, the most memory that this process has held
    def self.peak_memory = File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i / 1024
  end
end
