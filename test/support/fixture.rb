# frozen_string_literal: true

# Analyses for tests that need one but measure nothing: made once from sound, then varied as data.
module Fixture
  module_function

  # Sixteen bars in A minor at 100 BPM: verse and chorus, twice.
  def band
    Band.new(bpm: 100)
        .bars(4, chords: %w[Am F C G], **Band::BACKBEAT).bars(4, chords: %w[Dm E7], gain: 1.6, wide: true, **Band::BACKBEAT)
        .bars(4, chords: %w[Am F C G], **Band::BACKBEAT).bars(4, chords: %w[Dm E7], gain: 1.6, wide: true, **Band::BACKBEAT)
  end

  def features = @features ||= Ethoscope::Engine::Features.of(band.recording)

  def analysis = @analysis ||= Ethoscope::Analysis.of(features:)

  # The same analysis with other parts.
  def varied(**parts) = Ethoscope::Analysis.from_h(analysis.to_h.merge(parts))

  def tempo(bpm) = { bpm:, constant: true, confidence: 0.9, candidates: [{ bpm:, odds: 0.9, relation: "chosen" }, { bpm: bpm * 2, odds: 0.1, relation: "double" }] }

  def key(tonic, mode) = analysis.to_h[:key].merge(tonic:, mode:)

  def song(title, **parts) = song_of(varied(**parts), title)

  def song_of(analysis, title = "Song", corrections: {}) = Ethoscope::Profile::Song.new(title:, vector: Ethoscope::Measures::Vector.of(analysis, corrections:))

  def exported(analysis, title = "Song") = Ethoscope::Export::Handout.new(title:, analysis:, vector: Ethoscope::Measures::Vector.of(analysis))

  # The fixture as a WAV file of its own, once for all tests.
  def wav = @wav ||= file(band)

  # A song that is quickly worked out, for tests that look at what is round the analysis.
  def brief_wav = @brief_wav ||= file(Band.new(bpm: 120).bars(8, chords: %w[Am F C G], **Band::BACKBEAT))

  def file(band)
    File.join(Dir.mktmpdir("ethoscope-fixture"), "fixture.wav").tap do |path|
      SoundFile.write(band.recording, path)
      at_the_end { FileUtils.rm_rf(File.dirname(path)) }
    end
  end

  # Once the tests, or whatever else asked for a file, are through.
  def at_the_end(&) = defined?(Minitest) ? Minitest.after_run(&) : at_exit(&)

  # What was measured of it, kept beside a recording as a worker keeps it: what is derived anew need not be measured again.
  def keep_features(library, recording)
    @features_file ||= File.join(File.dirname(wav), "fixture.features").tap { |path| Store::FeaturesFile.write(features, path) }
    FileUtils.ln(@features_file, library.recordings.features_path(recording), force: true)
  end
end
