# frozen_string_literal: true

module Ethoscope
  module Calculators
    # The simpler chords that lie inside a chord: a minor ninth holds a major seventh chord on its third (Levine, "The Jazz Theory Book", 1995, ch. 5).
    class UpperStructures < Calculator
      ID = "upper_structures"
      GROUP = "pitch"
      NAME = "Chords inside a chord"
      SENTENCE = "Inside {chord} lie…"
      BLANKS = [Blank.new(name: :chord, about: "Chord", kind: :chord, usual: "Am9")].freeze
      INNER = ["maj7", "m7", "7", "m7b5", "dim7", "", "m", "dim", "aug"].freeze
      NAMES = %w[root ♭9 9 third third 11 ♭5 fifth ♯5 sixth seventh seventh].freeze

      private

      def work
        chord = given[:chord]
        raise Errors::Unfit, "N.C. has no notes" if chord.none?

        root = Harmony::PitchClass.parse(chord.root)
        found = chord.pitch_classes.drop(1).flat_map { |pitch_class| INNER.filter_map { |suffix| inside(chord, pitch_class, suffix) } }
        raise Errors::Unfit, "no other chord lies inside #{chord}; a seventh or ninth chord holds some" if found.empty?

        found.sort_by { |inner| -inner.intervals.size }.reduce(Answer.start("Nothing is rounded.")) do |answer, inner|
          answer.line(inner.to_s, Figures.signs(inner.notes.join(" ")), "on its #{NAMES[(Harmony::PitchClass.parse(inner.root) - root) % 12]}")
        end
      end

      def inside(chord, pitch_class, suffix)
        key = Harmony::Key.new(pitch_class: Harmony::PitchClass.parse(chord.root), mode: chord.intervals.include?("b3") ? "minor" : "major")
        inner = Harmony::ChordSymbol.parse("#{key.spell(pitch_class)}#{suffix}")
        inner if (inner.pitch_classes - chord.pitch_classes).empty?
      end
    end
  end
end
