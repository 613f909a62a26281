# frozen_string_literal: true

module Ethoscope
  module Measures
    # The chords of a song as its measures tell them: by section, as degrees, in another key.
    class SongHarmony
      # Names of notes in a symbol, and what they are called here.
      NAME = /[A-G][♭♯b#]{0,2}/
      NUMBERS = "CDEFGAB".chars.product(["", "♭", "♯", "b", "#", "♭♭", "♯♯", "bb", "##"]).to_h do |letter, signs|
        [letter + signs, Harmony::PitchClass.parse(letter + signs).to_s]
      end.freeze
      # 1 less what the task gives for a relative and a parallel key.
      RELATIVE = 0.7
      PARALLEL = 0.8
      # How keys of which pairs count (MIREX audio key detection): semitones up and whether the mode is the same kind.
      FIFTHS = [5, 7].freeze

      # @param one [Hash] tonic and mode
      # @param other [Hash]
      # @return [Float] 1 less the score of the field's key task
      def self.keys_apart(one, other)
        mine, theirs = [one, other].map { |key| Harmony::Key.named(key[:tonic], key[:mode]) }
        steps = (theirs.pitch_class - mine.pitch_class) % 12
        return FIFTHS.include?(steps) ? 0.5 : parallel(steps) if mine.minor? == theirs.minor?

        if steps == (mine.minor? ? 3 : 9)
          RELATIVE
        else
          parallel(steps)
        end
      end

      def self.parallel(steps) = steps.zero? ? PARALLEL : 1.0
      private_class_method :parallel

      # What a person who prefers flats writes as A♭m another one writes as G♯m.
      #
      # @param symbol [String]
      # @return [String] the same for all ways to spell it
      def self.sound(symbol) = symbol.gsub(NAME, NUMBERS)

      # @param voicing [Hash] notes with octaves
      # @return [Array<Integer>] MIDI pitches
      def self.pitches(voicing) = voicing[:notes].map { |name| Harmony::NoteName.parse(name) }

      # @param chords [Array<Hash>] with symbol and label
      # @param restatement [Restatement]
      # @return [Array<Hash>] in the new key
      def self.moved_chords(chords, restatement)
        return chords if restatement.stays?

        chords.map { |chord| chord.merge(symbol: moved_symbol(chord[:symbol], restatement), label: moved_label(chord[:label], restatement)) }
      end

      # @param voicings [Array<Hash>] symbol, and notes with octaves
      # @param restatement [Restatement]
      # @return [Array<Hash>] in the new key, as far up or down as the nearest way goes
      def self.moved_voicings(voicings, restatement)
        return voicings if restatement.stays?

        voicings.map do |voicing|
          notes = pitches(voicing).map { |pitch| Harmony::NoteName.of(pitch + restatement.semitones, restatement.spelling) }
          { symbol: moved_symbol(voicing[:symbol], restatement), notes: }
        end
      end

      # @param symbol [String]
      # @param restatement [Restatement]
      # @return [String] the same chord in the new key
      def self.moved_symbol(symbol, restatement) = Harmony::ChordSymbol.parse(symbol).spelled(restatement.semitones, restatement.spelling).to_s

      # Only the root of a label is a name; its bass is an interval.
      #
      # @param label [String] root:quality/bass, or N
      # @param restatement [Restatement]
      # @return [String]
      def self.moved_label(label, restatement)
        root, rest = label.split(":", 2)
        return label unless rest

        "#{restatement.spelling.spell((Harmony::PitchClass.parse(root) + restatement.semitones) % 12)}:#{rest}"
      end

      # @param song [Subject]
      def initialize(song)
        @song = song
        @beats = Rhythm::Meter.named(song.data[:meter]).beats
      end

      # @return [Array<Hash>] for each section its chords: bar and beat from 1 within it, beats, label and symbol
      def chords
        by_section { |section| named(section).map { |chord| placed(chord, section) } }
      end

      # @return [Array<Hash>] for each section the degrees of its chords, of runs of the same one
      def numerals = by_section { |section| named(section).map { |chord| chord[:degree] } }

      # @return [Array<Hash>] for each section the notes that a person, or a MIDI file, says of its chords
      def voicings
        by_section do |section|
          named(section).uniq { |chord| chord[:symbol] }.filter_map do |chord|
            notes = [chord[:voicing], chord[:written]].find { |list| list && !list.empty? }
            notes && { symbol: chord[:symbol], notes: }
          end
        end
      end

      # Degrees are read anew when the key was corrected.
      #
      # @return [Array<Hash>, nil] degree and the bars spent on it, most first
      def degrees
        sums = Hash.new(0.0)
        @song.data[:chords].each { |chord| sums[degree(chord)] += chord[:beats] / @beats.to_f if chord[:degree] }
        sums.empty? ? nil : sums.sort_by { |_, bars| -bars }.map { |degree, bars| { degree:, bars: bars.round(3) } }
      end

      # @return [Hash, nil] degrees of the main loop, one root each, and its bars
      def loop
        loop = @song.data[:loop] or return nil
        { degrees: loop[:symbols].map { |symbol| of_symbol(symbol) }, bars: loop[:bars] }
      end

      private

      # Nothing where no chord sounds.
      def by_section
        sure = @song.data[:chords].group_by { |chord| chord[:bar] }
        @song.by_section(aspect: "loop", source: @song.told_by[:chords], sure: ->(section) { confidence(section, sure) }) do |section|
          found = yield(section)
          found.empty? ? nil : found
        end
      end

      def confidence(section, by_bar)
        inside = (section[:first_bar]...(section[:first_bar] + section[:bars])).flat_map { |bar| by_bar.fetch(bar, []) }.filter_map { |chord| chord[:confidence] }
        inside.empty? ? 0.0 : (inside.sum / inside.size).round(3)
      end

      # Chords with a degree; of a run of the same one the first, with the beats of all.
      def named(section)
        runs = Form::SectionChords.of(@song.data, section).select { |chord| chord[:degree] }.chunk_while { |one, other| one[:symbol] == other[:symbol] }
        runs.map { |run| run.first.merge(beats: run.sum { |chord| chord[:beats] }) }
      end

      # One that began before the section is there from its first beat.
      def placed(chord, section)
        before = chord[:bar] < section[:first_bar]
        bar = before ? 1 : chord[:bar] - section[:first_bar] + 1
        beat = before ? 1.0 : chord[:beat]
        late = before ? ((section[:first_bar] - chord[:bar]) * @beats) - (chord[:beat] - 1) : 0
        left = (section[:bars] * @beats) - ((bar - 1) * @beats) - (beat - 1)
        { bar:, beat:, beats: [chord[:beats] - late, left].min, label: chord[:label], symbol: chord[:symbol] }
      end

      def degree(chord)
        return triad(chord[:degree]) unless @song.corrected?("key") && @song.key

        root, quality = chord[:label].split(":")
        plain_degree(Harmony::PitchClass.parse(root), quality)
      end

      def of_symbol(symbol)
        root = symbol[/\A[A-G][♭♯]*/].tr("♭♯", "b#")
        quality = symbol.sub(/\A[A-G][♭♯]*/, "")
        minor = quality.start_with?("m") && !quality.start_with?("maj")
        plain_degree(Harmony::PitchClass.parse(root), minor || quality.start_with?("dim") ? "min" : "maj")
      end

      def plain_degree(root, quality)
        base = Harmony::Degree.numeral_of(root, @song.key || Restatement::UNKEYED)
        Harmony::Degree::SMALL.include?(quality.split("/").first) ? base.tr("IV", "iv") : base
      end

      # Sevenths and suspensions count with the triad of their degree.
      def triad(numeral) = numeral[/\A[♭♯]?[IViv]+/]
    end
  end
end
