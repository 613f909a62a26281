# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Follows the lowest register as one voice: notes begin where {Rhythm::StrokesInContext} is sure that one does, or where the strongest low note becomes another
    # and stays so; their pitch is the strongest low note of the time that they fill
    # (after Goto, "A real-time music-scene-description system", Speech Communication 2004, PreFEst-core for the bass).
    class BassLine
      # MIDI numbers in which a bass plays.
      RANGE = (28..52)
      # A note sounds when it reaches this share of the song's strong bass notes.
      SOUNDING = 0.22
      STRONG_SHARE = 0.9
      # A note within this share of the strongest is preferred when it lies an octave lower.
      OCTAVE_BELOW = 0.95
      # A note begins where that is this likely.
      BEGINS = 0.65
      # The pitch of a note is read from so many half beats of it.
      READ_HALVES = 3
      # Half beats that a note fills only in part count by this power of that part.
      SHARP = 2
      # Another pitch that stays for so many half beats is another note, though no attack is heard; that is so sure.
      STAYS = 2
      TURN = 0.5
      # Notes that are shown one by one are at least so sure.
      SHOWN = 0.8
      TONES = { 0 => "root", 3 => "third", 4 => "third", 7 => "fifth", 6 => "fifth", 8 => "fifth", 10 => "seventh", 11 => "seventh" }.freeze

      # @param notes [NoteActivation] over half beats
      # @param spans [Array<ChordRecognizer::Span>]
      # @param begins [Numo::DFloat] shape [bars, steps], how likely a note begins there
      # @param steps [Rhythm::StepGrid]
      # @param pickup [Integer] beats before bar 1
      def initialize(notes, spans, begins, steps, pickup)
        @rows = notes.activation[true, (RANGE.begin - NoteActivation::LOWEST)..(RANGE.end - NoteActivation::LOWEST)].dup
        @chords = spans.flat_map { |span| [span.chord] * (span.last - span.first) }
        @begins = begins
        @steps = steps
        @pickup = pickup
        @heard = pitches_by_half_beat
      end

      # @param pitch [Integer] MIDI number
      # @param chord [Chord, nil]
      # @return [String] which tone of the chord it is: "root", "third", "fifth", "seventh" or "other"
      def self.tone(pitch, chord) = chord.nil? || chord.none? ? "other" : TONES.fetch((pitch - chord.root) % 12, "other")

      # @return [Array<BassNote>] in order; rests are left out
      def notes = (starts + [@steps.bars * @steps.steps / @steps.per_beat.to_f]).each_cons(2).filter_map { |from, to| note(from, to) }

      # @param notes [Array<BassNote>]
      # @return [Hash{String => Float}] share of the playing time by tone of the chord
      def self.shares(notes)
        total = notes.sum(&:beats)
        return {} unless total.positive?

        notes.group_by(&:tone).transform_values { |group| (group.sum(&:beats) / total.to_f).round(3) }
      end

      private

      def half(beat) = ((beat + @pickup) * 2).floor

      # Beats on which notes begin.
      def starts
        attacks = (@begins.flatten >= BEGINS).where.to_a.map { |step| step / @steps.per_beat.to_f }
        halves = attacks.map { |beat| half(beat) }
        (attacks + turns.reject { |place| halves.any? { |other| (other - place).abs <= 1 } }.map { |place| (place / 2.0) - @pickup }).uniq.sort
      end

      # Half beats from which on another pitch is heard for a while, or one after a rest.
      def turns
        ((2 * @pickup)...@heard.size).select do |place|
          now = @heard[place]
          now && other?(now, place.positive? ? @heard[place - 1] : nil) && @heard[place, STAYS].all?(now)
        end
      end

      def sure(from)
        bar, step = (from * @steps.per_beat).round.divmod(@steps.steps)
        likely = @begins[bar, step]
        (likely >= BEGINS ? likely : TURN).round(2)
      end

      def other?(pitch, before) = before.nil? || (pitch - before) % 12 != 0

      def note(from, to)
        first = half(from)
        last = [first + 1, (((to + @pickup) * 2) - 0.01).ceil].max
        sounding = (first...[last, @heard.size].min).take_while { |place| @heard[place] }.size
        return nil if sounding.zero?

        stop = [to, ((first + sounding) / 2.0) - @pickup].min
        return nil unless stop > from

        pitch = read(from, stop, first, sounding).then { |row| pitch(row.to_a, row.max) }
        BassNote.new(pitch:, beat: from.round(4), beats: (stop - from).round(4), start: @steps.seconds(from).round(3), end: @steps.seconds(stop).round(3),
          tone: self.class.tone(pitch, @chords[first]), sure: sure(from))
      end

      # What sounds in the first half beats of a note, each as far as the note fills it.
      def read(from, stop, first, sounding)
        halves = (first...(first + [sounding, READ_HALVES].min)).to_a
        start, finish = [from, stop].map { |beat| (beat + @pickup) * 2 }
        weights = halves.map { |half| ([half + 1, finish].min - [half, start].max)**SHARP }
        (@rows[halves, true] * Numo::DFloat[*weights].reshape(halves.size, 1)).sum(axis: 0)
      end

      def pitches_by_half_beat
        strongest = @rows.max(axis: 1)
        floor = Signal::Series.percentile(strongest, STRONG_SHARE) * SOUNDING
        strongest.to_a.each_with_index.map { |level, row| level > floor && level.positive? ? pitch(@rows[row, true].to_a, level) : nil }
      end

      def pitch(row, level)
        top = row.index(level)
        below = top - 12
        top = below if below >= 0 && row[below] > OCTAVE_BELOW * level
        RANGE.begin + top
      end
    end
  end
end
