# frozen_string_literal: true

module Ethoscope
  module Attempts
    # One song bar by bar, as arrays that can be laid against those of another: harmony, strokes, levels and sound. Read off the prints of an analysis
    # (bar-synchronous features after Ellis, Cotton & Mandel, "Cross-correlation of beat-synchronous representations", ICASSP 2008).
    class Prints
      # MIDI numbers from which on notes are chords and tunes rather than bass, and below which they are bass.
      TREBLE = 52
      BASS = 50
      # The share of bars that are no louder stands for how loud a song is.
      LOUD = 0.9
      FULL = 99.0
      TENTHS = 10.0
      # Bands of the prints from 2.8 kHz on.
      HIGH = 7
      # Power of silence.
      SILENCE = 1e-12

      # @return [Analysis]
      attr_reader :analysis
      # @return [Hash] its schema
      attr_reader :data

      # @param analysis [Analysis] settled
      # @raise [Errors::Unfit] when an older engine made it, which printed no bars
      def initialize(analysis)
        @analysis = analysis
        @data = analysis.to_h
        raise Errors::Unfit, "the song was analysed by an older engine; let it be analysed again" if @data[:prints].nil?

        @kept = {}
      end

      # @return [Integer] number of bars
      def size = data[:bars].size

      # @return [Rhythm::Meter]
      def meter = Rhythm::Meter.named(data[:meter])

      # @return [Numo::DFloat] shape [bars, 2, 12], how strongly each pitch class sounds over the bass, by half bar
      def treble = @kept[:treble] ||= folded(TREBLE..)

      # @return [Numo::DFloat] shape [bars, 2, 12], the same of the bass
      def bass = @kept[:bass] ||= folded(..BASS)

      # @return [Numo::DFloat] shape [bars, 2, notes], 0 to 1, from the lowest note that is told
      def notes = @kept[:notes] ||= Numo::DFloat.cast(data[:prints][:notes]) / FULL

      # @return [Integer] MIDI number of the first of {#notes}
      def lowest = data[:prints][:lowest]

      # @param piece [String] kick, snare or hats
      # @return [Numo::DFloat, nil] shape [bars, steps], as stems or notes tell; nil where none do
      def told(piece) = data[:prints][:told][piece.to_sym]&.then { |rows| @kept["#{piece} told"] ||= Numo::DFloat.cast(rows) / FULL }

      # @param piece [String] kick, snare or hats
      # @return [Numo::DFloat] shape [bars, steps], 0 to 1, as the mix tells
      def strokes(piece) = @kept[piece] ||= Numo::DFloat.cast(data[:prints][:strokes].fetch(piece.to_sym)) / FULL

      # @param piece [String] kick, snare or hats
      # @return [Numo::DFloat] shape [bars, steps], 0 to 1, each step by itself, not read in its context
      def struck(piece) = @kept["#{piece} by itself"] ||= Numo::DFloat.cast(data[:prints][:heard].fetch(piece.to_sym)) / FULL

      # @param name [Symbol] low_rise, low_fall, body, crack or air_rise
      # @return [Numo::DFloat] shape [bars, steps], a natural logarithm: how far a register jumps or falls there, or how loud it is
      def attacks(name) = @kept[name] ||= Numo::DFloat.cast(data[:prints][:attacks].fetch(name)) / TENTHS

      # @param role [String]
      # @return [Numo::DFloat, nil] shape [bars], 0 to 1; nil where there is no such layer
      def activity(role) = data[:layers].find { |layer| layer[:role] == role }&.then { |layer| Numo::DFloat.cast(layer[:activity]) }

      # @return [Hash{Integer => Array<Hash>}] notes of the bass in the schema, by bar from 1
      def bass_notes = @kept[:bass_notes] ||= data[:bass][:notes].group_by { |note| note[:bar] }

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @return [Array<Hash>] chords in the schema that sound between, without silence
      def chords_within(from, to)
        chords = data[:chords]
        first = chords.bsearch_index { |chord| chord[:end] > from } || chords.size
        chords[first..].take_while { |chord| chord[:start] < to }.reject { |chord| chord[:label] == "N" }
      end

      # @return [Numo::DFloat] shape [bars, beats, bands], dB
      def bands = @kept[:bands] ||= Numo::DFloat.cast(data[:prints][:bands])

      # @return [Numo::DFloat] shape [bars], LU under or over the song's loud bars
      def energy
        @kept[:energy] ||= begin
          levels = data[:bars].map { |bar| bar[:energy] }
          loud = levels.sort[((levels.size - 1) * LOUD).floor]
          Numo::DFloat.cast(levels) - loud
        end
      end

      # @return [Float] dB by which the side of the stereo image stands over its middle
      def side_level
        loud = Numo::DFloat.cast(data[:bars].map { |bar| 10**(bar[:energy] / 10.0) })
        side = Numo::DFloat.cast(data[:bars].map { |bar| bar[:width] })
        10 * Math.log10(((loud * side).sum + SILENCE) / ((loud * (1 - side)).sum + SILENCE))
      end

      # @return [Float] dB by which what lies above 2.8 kHz stands over all
      def brightness
        power = (10**(bands / 10)).mean(axis: 0).mean(axis: 0)
        10 * Math.log10((power[HIGH..].sum + SILENCE) / (power.sum + SILENCE))
      end

      # @return [Array<Integer>] first bars of the sections
      def borders = data[:sections].map { |section| section[:first_bar] }

      private

      def folded(range)
        picked = notes.shape[2].times.select { |i| range.cover?(lowest + i) }
        out = Numo::DFloat.zeros(size, notes.shape[1], 12)
        picked.each { |i| out[true, true, (lowest + i) % 12] += notes[true, true, i]**2 }
        Numo::NMath.sqrt(out)
      end
    end
  end
end
