# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Where a capo lets a set of chords be played in open shapes: the chords as they are fingered, so many semitones lower. Open shapes are those of
    # beginners' books. The way is our own.
    class GuitarCapo < Calculator
      ID = "capo"
      GROUP = "pitch"
      NAME = "Capo that makes chords easy"
      SENTENCE = "The chords {chords} on a guitar."
      BLANKS = [Blank.new(name: :chords, about: "Chords", kind: :chords, usual: "Fm7 Db Ab Eb")].freeze
      # Roots of open shapes by kind of third; a seventh of the plain kind is as easy.
      EASY = { major: %w[C A G E D], minor: %w[A E D] }.freeze
      # A barred shape counts half.
      BARRED = { major: %w[F B], minor: %w[B F#] }.freeze
      FRETS = (0..7)
      SHOWN = 4

      private

      def work
        chords = given[:chords].reject(&:none?)
        raise Errors::Unfit, "there is no chord to play" if chords.empty?

        best = FRETS.sort_by { |fret| [-ease(chords, fret), fret] }.first(SHOWN)
        best.reduce(Answer.start("Whole frets.")) do |answer, fret|
          easy = chords.count { |chord| shape?(chord, fret, EASY) }
          answer.line(fret.zero? ? "Without a capo" : "Capo at fret #{fret}", fingered(chords, fret), "#{easy} of #{chords.size} in open shapes")
        end.warn(ease(chords, best.first) < chords.size * 0.6, "No fret makes these easy; think of another tuning.")
      end

      def fingered(chords, fret)
        home = Harmony::Key.named("G", "major")
        chords.map { |chord| chord.transpose(-fret, home).to_s }.join(" ")
      end

      def ease(chords, fret) = chords.sum { |chord| [[EASY, 1.0], [BARRED, 0.5]].find { |shapes, _| shape?(chord, fret, shapes) }&.last || 0 }

      def shape?(chord, fret, shapes)
        third = chord.intervals.include?("b3") ? :minor : :major
        shapes.fetch(third).map { |name| Harmony::PitchClass.parse(name) }.include?((Harmony::PitchClass.parse(chord.root) - fret) % 12)
      end
    end
  end
end
