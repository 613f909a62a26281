# frozen_string_literal: true

module Bench
  # What an analysis costs on one thread, against decoding the same file and one 2048/512 transform of it.
  class Speed
    WINDOW = 2048
    HOP = 512
    # Twenty bars of the demo, again and again, when no file is named.
    SECONDS = 210
    ROUNDS = 5

    # @param file [String, nil] an audio file; a song of 3.5 minutes is put together from the demo when there is none
    def initialize(file)
      ENV["OPENBLAS_NUM_THREADS"] = "1"
      @file = file || assembled
    end

    # Prints the table of the round whose ratio is the median: other guests of a machine are felt, by up to a half.
    def run
      Ethoscope.preload
      rounds = Array.new(ROUNDS) { in_a_process { measured } }
      puts "Ratios of #{ROUNDS} rounds: #{rounds.map { |round| format("%.2f", ratio(round)) }.join(", ")}"
      report(rounds.sort_by { |round| ratio(round) }[ROUNDS / 2])
    end

    private

    # A fresh process for each round, as the application starts one for each song.
    def in_a_process
      reader, writer = IO.pipe
      pid = fork do
        reader.close
        writer.write(Marshal.dump(yield))
        writer.close
        exit!(0)
      end
      writer.close
      result = reader.read
      Process.wait(pid)
      Marshal.load(result) # rubocop:disable Security/MarshalLoad -- written by our own child
    end

    def measured
      rows = []
      recording = timed(rows, "decoding") { Ethoscope::Audio::Decoder.new(@file).decode }
      reference = []
      timed(reference, "transform") { transform(recording) }
      features = stages(rows) { |done| Ethoscope::Engine::Features.of(recording, &done) }
      stages(rows) { |done| Ethoscope::Engine::Pipeline.new(features, &done).analysis }
      { rows:, transform: reference.sum(&:last), duration: recording.duration, memory: Clock.peak_memory, derive: derivation(features) }
    end

    def timed(rows, name)
      start = Clock.processor
      result = yield
      rows << [name, Clock.processor - start]
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

    # The plainest form: one row after the other.
    def transform(recording)
      window = Ethoscope::Signal::Frames.hann(WINDOW)
      samples = recording.middle.samples
      (0..(samples.size - WINDOW)).step(HOP) { |start| Numo::Pocketfft.rfft(samples[start...(start + WINDOW)] * window).abs }
    end

    def total(round) = round[:rows].sum(&:last)

    def reference(round) = round[:rows].first.last + round[:transform]

    def ratio(round) = total(round) / reference(round)

    # Seconds until all is derived again, for the correction that takes longest.
    def derivation(features)
      first = Ethoscope::Engine::Pipeline.new(features).analysis
      corrections = [{ bpm: first.fetch(:tempo)[:bpm] / 2 }, { meter: "3/4" }, { first_downbeat: first.fetch(:beats)[1] }, { key: { tonic: "D", mode: "dorian" } }]
      corrections.map do |correction|
        start = Clock.wall
        Ethoscope::Analysis.of(features:, corrections: Ethoscope::Corrections.of(**correction))
        Clock.wall - start
      end.max
    end

    def report(round)
      round[:rows].each { |name, seconds| puts format("%<name>-12s %<seconds>6.2f s", name:, seconds:) }
      total = total(round)
      duration = round[:duration]
      puts format("total        %<total>6.2f s for %<duration>.0f s of sound: %<times>.0f times real time", total:, duration:, times: duration / total)
      puts format("reference    %<reference>6.2f s (decoding and one 2048/512 transform); ratio %<ratio>.2f", reference: reference(round), ratio: ratio(round))
      puts format("derived again after a correction in %<derive>.2f s; peak memory %<memory>d MiB", derive: round[:derive], memory: round[:memory])
    end

    def assembled
      song = Dir[File.expand_path("../../demo/audio/*.ogg", __dir__)].min
      path = File.join(Dir.tmpdir, "ethoscope-bench.mp3")
      system("ffmpeg", "-v", "error", "-y", "-stream_loop", "-1", "-i", song, "-t", SECONDS.to_s, "-b:a", "192k", path, exception: true)
      path
    end
  end
end
