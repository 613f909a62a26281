# frozen_string_literal: true

module Ethoscope
  # The stages of an analysis, each taking what the ones before it made. Features are computed once and shared.
  class Pipeline
    # Each stage with the share of the work that is done when it ends, as measured on songs of three minutes.
    STAGES = { loudness: 0.25, spectra: 0.62, rhythm: 0.72, chords: 0.84, form: 0.9, layers: 0.95, techniques: 1.0 }.freeze
    # Quieter than this peak is silence.
    SILENT_PEAK = 1e-4
    # A phrase is taken to start every so many bars when listening for the tonic.
    PHRASE_BARS = 4
    # An onset counts as sound when the second that follows it holds this share of the song's loud level.
    HEARD = 0.08
    # Bass counts this much beside treble in the note balance that the key is read from.
    BASS_SHARE = 0.5

    # @param recording [Audio::Recording]
    # @yieldparam stage [Symbol] see STAGES
    # @yieldparam share [Float] work done, 0 to 1
    # @raise [Errors::UnusableAudio] when the recording is silent
    def initialize(recording, &progress)
      raise Errors::UnusableAudio, "The recording is silent. Check the export and drop it again." if recording.peak < SILENT_PEAK

      @recording = recording
      @progress = progress || ->(_stage, _share) {}
    end

    # @return [Analysis]
    def analysis
      stage(:loudness) { measure_level }
      stage(:spectra) { transform }
      stage(:rhythm) { find_rhythm }
      stage(:chords) { find_harmony }
      stage(:form) { find_form }
      stage(:layers) { find_layers }
      stage(:techniques) { find_techniques }
      Analysis.new(schema)
    end

    private

    def stage(name)
      yield
      @progress.call(name, STAGES.fetch(name))
    end

    def measure_level
      @loudness = Audio::Loudness.new(@recording)
      @width = Audio::Width.new(@recording)
    end

    def transform
      samples = Audio::Resampler.halve(@recording.mono)
      @short = Signal::ShortTime.new(samples, @recording.rate / 2.0)
      @long = Signal::LongTime.new(samples, @recording.rate / 2.0)
      @onset = Signal::OnsetStrength.new(@short)
    end

    def find_rhythm
      @tuning = Harmony::Tuning.measure(@long)
      change = Harmony::Change.new(@long, @tuning.cents)
      @rhythm = Rhythm::Analysis.new(@onset, change.treble, change.bass, sounding).result
      @grid = @rhythm ? @rhythm.grid : Rhythm::BeatGrid.nominal(@recording.duration)
      @bar_edges = @grid.bar_edges
    end

    # From the first sound to the start of the last one; echoes that die away after it are none.
    def sounding
      level = @short.level(40.0..10_000.0)
      loud = following(level) > (level.sort[(level.size * 0.95).floor] * HEARD)
      onset = @onset.total
      struck = (onset > onset.mean) & loud
      struck = loud unless struck.any?
      frames = struck.where
      (frames[0] / @short.rate)..(frames[-1] / @short.rate)
    end

    # Mean level over the second after each frame.
    def following(level)
      frames = @short.rate.round
      held = Numo::DFloat.zeros(level.size + frames)
      held[0...level.size] = level
      Signal::Series.running_mean(held, frames)[(frames / 2)...(level.size + (frames / 2))]
    end

    def find_harmony
      @notes = Harmony::NoteActivation.new(@long, @grid.half_beat_edges, @tuning.cents)
      recognizer = Harmony::ChordRecognizer.new(@notes, @grid.half_beat_positions)
      @chroma = recognizer.treble
      @balance = { all: recognizer.treble.mean(axis: 0), bass: recognizer.bass.mean(axis: 0) }
      @spans = recognizer.spans
      @keys = Harmony::KeyFinder.new(@spans, @balance[:all] + (@balance[:bass] * BASS_SHARE), phrase_starts).candidates
      @key = @keys.first&.key || Harmony::Key.named("C", "major")
      @loop = Harmony::LoopFinder.new(chords_by_half_bar, @key).main
    end

    def phrase_starts
      first = 2 * @grid.pickup
      (first...(@grid.half_beat_edges.size - 1)).step(2 * @grid.meter.beats * PHRASE_BARS).to_a
    end

    # The chord that fills most of each half of each bar.
    def chords_by_half_bar
      per_beat = @spans.flat_map { |span| [span.chord] * (span.last - span.first) }
      per_bar = 2 * @grid.meter.beats
      (0...@grid.bars).map do |bar|
        half_beats = per_beat[(2 * @grid.pickup) + (bar * per_bar), per_bar]
        half_beats.each_slice((per_bar + 1) / 2).map { |part| part.tally.max_by(&:last).first }
      end
    end

    def find_form
      @energy = @bar_edges.each_cons(2).map { |from, to| @loudness.between(from, to).round(1) }
      features = Form::BarFeatures.new(@short, @onset, @chroma, @grid)
      @sections = Form::Labeler.new(features, Form::Segmenter.new(features).sections, @energy, @grid).sections
    end

    def find_layers
      @layers = Layers::Activity.new(@short, @notes, @grid).layers
    end

    def find_techniques
      @side = @bar_edges.each_cons(2).map { |from, to| @width.between(from, to).round(4) }
      scene = Techniques::Scene.new(grid: @grid, sections: @sections, onset: @onset, short_time: @short, layers: @layers,
        width: @side)
      @sightings = @rhythm ? Techniques::Library.search(scene) : []
    end

    def schema
      Schema.new(
        recording: @recording, rhythm: @rhythm, grid: @grid, tuning: @tuning, keys: @keys, key: @key, balance: @balance,
        spans: @spans, loop: @loop, sections: @sections, energy: @energy, width: @side, loudness: @loudness, layers: @layers,
        sightings: @sightings
      ).to_h
    end
  end
end
