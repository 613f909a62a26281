# frozen_string_literal: true

require "fileutils"
require "json"

module Jobs
  # The work of one worker process: decode and analyse, derive anew from what was measured before, measure a stem, or separate; write the result, say how
  # far it is as lines of JSON.
  class Worker
    # @param recording [String] path of the audio file
    # @param result [String] path that the result goes to
    # @param out [IO] progress lines
    # @param task [Hash] kind (analyse or separate), corrections, features (path of what was measured before)
    def initialize(recording, result, out, task = {})
      @recording = recording
      @result = result
      @out = out
      @task = task
    end

    # @return [Integer] exit code: 0 when the result is written
    def run
      { "separate" => method(:separate), "stem" => method(:measure_stem), "assemble" => method(:assemble) }.fetch(@task[:kind], method(:analyse)).call
      0
    rescue Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio, Ethoscope::Errors::UnusableStem => e
      report(error: e.message)
      1
    rescue NoMemoryError
      report(error: "The analysis needed more memory than it may use. Try a shorter recording.")
      1
    rescue Errno::ENOSPC
      report(error: "The disk is full; the analysis could not be stored. Make room and try again.")
      1
    end

    private

    def analyse
      features = kept_features
      report(stage: features ? "rhythm" : "decoding", progress: 0.0)
      corrections = Ethoscope::Corrections.of(**@task.fetch(:corrections, {}))
      recording = features ? nil : Ethoscope::Audio::Decoder.new(@recording).decode
      write_peaks(recording) if recording
      analysis = Ethoscope::Analysis.of(recording, features:, corrections:, sources:, measured: method(:keep)) { |stage, share| told(stage, share) }
      tell_gaps(analysis.fetch(:gaps))
      write_vector(analysis)
      write(JSON.generate(analysis.to_h))
    end

    # The outline of the waveform, left beside the result as RESULT.peaks.
    def write_peaks(recording) = File.binwrite("#{@result}.peaks", Ethoscope::Audio::Peaks.of(recording))

    def tell_gaps(gaps) = gaps.each { |gap| warn "#{File.basename(@recording)}: #{gap[:what]}: #{gap[:fault] || gap[:reason]}" }

    # What is measured of it, left beside the result as RESULT.vector.
    def write_vector(analysis)
      gaps = Ethoscope::Gaps.new
      File.write("#{@result}.vector", JSON.generate(Ethoscope::Measures::Vector.of(analysis, gaps:).to_h))
      tell_gaps(gaps.list)
    end

    # What was measured is left beside the result, so that everything can be derived from it again.
    def keep(features)
      Store::FeaturesFile.write(features, "#{@result}.features")
      copy_for_playback
    end

    def sources
      wanted = @task.fetch(:sources, {})
      stems = wanted.fetch(:stems, []).map { |stem| Ethoscope::Stems::Stem.new(**stem.slice(:name, :role, :offset, :speed), features: features_of(stem[:path], stem[:features])) }
      score = wanted[:score]
      return Ethoscope::Sources.new(stems:, score: nil, roles: {}) unless score

      Ethoscope::Sources.new(stems:, score: Ethoscope::Midi::ScoreReader.read(File.binread(score[:path])), roles: score[:roles].transform_keys(&:to_s), place: score[:place])
    end

    # What was measured on a recording, or is measured anew where that is of an older engine.
    def features_of(path, kept) = Store::FeaturesFile.read(kept) || Ethoscope::Engine::Features.of(Ethoscope::Audio::Decoder.new(path).decode)

    # Measures a stem and lays it over its mix.
    def measure_stem
      report(stage: "decoding", progress: 0.0)
      mix = features_of(@task.fetch(:mix), @task.fetch(:mix_features))
      features = Store::FeaturesFile.read(@task.fetch(:features)) || measured_stem(mix.tuning)
      report(stage: "aligning", progress: 0.85)
      found = Ethoscope::Stems::Alignment.of(features, mix)
      write(JSON.generate(found.to_h.except(:apart).merge(seconds: features.duration, fits: found.believable?, error: found.believable? ? nil : stranger(features, mix))))
    end

    def measured_stem(tuning)
      recording = Ethoscope::Audio::Decoder.new(@recording).decode
      Ethoscope::Engine::Features.of(recording, tuning:) { |stage| told(stage, Ethoscope::Engine::Pipeline::STAGES.fetch(stage)) }.tap { |features| keep(features) }
    rescue Ethoscope::Errors::SilentAudio
      raise Ethoscope::Errors::UnusableStem, "This stem is silent. Export it again, or leave it out."
    end

    # A mix of all stems as loud as they are, or else what the notes say, played plainly.
    def assemble
      report(stage: "assembling", progress: 0.0)
      recording = @task[:stems].empty? ? Ethoscope::Ensemble::Rendition.of(Ethoscope::Midi::ScoreReader.read(File.binread(@task[:score]))) : mixed(@task[:stems])
      Ethoscope::Audio::FlacFile.write(recording.channels, recording.rate, "#{@result}.mix.flac")
      write("{}")
    end

    def mixed(paths)
      recordings = paths.each_with_index.lazy.map do |path, i|
        Ethoscope::Audio::Decoder.new(path).decode.tap { report(stage: "assembling", progress: (i + 1.0) / (paths.size + 1)) }
      end
      Ethoscope::Audio::Sum.of(recordings)
    end

    def stranger(features, mix)
      text = "This does not sound like a part of the mix: it fits nowhere in it."
      apart = (features.duration - mix.duration).abs
      if apart > 5
        "#{text} It is #{apart.round} s #{features.duration > mix.duration ? "longer" : "shorter"}, too."
      else
        "#{text} Check that it is of this song and this version."
      end
    end

    # What an earlier run measured is enough for a derivation.
    def kept_features
      derives = @task.fetch(:derives) { !@task.fetch(:corrections, {}).empty? }
      derives ? Store::FeaturesFile.read(@task.fetch(:features)) : nil
    end

    def told(stage, share) = report(stage: next_stage(stage), progress: share)

    def separate
      report(stage: "separating", progress: 0.0)
      recording = Ethoscope::Audio::Decoder.new(@recording).decode
      parts = Ethoscope::Audio::Separation.of(recording) { |share| report(stage: "separating", progress: share * 0.9) }
      parts.to_h.each { |name, samples| Ethoscope::Audio::FlacFile.write(samples, recording.rate, "#{@result}.#{name}.flac") }
      write("{}")
    end

    # A stage is reported when it ends, so what shows is the one that begins.
    def next_stage(done)
      stages = Ethoscope::Engine::Pipeline::STAGES.keys
      (stages[stages.index(done) + 1] || "storing").to_s
    end

    # Left beside the result as RESULT.flac; a copy that can't be made costs the sound on the page, not the analysis.
    def copy_for_playback
      info = Ethoscope::Audio::Decoder.new(@recording).probe
      Ethoscope::Audio::PlaybackCopy.write(@recording, info[:format], "#{@result}.flac") if Ethoscope::Audio::PlaybackCopy.needed?(info)
    rescue Ethoscope::Errors::UnreadableAudio
      FileUtils.rm_f("#{@result}.flac")
    end

    # When the application is gone the pipe breaks, and this process ends with it.
    def report(**line)
      @out.puts(JSON.generate(line))
      @out.flush
    rescue Errno::EPIPE
      exit!(1)
    end

    def write(text)
      partial = "#{@result}.part"
      File.open(partial, "w") do |file|
        file.write(text)
        file.fsync
      end
      File.rename(partial, @result)
    end
  end
end
