# frozen_string_literal: true

module Ethoscope
  module Harmony
    # What speaks for a key in a stretch of half beats: which chords sound, which chords phrases start with, which open and
    # close it, and which notes sound in all and in the bass (chord-based key finding after Noland & Sandler, ISMIR 2006).
    class KeyEvidence
      # Qualities that do the same job in a key.
      FAMILIES = { "major" => %w[maj maj6 aug], "seventh" => %w[7], "major seventh" => %w[maj7], "minor" => %w[min], "minor seventh" => %w[min7],
                   "suspended" => %w[sus4 sus2], "diminished" => %w[dim hdim7 dim7] }.freeze
      # Families that say something at the edges.
      EDGE_FAMILIES = FAMILIES.keys.first(5).freeze
      # A phrase is taken to start every so many bars.
      PHRASE_BARS = 4
      ALL_NOTES = (45..90)
      BASS_NOTES = (28..50)
      # How much each kind of evidence is stretched before it is weighed; they keep the penalty of learning even.
      SCALES = { chords: 3.0, phrases: 1.0, opening: 0.5, closing: 0.5, notes: 2.0, bass: 1.5 }.freeze
      # A half beat with less belief than this in any chord holds none.
      SOUNDING = 0.5

      NAMES = (
        %w[chords phrases].flat_map { |kind| (0..11).flat_map { |step| FAMILIES.keys.map { |family| "#{kind} +#{step} #{family}" } } } +
        %w[opening closing].flat_map { |kind| (0..11).flat_map { |step| EDGE_FAMILIES.map { |family| "#{kind} +#{step} #{family}" } } } +
        %w[notes bass].flat_map { |kind| (0..11).map { |step| "#{kind} +#{step}" } }
      ).freeze

      # @param belief [Numo::DFloat] shape [half beats, 12 roots * qualities + 1], see {ChordRecognizer#belief}
      # @param notes [NoteActivation] over the same half beats
      # @param grid [Rhythm::BeatGrid] that the half beats belong to
      def initialize(belief, notes, grid)
        @families = families(belief)
        @all = notes.chroma(ALL_NOTES)**2
        @bass = notes.chroma(BASS_NOTES)**2
        @first_bar = 2 * grid.pickup
        @bar = 2 * grid.meter.beats
        freeze
      end

      # @return [Integer] number of half beats
      def size = @families.shape[0]

      # @param range [Range<Integer>] half beats, end exclusive; all of them when left out
      # @return [Numo::DFloat] shape [12 tonics, NAMES]
      def rows(range = 0...size)
        parts = chord_parts(range)
        notes, bass = [@all, @bass].map { |chroma| share(chroma[range, true].mean(axis: 0)) }
        Numo::DFloat.vstack((0..11).map { |tonic| row(parts, notes, bass, tonic) })
      end

      private

      def families(belief)
        chords = belief[true, 0...-1].dup.reshape(belief.shape[0], 12, ChordModel::QUALITIES.size)
        out = Numo::DFloat.zeros(belief.shape[0], 12, FAMILIES.size)
        FAMILIES.each_value.with_index do |members, i|
          members.each { |quality| out[true, true, i] += chords[true, true, ChordModel::QUALITIES.index(quality)] }
        end
        out
      end

      def chord_parts(range)
        halves = range.to_a
        sounding = halves.select { |half| @families[half, true, true].sum > SOUNDING }
        sounding = halves if sounding.empty?
        phrases = halves.select { |half| half >= @first_bar && (half - @first_bar) % (PHRASE_BARS * @bar) < @bar / 2.0 }
        { chords: halves, phrases: phrases.empty? ? halves : phrases, opening: sounding.first(@bar), closing: sounding.last(@bar) }
          .transform_values { |kept| mean(kept) }
      end

      def mean(halves)
        mean = @families[halves, true, true].mean(axis: 0)
        mean / [mean.sum, 1e-6].max
      end

      def share(squares) = Numo::NMath.sqrt(squares / [squares.sum, 1e-9].max)

      def row(parts, notes, bass, tonic)
        order = (Numo::Int32.new(12).seq + tonic) % 12
        chords = parts.map do |kind, mean|
          turned = mean[order, true] * SCALES.fetch(kind)
          %i[opening closing].include?(kind) ? turned[true, 0...EDGE_FAMILIES.size].dup.flatten : turned.flatten
        end
        Numo::DFloat.hstack([*chords, notes[order] * SCALES[:notes], bass[order] * SCALES[:bass]])
      end
    end
  end
end
