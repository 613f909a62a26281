# frozen_string_literal: true

module Ethoscope
  module Form
    # What comes back moved by semitones: the chords of a section in another section, what a layer plays in one section in another, and what one layer plays in
    # another layer at the same time (octave doublings among them). Read from what the analysis says, so that it follows what a person puts right. The method is
    # our own (transposition-invariant comparison after Müller & Clausen, "Transposition-invariant self-similarity matrices", ISMIR 2007, on symbols).
    class Returns
      # Of chords beat by beat, or of notes step by step, this share comes back; unmoved no more than that share does.
      SAME = 0.8
      APART = 0.4
      # A run is told apart from chance by so many bars, chords that differ, and notes.
      BARS = 4
      CHORDS = 3
      NOTES = 6
      # Steps of a beat on which notes are compared.
      PER_BEAT = 4
      OCTAVE = 12
      # A beat this many seconds before a section belongs to it; a chord sounds this many seconds after a beat.
      HAIR = 0.02
      AFTER = 0.1
      REACH = 24

      # @param data [Hash] the analysis schema
      def initialize(data)
        @data = data
        @beats = Rhythm::Meter.named(data[:meter]).beats
        @sections = data[:sections].select { |section| section[:bars].positive? }
      end

      # @return [Hash] sections: [{first_bar, of, of_bar, semitones}]; layers: [{layer, first_bar, of_bar, semitones}]; doublings: [{layer, like, semitones, bars}]
      #   where bars are the first bars of the sections in which it holds
      def to_h = { sections: moved_sections, layers:, doublings: }

      private

      def moved_sections
        @moved_sections ||= @sections.each_with_index.filter_map do |section, i|
          found = @sections.first(i).lazy.filter_map { |earlier| moved(chords(earlier), chords(section))&.then { |by| [earlier, by] } }.first
          found && { first_bar: section[:first_bar], of: found[0][:letter], of_bar: found[0][:first_bar], semitones: found[1] }
        end
      end

      # By beat root and triad of the chord that sounds there, nil where none does.
      def chords(section)
        @chords ||= {}
        @chords[section[:first_bar]] ||= within(section).map(&:last)
      end

      def within(section)
        first, after = [section[:start], section[:end]].map { |edge| by_beat.bsearch_index { |time, _| time >= edge - HAIR } || by_beat.size }
        by_beat[first...after]
      end

      # Each beat with the chord that sounds a little after it.
      def by_beat
        @by_beat ||= begin
          chords = @data[:chords].reject { |chord| chord[:state] == "refuted" }
          @data[:beats].take_while { |beat| beat < @data[:end] }.map do |beat|
            chord = chords.bsearch { |one| one[:end] > beat + AFTER }
            [beat, chord && chord[:start] <= beat + AFTER && chord[:label] != "N" ? root_and_kind(chord[:label]) : nil]
          end
        end
      end

      def root_and_kind(label)
        root, kind = label.split("/").first.split(":")
        [Harmony::PitchClass.parse(root), kind.to_s[/\A(?:min|dim|hdim|aug|sus)/] || "maj"]
      end

      # Semitones by which the second run is the first one moved; nil where it is not.
      def moved(one, other)
        size = [one.size, other.size].min
        return nil unless telling?(one.first(size)) && [one.size, other.size].max <= 2 * size

        counts = one.first(size).zip(other).filter_map { |before, after| before && after && interval(before, after) }.tally
        by, count = counts.reject { |shift, _| shift.zero? }.max_by(&:last)
        by && count >= SAME * size && counts.fetch(0, 0) < APART * size ? signed(by) : nil
      end

      # Whether a run is long enough, and says more than that one chord moved.
      def telling?(chords) = chords.size >= BARS * @beats && chords.compact.uniq.size >= CHORDS

      # Semitones up from a chord to another of its kind; nil where that is of another.
      def interval((root, kind), (later, other_kind)) = kind == other_kind ? (later - root) % OCTAVE : nil

      def signed(shift) = shift > OCTAVE / 2 ? shift - OCTAVE : shift

      def layers
        pitched.flat_map do |line|
          @sections.each_with_index.filter_map do |section, i|
            found = @sections.first(i).lazy.filter_map { |earlier| shift(notes(line, earlier), notes(line, section))&.then { |by| [earlier, by] } }.first
            next if found.nil? || moved_sections.any? { |told| told[:first_bar] == section[:first_bar] && told[:semitones] == found[1] }

            { layer: line[:layer], first_bar: section[:first_bar], of_bar: found[0][:first_bar], semitones: found[1] }
          end
        end
      end

      def doublings
        pitched.combination(2).filter_map do |line, other|
          held = @sections.filter_map { |section| shift(notes(other, section), notes(line, section), unmoved: true)&.then { |by| [by, section[:first_bar]] } }
          by, places = held.group_by(&:first).max_by { |_, group| group.size }
          by && { layer: line[:layer], like: other[:layer], semitones: by, bars: places.map(&:last) }
        end
      end

      def pitched = @pitched ||= @data[:lines].select { |line| line[:source] != "mix" && line[:notes].any? { |note| note[2] } }

      # Steps from the section's start, with the pitches that begin there.
      def notes(line, section)
        @notes ||= {}
        @notes[[line[:layer], section[:first_bar]]] ||= begin
          from = (section[:first_bar] - 1) * @beats
          inside = line[:notes].select { |beat, _, pitch, _| pitch && beat >= from - 0.1 && beat < from + (section[:bars] * @beats) - 0.1 }
          inside.to_set { |beat, _, pitch, _| [((beat - from) * PER_BEAT).round, pitch] }
        end
      end

      # Semitones by which the second set of notes is the first one moved: octaves first, for chords may fit elsewhere too.
      def shift(one, other, unmoved: false)
        least, most = [one.size, other.size].minmax
        return nil if least < NOTES || least < SAME * most

        by = differences(one, other).find { |shift, count| count >= SAME * most && (unmoved || !shift.zero?) }&.first
        by && (unmoved || (one & other).size < APART * most) ? by : nil
      end

      def differences(one, other)
        by_step = one.group_by(&:first)
        pairs = other.flat_map { |step, pitch| by_step.fetch(step, []).map { |_, earlier| pitch - earlier } }
        pairs.tally.select { |shift, _| shift.abs <= REACH }.sort_by { |shift, count| [-count, (shift % OCTAVE).zero? ? 0 : 1, shift.abs] }
      end
    end
  end
end
