# frozen_string_literal: true

module Ethoscope
  module Techniques
    # How the notes of a passage stand to those of another one that has the same music: what is new, what is lost, and whether the one is the other an octave
    # away (transposition-invariant comparison after Müller & Clausen, "Transposition-invariant self-similarity matrices", ISMIR 2007, on what is gained and lost).
    class RegisterFeatures
      # MIDI pitches that are looked at: below them the bass moves by octaves too easily.
      LOWEST = 48
      OCTAVE = 12
      OCTAVES = 4
      MOVES = [OCTAVE, -OCTAVE].freeze
      # Intervals at which likeness is chance.
      OTHERS = [-9, -7, -5, -4, -3, 3, 4, 5, 7, 9].freeze
      # What a song reaches in a fifth of its time is loud.
      LOUD = 0.8
      # A band that is silent has this much sound.
      SILENCE = 0.5
      SHIFTS = ["an octave up", "an octave down", "elsewhere at best", "elsewhere"].freeze
      NAMES = [*["new is lost", "new is old", "lost is here"].product(SHIFTS).map { |what, where| "#{what}, #{where}" }, "new", "lost", "alike",
               *(1..OCTAVES).flat_map { |octave| %w[louder new lost].map { |what| "#{what} in octave #{octave}" } },
               *(2..OCTAVES).flat_map do |octave|
                 ["new in octave #{octave} is old", "new in octave #{octave} is lost", "lost in octave #{octave} is new", "octave #{octave} moves as the old"]
               end].freeze

      # @param notes [Harmony::NoteActivation]
      # @return [Numo::DFloat] shape [half beats, pitches from LOWEST], 0 to 1
      def self.rows(notes)
        rows = Numo::DFloat.cast(notes.activation)
        (rows / [Signal::Series.percentile(rows.max(axis: 1), LOUD), 1e-9].max).clip(0, 1)[true, (LOWEST - Harmony::NoteActivation::LOWEST)..].dup
      end

      # @param was [Numo::DFloat] shape [n, pitches], see {rows}, of a passage
      # @param is [Numo::DFloat] shape [m, pitches], of another; as far as the shorter one goes
      def initialize(was, is)
        count = [was.shape[0], is.shape[0]].min
        @was, @is = [was, is].map { |rows| rows[0...count, true].dup }
        @new = (@is - @was).clip(0, nil)
        @lost = (@was - @is).clip(0, nil)
        @all = @was.sum + 1e-6
      end

      # @return [Array<Float>] in the order of NAMES
      def to_a
        [*at_intervals(@new, @lost), *at_intervals(@new, @was), *at_intervals(@lost, @is), @new.sum / @all, @lost.sum / @all, likeness(@was, @is),
         *(0...OCTAVES).flat_map { |octave| amounts(octave) }, *(1...OCTAVES).flat_map { |octave| between(octave) }]
      end

      private

      # Likeness of the first to the second moved by each interval.
      def at_intervals(rows, others)
        by_chance = OTHERS.map { |interval| likeness(rows, shifted(others, interval)) }
        [*MOVES.map { |interval| likeness(rows, shifted(others, interval)) }, by_chance.max, by_chance.sum / by_chance.size]
      end

      def amounts(octave)
        [Math.log((octave_of(@is, octave).sum + SILENCE) / (octave_of(@was, octave).sum + SILENCE)), octave_of(@new, octave).sum / @all, octave_of(@lost, octave).sum / @all]
      end

      # What an octave gained and lost against what the octave under it had.
      def between(octave)
        under = octave - 1
        [likeness(octave_of(@new, octave), octave_of(@was, under)), likeness(octave_of(@new, octave), octave_of(@lost, under)),
         likeness(octave_of(@new, under), octave_of(@lost, octave)), likeness(*[octave_of(@new, octave), octave_of(@was, under)].map { |rows| rows - rows.mean(axis: 0) })]
      end

      def octave_of(rows, octave) = rows[true, (octave * OCTAVE)...((octave + 1) * OCTAVE)].dup

      def shifted(rows, by)
        out = Numo::DFloat.zeros(*rows.shape)
        by.positive? ? out[true, by..] = rows[true, 0...-by] : out[true, 0...by] = rows[true, -by..]
        out
      end

      def likeness(one, other) = (one * other).sum / Math.sqrt(((one**2).sum * (other**2).sum) + 1e-9)
    end
  end
end
