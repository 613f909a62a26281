# frozen_string_literal: true

module Ethoscope
  module Sheet
    # Loops and cadences read anew from the chords as a person put them: what rests on a chord follows when it is corrected.
    class HeardHarmony
      # @param data [Hash] the schema of a sheet, with {ChordLine#chords} and its sections
      def initialize(data)
        @data = data
        @timeline = Timeline.new(data)
        @keys = LocalKeys.new(data)
        @key = @keys.at(1)
        @chords = data[:chords].reject { |chord| chord[:state] == "refuted" }
      end

      # @return [Hash] loop, loops and cadences in the schema
      def to_h
        main = Harmony::LoopFinder.new(bars, @key).main
        loops = Harmony::SectionLoops.new(bars, sections, @key).loops
        { loop: main&.described(@key), loops: loops.map { |letters, loop| loop.described(@key).merge(letters:) }, cadences: }
      end

      private

      def sections = @data[:sections].map { |section| Form::Section.new(**section.slice(*Form::Section.members)) }

      def cadences
        sounding = @chords.map { |chord| [chord[:bar], read(chord)] }.reject { |_, chord| chord.none? }
        Harmony::Cadence.find(sounding, @key, @data[:sections].drop(1).map { |section| section[:first_bar] }).map(&:to_h)
      end

      # The chord that fills most of each half of each bar.
      def bars
        @bars ||= (1..@timeline.bars).map do |bar|
          edges = [1.0, 1.0 + (@timeline.beats_per_bar / 2.0), 1.0 + @timeline.beats_per_bar].map { |beat| @timeline.seconds(bar, beat) }
          edges.each_cons(2).map { |from, to| filling(from, to) }
        end
      end

      def filling(from, to)
        held = @chords.max_by { |chord| [chord[:end], to].min - [chord[:start], from].max }
        held && held[:end] > from && held[:start] < to ? read(held) : Harmony::Chord.none
      end

      def read(chord) = (@read ||= {})[[chord[:symbol], chord[:bar]]] ||= Harmony::ChordSymbol.parse(chord[:symbol]).chord(@keys.at(chord[:bar]))
    end
  end
end
