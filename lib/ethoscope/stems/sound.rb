# frozen_string_literal: true

module Ethoscope
  module Stems
    # All that is measured on one stem, told in the bars of the song. The method is our own.
    class Sound
      # Parts whose level is ducked or chopped must hold their sound; those that only strike have no pitch to be told.
      PITCHLESS = [*Layers::Role::STRUCK, Layers::Role::DRUMS, "fx"].freeze

      # @return [Stem]
      attr_reader :stem
      # @return [Rhythm::BeatGrid] the song's beats in the stem's own time
      attr_reader :grid

      # @param stem [Stem]
      # @param grid [Rhythm::BeatGrid] of the song
      # @param swing [Rhythm::Swing, nil]
      def initialize(stem, grid, swing)
        @stem = stem
        @song = grid
        @grid = grid.in_time_of(stem.offset, stem.speed)
        @swing = swing
      end

      # @return [Engine::Features] of the stem, in its own time
      def features = stem.features

      # @return [String]
      def role = stem.role

      # @return [StemLevel]
      def loudness = @loudness ||= StemLevel.new(features, grid)

      # @return [Array<Float>] how much of each beat sounds
      def playing = @playing ||= loudness.beats

      # @return [Layers::Presence] in the song's time
      def presence = @presence ||= Layers::Presence.new(playing, @song)

      # @return [Notes, nil] nil where pitch does not matter
      def notes = PITCHLESS.include?(role) ? nil : (@notes ||= Notes.new(features, grid))

      # @return [Line] its notes, where it plays one at a time
      def line = @line ||= Line.new(features, role)

      # @return [Envelope]
      def envelope = @envelope ||= Envelope.new(features)

      # @return [Breathing]
      def breathing = @breathing ||= Breathing.new(features, grid, playing)

      # @return [Echo]
      def echo = @echo ||= Echo.new(features, grid, envelope.onsets)

      # @return [Pattern]
      def pattern = @pattern ||= Pattern.new(features, Rhythm::StepGrid.new(grid, @swing), notes, presence.activity)

      # @return [Stereo]
      def stereo = @stereo ||= Stereo.new(features, grid)

      # @return [Tone]
      def tone = @tone ||= Tone.new(features, grid)

      # @param sections [Array<Form::Section>]
      # @param whole [Array<Float>] energy of the whole song by bar
      # @param ducked_by [String, nil] name of the stem whose strokes this one gives way to
      # @return [Hash] for the schema
      def to_h(sections:, whole:, ducked_by: nil)
        { name: stem.name, role:, offset: stem.offset, bars: bars(whole), crest_db: loudness.crest, shape: envelope.shape, density: timing.density(playing),
          timing: timing.to_h, pitch:, period: pattern.period, variations: pattern.variations(sections), **placed, **processed(ducked_by) }
      end

      private

      # Its place in the stereo field and in the spectrum.
      def placed
        { bandwidth: tone.bandwidth, brightness: tone.brightness, image: stereo.image, pan: stereo.pan, width: stereo.width, motion: stereo.motion }
      end

      # What was done to it, as far as that shows.
      def processed(ducked_by)
        { pumping: breathing.pumping&.merge(follows: ducked_by), gating: notes && breathing.gating, echo: echo.delay, tail_s: echo.tail }
      end

      def bars(whole)
        { level_db: loudness.levels, share: shares(whole), pan: stereo.pans, width: stereo.widths, brightness: tone.brightness_by_bar }
      end

      def shares(whole) = loudness.energies.zip(whole).map { |own, all| all.positive? ? (own / all).clamp(0.0, 1.0).round(3) : 0.0 }

      def timing = @timing ||= StemTiming.new(envelope.onsets, grid)

      def pitch
        found = notes
        return nil unless found&.register

        low, middle, high = found.register
        { line: found.line?, polyphony: found.polyphony, low:, middle:, high: }
      end
    end
  end
end
