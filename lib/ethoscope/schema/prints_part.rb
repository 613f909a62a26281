# frozen_string_literal: true

module Ethoscope
  class Schema
    # What each bar sounds like, in small whole numbers, so that two recordings can be laid against each other bar by bar: notes by half bar, strokes by step,
    # spectrum by beat (bar-synchronous features after Ellis, Cotton & Mandel, "Cross-correlation of beat-synchronous representations",
    # ICASSP 2008).
    class PrintsPart
      # MIDI numbers that are told.
      NOTES = (28..88)
      # Third octaves that make one band.
      THIRDS = 3
      HALVES = 2
      # The largest whole number of notes and strokes.
      FULL = 99
      # Notes as loud as this share of all moments have are full.
      LOUD = 0.98
      # Of what {Rhythm::StrokeModel} hears at a step, what tells the pieces of a kit apart best.
      ATTACKS = { low_rise: "rise 1", low_fall: "fall 1", body: "level 6", crack: "level 10", air_rise: "rise 10" }.freeze
      TENTHS = 10
      PIECES = Rhythm::DrumSteps::PIECES

      # @param findings [Engine::Findings]
      def initialize(findings, _confidence)
        @grid = findings.grid
        @hearing = findings.count.hearing
        @drums = findings.playing.drums
        @field = findings.features.field
      end

      # @return [Hash]
      def to_h
        { prints: { lowest: NOTES.begin, notes:, strokes: of_pieces { |piece| @drums.of_mix(piece) }, told:, heard: of_pieces { |piece| heard(piece) }, attacks:, bands: } }
      end

      private

      # Per bar and half of it, of each note 0 to FULL.
      def notes
        activation = Numo::NMath.sqrt(@hearing.notes.activation[true, (NOTES.begin - Harmony::NoteActivation::LOWEST)..(NOTES.end - Harmony::NoteActivation::LOWEST)])
        loudest = Signal::Series.percentile(activation.max(axis: 1), LOUD)
        scaled = (activation * (FULL / [loudest, 1e-9].max)).clip(0, FULL)
        beats = @grid.meter.beats
        (0...@grid.bars).map do |bar|
          first = 2 * (@grid.pickup + (bar * beats))
          Array.new(HALVES) { |half| scaled[(first + (half * beats))...(first + ((half + 1) * beats)), true].mean(axis: 0).round.to_a.map(&:to_i) }
        end
      end

      # Per piece, bar and step 0 to FULL.
      def of_pieces = PIECES.to_h { |piece| [piece.to_sym, whole(yield(piece) * FULL)] }

      # Of the pieces that stems or a score tell.
      def told = PIECES.select { |piece| @drums.told?(piece) }.to_h { |piece| [piece.to_sym, whole(@drums.likely(piece) * FULL)] }

      def heard(piece) = @drums.heard[true, true, PIECES.index(piece)]

      # Per kind of sound, bar and step ten times a natural logarithm.
      def attacks = ATTACKS.transform_values { |column| whole(@drums.acoustics[true, true, Rhythm::StrokeModel::INPUTS.index(column)] * TENTHS) }

      def whole(rows) = rows.round.to_a.map { |row| row.map(&:to_i) }

      # Per bar, beat and band dB.
      def bands
        power = @field.left + @field.right
        edges = @grid.edges[@grid.pickup..]
        rows = (0...(@grid.bars * @grid.meter.beats)).map { |beat| in_bands(power[@field.frames(edges[beat], edges[beat + 1]), true].mean(axis: 0).to_a) }
        rows.each_slice(@grid.meter.beats).to_a
      end

      def in_bands(thirds) = thirds.each_slice(THIRDS).map { |band| (10 * Math.log10(band.sum + 1e-12)).round }
    end
  end
end
