# frozen_string_literal: true

namespace :bench do
  desc "Seconds by stage and peak memory for one song, on one thread: rake bench:song[FILE]"
  task :song, [:file] do |_, arguments|
    ENV["OPENBLAS_NUM_THREADS"] = "1"
    clock = -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }
    start = last = clock.call
    recording = Ethoscope::Audio::Decoder.new(arguments.fetch(:file)).decode
    row = lambda do |stage|
      now = clock.call
      puts format("%<stage>-12s %<seconds>6.2f s", stage:, seconds: now - last)
      last = now
    end
    row.call(:decoding)
    Ethoscope::Analysis.of(recording) { |stage, _| row.call(stage) }
    times = Process.times
    puts format("%<song>.1f s of sound in %<wall>.2f s; processor %<own>.2f s and ffmpeg %<child>.2f s; peak memory %<memory>d MiB",
      song: recording.duration, wall: clock.call - start, own: times.utime + times.stime, child: times.cutime + times.cstime,
      memory: File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i / 1024)
  end
end
