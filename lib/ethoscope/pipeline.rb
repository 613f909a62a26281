# frozen_string_literal: true

module Ethoscope
  # The stages of an analysis, each taking what the ones before it made.
  class Pipeline
    # Each stage with the share of the work that is done when it ends, as measured on songs of three minutes.
    STAGES = { level: 0.34, spectra: 0.68, rhythm: 0.8, chords: 0.84, form: 0.88, layers: 0.94, techniques: 1.0 }.freeze
    # Bass counts this much beside treble in the note balance.
    BASS_SHARE = 0.5

    # @param features [Features]
    # @param corrections [Corrections] what a person has put right
    # @param sources [Sources] stems and a score, where there are any
    # @param confidence [Confidence]
    # @yieldparam stage [Symbol] see STAGES, from :rhythm on
    # @yieldparam share [Float] work done, 0 to 1
    def initialize(features, corrections = Corrections.none, sources: Sources.none, confidence: Confidence.shipped, &progress)
      @features = features
      @confidence = confidence
      @corrections = corrections
      @sources = sources
      @gaps = Gaps.new
      @hearing = Hearing.new(features, corrections)
      @progress = progress || ->(_stage, _share) {}
    end

    # @return [Analysis]
    def analysis
      stage(:rhythm) { find_rhythm }
      stage(:chords) { find_chords }
      stage(:form) { find_form }
      stage(:layers) { find_layers }
      stage(:techniques) { find_techniques }
      Analysis.new(Schema.new(findings, confidence: @confidence).to_h)
    end

    private

    def stage(name)
      yield
      @progress.call(name, STAGES.fetch(name))
    end

    def find_rhythm
      @loudness = Audio::Loudness.new(@features.field)
      @width = Audio::Width.new(@features.field)
      count_as_written
      @rhythm = @hearing.rhythm&.then { |found| @corrections.tempo_changes.empty? ? found : found.with_moving_tempo }
      @grid = @hearing.grid
      tell_of_changes
      @ensemble = ensemble
      @drums = Rhythm::DrumSteps.new(@features.short, @hearing.steps, told: beside("the drum steps of stems and MIDI", {}) { @ensemble.strokes(@hearing.steps) })
    end

    # Where stems or a score can't be laid over the bars, the mix alone tells.
    def ensemble
      beside("stems and MIDI", nil) { Ensemble.new(@sources, @features, @grid, @rhythm&.swing, placement: @placement) } ||
        Ensemble.new(Sources.none, @features, @grid, @rhythm&.swing)
    end

    # Changes of tempo that the bars could not follow.
    def tell_of_changes
      @hearing.unkept.each do |change|
        @gaps.told(format("%<bpm>.2f BPM from bar %<bar>d on", bpm: change.bpm, bar: @grid.bar_at(change.at)),
          "no whole bar of that tempo fits between there and the next change, or the end of the song")
      end
    end

    def beside(what, otherwise, &) = @gaps.beside(what, otherwise, &)

    # A person's count holds before a score's, and a score's before what is heard.
    def count_as_written
      return if @sources.score.nil? || @corrections.counted? || @hearing.rhythm.nil?

      count = Ensemble::WrittenCount.new(@sources.score, @features, @hearing.rhythm)
      @written = beside("the count of the MIDI file", nil) { count.correction }
      return @placement = count.placement unless @written

      @hearing = Hearing.new(@features, Corrections.new(**@corrections.to_h, **@written.to_h.slice(:bpm, :meter, :first_downbeat)))
    end

    def find_chords
      @recognizer = @hearing.recognizer
      heard = @recognizer.spans
      written = beside("the chords of the MIDI file", []) { @ensemble.chords(heard) }
      @spans = written.empty? ? heard : written
      @chord_source = written.empty? ? "mix" : "midi"
    end

    def find_form
      @segmenter = Form::Segmenter.new(@hearing.boundary_features.rows, @grid.bars)
      @sections = @corrections.sections.empty? ? found_sections : heard_sections
      find_keys
      bars = @grid.per_bar(@spans)
      @loop = beside("the loop", nil) { Harmony::LoopFinder.new(bars, @key).main }
      @loops = beside("the loops of sections", []) { Harmony::SectionLoops.new(bars, @sections, @key).loops }
    end

    def found_sections = Form::Labeler.new(@hearing.bar_features, @segmenter, @hearing.energy, @grid, @features.duration).sections

    # The sections that a person set, on the nearest bars; the first starts with the song.
    def heard_sections
      starts = @corrections.sections.each_with_index.map { |section, i| [i.zero? ? 1 : @grid.bar_at(section.start), section] }
      starts = starts.group_by(&:first).sort.map { |_, group| group.last }
      edges = [0.0, *@grid.bar_edges[1...-1], [@features.duration, @grid.bar_edges.last].max]
      starts.each_with_index.map do |(first_bar, section), i|
        after = starts[i + 1]&.first || (@grid.bars + 1)
        Form::Section.new(label: section.label, letter: section.letter, first_bar:, bars: after - first_bar, start: edges[first_bar - 1], end: edges[after - 1],
          confidence: 1.0, reason: "as you hear it")
      end
    end

    def find_keys
      finder = Harmony::KeyFinder.new(@hearing.key_evidence, @recognizer.treble.mean(axis: 0) + (@recognizer.bass.mean(axis: 0) * BASS_SHARE))
      silent = @spans.all? { |span| span.chord.none? }
      @keys = silent ? [] : finder.candidates
      @key_confidence = @corrections.key ? 0.99 : finder.confidence
      @key = @corrections.key || @keys.first&.key || Harmony::Key.named("C", "major")
      @stretches = silent || @corrections.key ? heard_stretches : finder.stretches(@sections.map { |section| @grid.half_beats_of(section) }, @sections.map(&:bar_range))
      @pentatonic = finder.pentatonic?(@key)
    end

    # Keys from bar to bar as a person says they change; none when no change was said.
    def heard_stretches
      return [] if @corrections.modulations.empty?

      starts = [[1, @key], *@corrections.modulations.map { |change| [@grid.bar_at(change.at), change.key] }].uniq(&:first)
      lasts = starts.drop(1).map { |bar, _| bar - 1 } + [@grid.bars]
      starts.zip(lasts).map { |(first_bar, key), last_bar| Harmony::KeyFinder::Stretch.new(key:, first_bar:, last_bar:, confidence: 1.0) }
    end

    def find_layers
      @layers = beside("the layers", []) { @ensemble.layers(Layers::Activity.new(@features.short, @hearing.notes, @grid, @hearing.drums).layers) }
      told = beside("the bass of stems and MIDI", []) { @ensemble.bass(@spans) }
      @bass_source = told.empty? ? "mix" : @ensemble.source_of("bass")
      @bass = told.empty? ? beside("the bass line", []) { Harmony::BassLine.new(@hearing.notes, @spans).notes } : told
      @leads = beside("the lead lines", []) { leads }
      find_groove
    end

    def leads
      lines = Layers::LeadLine.new(@hearing.notes, @grid)
      @sections.filter_map { |section| lines.between(section.first_bar, section.bars) }
    end

    def find_groove
      @patterns = beside("the drum steps", []) { @rhythm ? @sections.map { |section| @drums.pattern(section.first_bar, section.bars) } : [] }
      @timings = beside("the micro-timing", []) { Rhythm::MicroTiming.new(@features.onset, @hearing.steps).timings }
      @changes = beside("what enters and leaves", []) { Form::Changes.new(@layers, @sections, @drums.hat_rates).list }
    end

    def find_techniques
      @sightings = @rhythm ? beside("the techniques", []) { Techniques::Library.search(scene, @gaps) } : []
    end

    def scene
      Techniques::Scene.new(grid: @grid, sections: @sections, features: @features, key: @key, stretches: @stretches, spans: @spans, loop: @loop,
        notes: @hearing.notes, layers: @layers, changes: @changes, width: @hearing.side, energy: @hearing.energy, drums: @drums, steps: @hearing.steps,
        players: @ensemble.players(drums: @drums, bass: @bass), constant: @rhythm.nil? || @rhythm.constant)
    end

    def findings
      chords = @spans.reject { |span| span.chord.none? }.map { |span| [@grid.place(span.first).first, span.chord] }
      Findings.new(
        features: @features, rhythm: @rhythm, grid: @grid, recognizer: @recognizer, spans: @spans, keys: @keys, key: @key, key_confidence: @key_confidence,
        key_stretches: @stretches, pentatonic: @pentatonic, loop: @loop, loops: @loops,
        outside: beside("notes from outside the scale", []) { Harmony::OutsideNote.list(@spans, @key, @grid) },
        cadences: beside("the cadences", []) { Harmony::Cadence.find(chords, @key, @sections.drop(1).map(&:first_bar)) },
        bass: @bass, sections: @sections, novelty: @segmenter.novelty, energy: @hearing.energy,
        width: @width, side: @hearing.side, loudness: @loudness, balance: Audio::Balance.new(@features.field), layers: @layers, leads: @leads,
        patterns: @patterns, timings: @timings, changes: @changes, sightings: @sightings,
        stems: beside("what the stems sound like", []) { @ensemble.stems(@sections, whole) },
        score: beside("the parts of the MIDI file", nil) { @ensemble.score(@sections) },
        voicings: beside("the voicings of the MIDI file", []) { @ensemble.voicings(@spans) },
        told_by: { count: @written ? "midi" : "mix", chords: @chord_source, bass: @bass_source, drums: @ensemble.drum_source }, gaps: @gaps.list
      )
    end

    # Energy of the mix by bar, both channels.
    def whole
      power = (@features.field.left + @features.field.right).sum(axis: 1)
      @grid.bar_edges.each_cons(2).map { |from, to| power[@features.field.frames(from, to)].mean }
    end
  end
end
