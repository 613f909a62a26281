# frozen_string_literal: true

module Demo
  # What a chart says, in the format of the development corpus: the engine is tested against it.
  class Truth
    ROLES = { kick: "kick", snare: "snare", hats: "hats", bass: "bass", organ: "chords", reed: "lead" }.freeze

    # @param song [Hash] one of Songs::ALL
    def initialize(song)
      @song = song
      @score = Score.new(song)
      @beat = 60.0 / song[:bpm]
      @edges = (0..@score.bars).map { |bar| time(bar * @score.beats) }
    end

    # @return [Hash]
    def to_h
      { title: @song[:title], duration: time(@score.bars * @score.beats) + Renderer::TAIL,
        file: "#{@song[:name]}.ogg", tempo_bpm: @song[:bpm], meter: @song[:meter], tuning_cents: @song[:cents],
        beats: (0...(@score.bars * @score.beats)).map { |beat| time(beat) }, downbeats: @edges[0...-1],
        keys: [{ start: @edges.first, end: @edges.last, tonic: @song[:tonic], mode: @song[:mode] }],
        chords:, sections:, layers:, techniques: }
    end

    private

    def time(beat) = (Renderer::LEAD_IN + (beat * @beat)).round(5)

    def key = Ethoscope::Harmony::Key.named(@song[:tonic], @song[:mode])

    def chords
      (0...@score.bars).map do |bar|
        root, quality = @score.chord(bar)
        { start: @edges[bar], end: @edges[bar + 1], label: Ethoscope::Harmony::Chord.on(root, quality).label(key) }
      end
    end

    def sections
      @score.parts.map do |place|
        { start: @edges[place[:first]], end: @edges[place[:last]], label: place[:part][:label], bars: place[:part][:bars] }
      end
    end

    # Runs of parts in which the layer plays; drums stop for the beats that are dropped.
    def layers
      ROLES.map do |layer, role|
        spans = @score.parts.select { |place| place[:part][:layers].include?(layer) }.map do |place|
          rest = Score::DRUMS.key?(layer) ? place[:part].fetch(:drop, 0) * @beat : 0
          [@edges[place[:first]], (@edges[place[:last]] - rest).round(5)]
        end
        { role:, spans: spans.slice_when { |a, b| b.first - a.last > 0.01 }.map { |run| [run.first.first, run.last.last] } }
      end
    end

    def techniques
      @score.parts.flat_map do |place|
        part = place[:part]
        from, to = @edges.values_at(place[:first], place[:last])
        [part[:drop] && { kind: "drum_drop", start: (to - (part[:drop] * @beat)).round(5), end: to },
         part[:dull] && { kind: "filtered_section", start: from, end: to, cutoff_hz: Renderer::DULL_HZ },
         part[:narrow] && { kind: "width_contrast", start: from, end: to }].compact
      end
    end
  end
end
