# frozen_string_literal: true

module Ethoscope
  module Engine
    # Who plays what: layers, the bass line and which source told it, lead lines, drum patterns by section, micro-timing, what enters and leaves.
    # The method is our own.
    Playing = Value.of(:layers, :bass, :bass_source, :leads, :patterns, :timings, :changes, :lines, :drums)

    # Finds what is {Playing}, each by the best source that tells it.
    class LayerStage
      # @param features [Features]
      # @param count [Count]
      # @param spans [Array<Harmony::ChordRecognizer::Span>]
      # @param sections [Array<Form::Section>]
      # @param gaps [Gaps]
      def initialize(features, count, spans, sections, gaps)
        @features = features
        @count = count
        @spans = spans
        @sections = sections
        @gaps = gaps
      end

      # @return [Playing]
      def result
        layers = @gaps.beside("the layers", []) { ensemble.layers(of_mix) }
        told = @gaps.beside("the bass of stems and MIDI", []) { ensemble.bass(@spans) }
        bass = told.empty? ? heard_bass : told
        Playing.new(layers:, bass:, bass_source: told.empty? ? "mix" : ensemble.source_of("bass"), leads:, patterns:, timings:, lines: lines(bass, layers), drums:,
          changes: @gaps.beside("what enters and leaves", []) { Form::Changes.new(layers, @sections, @count.drums.hat_rates).list })
      end

      private

      def ensemble = @count.ensemble

      def hearing = @count.hearing

      def of_mix
        layers = Layers::Activity.new(@features.short, hearing.notes, @count.grid, hearing.drums, played).layers
        @gaps.beside("the voice", layers) { Layers::Voice.new(@features.short, @features.spectra, @count.grid).beside(layers) }
      end

      def heard_bass = @gaps.beside("the bass line", []) { Harmony::BassLine.new(hearing.notes, @spans, played.likely("bass"), hearing.steps, @count.grid.pickup).notes }

      def leads
        @gaps.beside("the lead lines", []) do
          lines = Layers::LeadLine.new(hearing.notes, @count.grid)
          @sections.filter_map { |section| lines.between(section.first_bar, section.bars) }
        end
      end

      # Strokes step by step, those of the mix in their context.
      def drums = @drums ||= @gaps.beside("strokes in their context", @count.drums) { @count.drums.read_in(played) }

      def patterns
        @gaps.beside("the drum steps", []) do
          patterns = Rhythm::DrumPatterns.new(@count.drums, played, silent: ensemble.silent_roles)
          @count.rhythm ? @sections.map { |section| patterns.pattern(section.first_bar, section.bars) } : []
        end
      end

      # Strokes and the starts of bass notes as the mix tells them, in their context.
      def played
        @played ||= Rhythm::StrokesInContext.new(@count.drums, @features.spectra, @sections.map { |section| (section.first_bar - 1)...section.last_bar })
      end

      # What each layer plays, by the best source that tells of it.
      def lines(bass, layers)
        @gaps.beside("what each layer plays", []) do
          players = ensemble.players(drums:, bass: bass.select { |note| note.sure >= Harmony::BassLine::SHOWN })
          @count.rhythm ? Ensemble::Lines.new(players, @count.grid, hearing.steps, @sections, layers).all : []
        end
      end

      def timings = @gaps.beside("the micro-timing", []) { Rhythm::MicroTiming.new(@features.onset, @count.steps).timings }
    end
  end
end
