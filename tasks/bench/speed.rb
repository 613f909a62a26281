# frozen_string_literal: true

module Bench
  # What an analysis costs on one thread, against decoding the same file and one 2048/512 transform of it.
  class Speed
    WINDOW = 2048
    HOP = 512
    # Twenty bars of the demo, again and again, when no file is named.
    SECONDS = 210

    # @param file [String, nil] an audio file; a song of 3.5 minutes is put together from the demo when there is none
    def initialize(file)
      ENV["OPENBLAS_NUM_THREADS"] = "1"
      @file = file || assembled
    end

    # Prints the table.
    def run
      rows = []
      recording = timed(rows, "decoding") { Ethoscope::Audio::Decoder.new(@file).decode }
      transform = timed([], "transform") { transform(recording) }.then { @last }
      features = stages(rows) { |done| Ethoscope::Features.of(recording, &done) }
      stages(rows) { |done| Ethoscope::Pipeline.new(features, &done).analysis }
      derive = derivation(features)
      report(rows, transform, derive, recording.duration)
    end

    private

    def timed(rows, name)
      start = Clock.processor
      result = yield
      rows << [name, @last = Clock.processor - start]
      result
    end

    def stages(rows)
      last = Clock.processor
      yield(lambda do |stage, *|
        now = Clock.processor
        rows << [stage.to_s, now - last]
        last = now
      end)
    end

    def transform(recording)
      window = Ethoscope::Signal::Frames.hann(WINDOW)
      Ethoscope::Signal::Frames.each_power_block(recording.mono, window, HOP) { |power| power }
    end

    def derivation(features)
      start = Clock.wall
      Ethoscope::Pipeline.new(features, Ethoscope::Corrections.of(meter: "3/4")).analysis
      Clock.wall - start
    end

    def report(rows, transform, derive, duration)
      rows.each { |name, seconds| puts format("%<name>-12s %<seconds>6.2f s", name:, seconds:) }
      total = rows.sum(&:last)
      reference = rows.first.last + transform
      puts format("total        %<total>6.2f s for %<duration>.0f s of sound: %<times>.0f times real time", total:, duration:, times: duration / total)
      puts format("reference    %<reference>6.2f s (decoding and one 2048/512 transform); ratio %<ratio>.2f", reference:, ratio: total / reference)
      puts format("derived again after a correction in %<derive>.2f s; peak memory %<memory>d MiB", derive:, memory: Clock.peak_memory)
    end

    def assembled
      song = Dir[File.expand_path("../../demo/audio/*.ogg", __dir__)].min
      path = File.join(Dir.tmpdir, "ethoscope-bench.mp3")
      system("ffmpeg", "-v", "error", "-y", "-stream_loop", "-1", "-i", song, "-t", SECONDS.to_s, "-b:a", "192k", path, exception: true)
      path
    end
  end
end
