# frozen_string_literal: true

module Ethoscope
  module Techniques
    # What every detector looks at: beats, sections, harmony, who plays what, and the sound of the mix beat by beat and bar by bar. What
    # is not given is worked out from the features when it is first asked for. The method is our own.
    class Scene
      # The level of bars of which none is told.
      USUAL_LUFS = -14.0
      # Hertz that make a sound bright, among all.
      BRIGHT = (3000.0..11_000.0)
      ALL = (60.0..11_000.0)
      # What lies this close to a joint belongs to the other side.
      JOINT_SECONDS = [0.03, 0.05].freeze
      # What comes a hair early belongs to the beat.
      EARLY_BEATS = 0.06

      # @return [Rhythm::BeatGrid]
      attr_reader :grid
      # @return [Array<Form::Section>]
      attr_reader :sections
      # @return [Engine::Features, nil]
      attr_reader :features
      # @return [Harmony::Key, nil]
      attr_reader :key
      # @return [Array<Harmony::KeyFinder::Stretch>] keys from bar to bar
      attr_reader :stretches
      # @return [Array<Harmony::ChordRecognizer::Span>] chords over half beats
      attr_reader :spans
      # @return [Harmony::Loop, nil]
      attr_reader :loop
      # @return [Harmony::NoteActivation, nil]
      attr_reader :notes
      # @return [Array<Layers::Layer>]
      attr_reader :layers
      # @return [Array<Form::Change>]
      attr_reader :changes
      # @return [Array<Float>] side share by bar
      attr_reader :width
      # @return [Array<Float>] loudness by bar in LUFS
      attr_reader :energy
      # @return [Rhythm::DrumSteps, nil]
      attr_reader :drums
      # @return [Rhythm::StepGrid, nil]
      attr_reader :steps
      # @return [Array<Player>]
      attr_reader :players
      # @return [Boolean] false when the tempo moves
      attr_reader :constant

      # @param grid [Rhythm::BeatGrid]
      # @param sections [Array<Form::Section>]
      # @param found [Hash] any of the other attributes, and of the series beats, brightness, strokes and hat_rates
      def initialize(grid:, sections:, **found)
        @grid = grid
        @sections = sections
        @features, @key, @loop, @notes, @drums, @steps = found.values_at(:features, :key, :loop, :notes, :drums, :steps)
        @stretches, @spans, @layers, @changes, @players = %i[stretches spans layers changes players].map { |name| found.fetch(name, []) }
        @width = found[:width] || ([0.0] * grid.bars)
        @energy = found[:energy] || ([USUAL_LUFS] * grid.bars)
        @constant = found.fetch(:constant, true)
        @beats, @brightness, @strokes, @hat_rates = found.values_at(:beats, :brightness, :strokes, :hat_rates)
      end

      # @param role [String]
      # @return [Ensemble::Player, nil] the one that plays most
      def player(role) = players.select { |player| player.role == role }.max_by { |player| player.events.size }

      # @return [Array<Player>] known by more than the mix
      def told = players.reject { |player| player.source == "mix" }

      # @param roles [Array<String>]
      # @return [String] the best source that tells of them
      def source_of(roles) = players.select { |player| roles.include?(player.role) }.map(&:source).max_by { |source| %w[mix stem midi].index(source) } || "mix"

      # @return [Integer] beats in a bar
      def bar_beats = grid.meter.beats

      # @param number [Integer] a bar, from 1
      # @return [Range<Integer>] its beats since the start of bar 1, end exclusive
      def beats_of(number) = ((number - 1) * bar_beats)...(number * bar_beats)

      # @param beat [Numeric] since the start of bar 1
      # @return [Integer] the bar that holds it, from 1
      def bar_of(beat) = (beat / bar_beats).floor + 1

      # @param found [Array<Array>] rows that begin with a section, in order
      # @return [Array<Array<Array>>] rows of sections that follow on each other, together
      def joined(found) = found.slice_when { |a, b| b[0].first_bar != a[0].last_bar + 1 }.to_a

      # @param run [Array<Array>] one of {joined}
      # @return [Range<Integer>] its bars, from 1
      def bars_of(run) = run.first[0].first_bar..run.last[0].last_bar

      # @param section [Form::Section]
      # @return [Range<Integer>] its beats since the start of bar 1, end exclusive
      def beats_in(section) = ((section.first_bar - 1) * bar_beats)...(section.last_bar * bar_beats)

      # @param section [Form::Section]
      # @return [Range<Integer>] its bars counted from 0
      def bars_in(section) = (section.first_bar - 1)...section.last_bar

      # @return [Hash{Symbol => Array<Float>}] :low, :middle, :high onset strength on each beat since bar 1, the song's mean being 1
      def beats = @beats ||= { low: features.onset.low, middle: features.onset.middle, high: features.onset.high }.transform_values { |curve| by_beat(curve) }

      # @return [Array<Float>] how many pieces of the kit are struck on each beat since bar 1, by likelihood in the mix
      def strokes = @strokes ||= Rhythm::DrumSteps::PIECES.filter_map { |piece| hits(piece) }.transpose.map(&:sum)

      # @return [Array<Float>] hat strokes per beat, by bar
      def hat_rates = @hat_rates ||= player("hats")&.then { |hats| hats.source == "mix" ? drums.hat_rates : counted(hats) } || drums&.hat_rates || ([0.0] * grid.bars)

      # @return [Array<Float>] level above 3 kHz against all, in dB, by bar
      def brightness = @brightness ||= bar_ratios(BRIGHT, ALL)

      # @return [Rises, nil] noise that swells up to sections
      def rises = features && (@rises ||= Rises.new(self))

      # @param values [Array<Float>] by bar
      # @param section [Form::Section]
      # @return [Float] the middle bar's value, so that one bar without drums does not speak for the section
      def middle(values, section) = Signal::Middle.of(values[bars_in(section)])

      # @param kind [String]
      # @param bars [Range<Integer>] from 1
      # @param confidence [Float]
      # @param detail [Hash] figures
      # @param place [Hash] start and end in seconds where they are not those of the bars; source; evidence
      # @return [Sighting]
      def sighting(kind, bars, confidence:, detail: {}, **place)
        edges = grid.bar_edges
        first = bars.begin.clamp(1, grid.bars)
        last = bars.max.clamp(first, grid.bars)
        Sighting.new(kind:, first_bar: first, last_bar: last, start: (place[:start] || edges[first - 1]).round(3), end: (place[:end] || edges[last]).round(3),
          confidence: confidence.clamp(0.0, 0.99).round(2), detail:, source: place.fetch(:source, "mix"), evidence: place[:evidence])
      end

      # @param label [String]
      # @param values [Array<Float, nil>]
      # @param unit [String]
      # @param threshold [Float, nil]
      # @param first_bar [Integer]
      # @param step [Float] bars between values
      # @return [Evidence]
      def evidence(label, values, unit:, threshold: nil, first_bar: 1, step: 1.0)
        Evidence.new(label:, unit:, first_bar:, step:, values: values.map { |value| value&.to_f&.round(3) }, threshold: threshold&.to_f&.round(3))
      end

      private

      def by_beat(curve)
        mean = [curve.mean, 1e-9].max
        rate = features.onset.rate
        grid.edges[grid.pickup..].each_cons(2).map do |from, to|
          first = ((from - JOINT_SECONDS.first) * rate).round.clamp(0, curve.size - 1)
          curve[first..((to - JOINT_SECONDS.last) * rate).round.clamp(first, curve.size - 1)].max / mean
        end
      end

      # By beat, 1 where a piece is struck for certain; nil where nothing is known of it.
      def hits(piece)
        known = player(piece)
        return drums && most_by_beat(drums.likely(piece)) if known.nil? || known.source == "mix"

        struck = known.events.map { |event| (event.beat + EARLY_BEATS).floor }.tally
        (0...(grid.bars * bar_beats)).map { |beat| struck.key?(beat) ? 1.0 : 0.0 }
      end

      def most_by_beat(likely) = likely.to_a.flat_map { |bar| bar.each_slice(bar.size / bar_beats).map(&:max) }

      def counted(hats) = (0...grid.bars).map { |bar| hats.within((bar * bar_beats)...((bar + 1) * bar_beats)).size / bar_beats.to_f }

      def bar_ratios(range, whole)
        top, all = [range, whole].map { |hertz| features.short.level(hertz) }
        grid.bar_edges.each_cons(2).map do |from, to|
          frames = Signal::Series.frames(from, to, features.short.rate, features.short.size)
          20 * Math.log10((top[frames].mean + 1e-7) / (all[frames].mean + 1e-7))
        end
      end
    end
  end
end
