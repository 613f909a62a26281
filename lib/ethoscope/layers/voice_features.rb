# frozen_string_literal: true

module Ethoscope
  module Layers
    # What tells a voice from what else is held, beat by beat: formants that move under a held sound, tones that glide and waver between the semitones, and breath
    # and consonants beside the strokes (after Lehner, Widmer & Sonnleitner, "On the reduction of false positives in singing voice detection", ICASSP 2014, with
    # registers in the place of cepstra).
    class VoiceFeatures
      # Where formants and breath lie, in Hz, and in how many registers each is looked at.
      FORMANTS = (180.0..5500.0)
      REGISTERS = 12
      BREATH = (5500.0..10_500.0)
      # What is held sounds through so many frames of 12 ms; strokes do not. Vowels change over this many.
      HELD = 6
      VOWEL = 9
      # Octaves in which tones are looked at, as bins of {Signal::LogSpectra} whose first is the centre of a semitone, three a semitone.
      OCTAVES = [55, 60, 67, 72, 79].map { |pitch| (((pitch - 21) * 3) + 1)...(((pitch - 21 + 12) * 3) + 1) }.freeze
      # Level under the song's loud moments that is silence, and that of bins.
      FLOOR = 0.01
      FAINT = 1e-6
      LOUD_SHARE = 0.95
      # Beats to both sides that a beat is heard with, near and wide.
      NEAR = 1.0
      WIDE = 4.0

      TONES = %w[between wide line].flat_map { |kind| (1..OCTAVES.size).map { |octave| "#{kind} #{octave}" } }.freeze
      LEVELS = (1..REGISTERS).map { |register| "level #{register}" }.freeze
      NAMES = [*LEVELS, *(1..REGISTERS).map { |register| "moves #{register}" }, "breath", *LEVELS.map { |name| "#{name}, spread" }, "breath, spread",
               *TONES, "turns", "turns by semitone", *TONES.map { |name| "#{name}, spread" }].freeze
      INPUTS = %w[near wide beside].flat_map { |reach| NAMES.map { |name| "#{name}: #{reach}" } }.freeze

      # @param short_time [Signal::ShortTime]
      # @param spectra [Signal::LogSpectra]
      # @param edges [Array<Float>] seconds, of the beats
      def initialize(short_time, spectra, edges)
        @short = short_time
        @spectra = spectra
        @starts = Numo::DFloat[*edges[0...-1]]
        @ends = Numo::DFloat[*edges[1..]]
      end

      # @return [Numo::DFloat] shape [beats, INPUTS]: near, wide, and wide beside the song's mean
      def rows
        near, wide = [NEAR, WIDE].map { |reach| around(reach) }
        Numo::DFloat.hstack([near, wide, wide - wide.mean(axis: 0)])
      end

      private

      def around(reach)
        beats = (@ends - @starts) * (reach - 0.5)
        [[formants, @short.rate], [tones, @spectra.rate]].map { |series, rate| series.over((@starts - beats) * rate, (@ends + beats) * rate) }.then { |parts| Numo::DFloat.hstack(parts) }
      end

      # Means over spans of frames, and of some columns the spread beside.
      Columns = Value.of(:means, :spreads) do
        def over(from, to)
          mean, square = [means, means**2].map { |rows| Columns.between(rows, from, to) }
          spread = Numo::NMath.sqrt((square - (mean**2)).clip(0, nil))
          Numo::DFloat.hstack([mean, spread[true, spreads].dup])
        end

        def self.between(rows, from, to)
          sums = Numo::DFloat.zeros(rows.shape[0] + 1, rows.shape[1])
          sums[1.., true] = Numo::DFloat.cast(rows).cumsum(0)
          first = Numo::Int32.cast(from.round).clip(0, rows.shape[0] - 1)
          last = Numo::Int32.maximum(Numo::Int32.cast(to.round).clip(1, rows.shape[0]), first + 1)
          (sums[last, true] - sums[first, true]) / Numo::DFloat.cast(last - first).reshape(first.size, 1)
        end
      end
      private_constant :Columns

      # Held level by register, how fast its shape moves, and breath.
      def formants
        @formants ||= begin
          held = held_levels
          shape = held - held.mean(axis: 1, keepdims: true)
          moves = shape.new_zeros
          moves[VOWEL.., true] = (shape[VOWEL.., true] - shape[0...-VOWEL, true]).abs
          breath = Numo::NMath.log(relative(@short.level(BREATH)).reshape(held.shape[0], 1) + FLOOR)
          Columns.new(means: Numo::DFloat.hstack([held, moves, breath]), spreads: [*(0...REGISTERS), 2 * REGISTERS])
        end
      end

      def held_levels
        groups = @short.bands_in(FORMANTS).each_slice((@short.bands_in(FORMANTS).size / REGISTERS.to_f).ceil).to_a
        groups << groups.last while groups.size < REGISTERS
        levels = Numo::DFloat.cast(Numo::Linalg.dot(@short.bands, @short.averaging(groups)))
        (1...HELD).each { |shift| levels[0...-shift, true] = Numo::DFloat.minimum(levels[0...-shift, true], levels[shift.., true]) if shift < levels.shape[0] }
        loud = Signal::Series.percentile(levels.mean(axis: 1), LOUD_SHARE)
        Numo::NMath.log((levels / [loud, FAINT].max) + FLOOR)
      end

      def relative(level) = level / [Signal::Series.percentile(level, LOUD_SHARE), FAINT].max

      # Of each octave: how much of its strongest tone lies beside the semitone, how wide that tone is, and where it is; how much the spectrum turns from frame to
      # frame by thirds of semitones and by whole ones.
      def tones
        @tones ||= begin
          octaves = OCTAVES.map { |bins| tone(bins) }
          turns = [turns(@spectra.frames), turns(by_semitone)]
          columns = [*(0..2).flat_map { |kind| octaves.map { |octave| octave[kind] } }, *turns]
          Columns.new(means: Numo::DFloat.vstack(columns).transpose.dup, spreads: (0...(3 * OCTAVES.size)).to_a)
        end
      end

      # Whether the strongest tone lies beside a semitone, how wide it is, and where in the octave.
      def tone(bins)
        frames = Numo::DFloat.cast(@spectra.frames[true, (bins.begin - 3)...(bins.end + 3)])
        inner = frames[true, 3...-3].dup
        rows, size = inner.shape
        row = Numo::Int32.new(rows).seq
        top = inner.max_index(axis: 1) - (row * size)
        [Numo::DFloat.cast((top % 3).ne(0)), breadth(frames.flatten, (row * frames.shape[1]) + top + 3), Numo::DFloat.cast(top) / size]
      end

      # Level up to two bins beside the tops, against theirs.
      def breadth(flat, at) = [-2, -1, 1, 2].sum { |shift| flat[at + shift] } / (flat[at] + FAINT)

      def by_semitone
        frames = @spectra.frames
        count = (frames.shape[1] - 1) / 3
        frames[true, 0...(count * 3)].dup.reshape(frames.shape[0], count, 3).sum(axis: 2)
      end

      def turns(frames)
        upper = Numo::DFloat.cast(frames[true, (frames.shape[1] / 3)...(frames.shape[1] * 5 / 6)])
        length = Numo::NMath.sqrt((upper**2).sum(axis: 1)) + FAINT
        out = Numo::DFloat.zeros(frames.shape[0])
        out[1..] = 1 - ((upper[1.., true] * upper[0...-1, true]).sum(axis: 1) / (length[1..] * length[0...-1]))
        out
      end
    end
  end
end
