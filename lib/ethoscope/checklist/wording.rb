# frozen_string_literal: true

module Ethoscope
  module Checklist
    # Patterns, notes and places as a person at an instrument reads them: bar by bar over what returns, then each bar that differs.
    class Wording
      # What is nearer by so many beats is clearly nearer.
      CLEARLY = 0.04
      SHORTEST = 0.25
      # A bar that says nothing of its own.
      HELD = "held on"
      RESTS = "rests"
      BARS_A_LINE = 4
      # Sections that are listed by name.
      PLACES = 6
      # Kinds of sections that are named in a title.
      NAMES = 2

      # @param value [Numeric] a beat, from 1, or a length in beats
      # @return [String] as one would write it: to a quarter of it, or to a third where that is clearly nearer; without ".0"
      def self.beat(value)
        quarter, third = [4, 3].map { |parts| (value * parts).round.fdiv(parts) }
        Measures::Kinds.plain(((value - third).abs < (value - quarter).abs - CLEARLY ? third : quarter).round(2))
      end

      # @param places [Array<Measures::Place>]
      # @return [String] such as "verse, bars 5 to 12; verse 2, bars 21 to 28"
      def self.places(places)
        listed = places.first(PLACES).map { |place| [place.label, bars(place)].compact.join(", ") }.join("; ")
        places.size > PLACES ? "#{listed}; and #{places.size - PLACES} more" : listed
      end

      # @param places [Array<Measures::Place>]
      # @param bars [Integer, nil] of the song
      # @return [String] such as "in the verse and the chorus", "throughout" where they are all of the song
      def self.where(places, bars)
        return "throughout" if places.size > 1 && places.sum(&:bars) == bars

        names = places.map(&:kind).uniq
        names.size > NAMES ? "in #{names.size} kinds of sections" : "in #{names.map { |name| "the #{name}" }.join(" and ")}"
      end

      # @param place [Measures::Place]
      # @return [String]
      def self.bars(place) = place.bars == 1 ? "bar #{place.first_bar}" : "bars #{place.first_bar} to #{place.last_bar}"

      # @param meter [String]
      # @param key [Harmony::Key, nil] for the spelling
      def initialize(meter, key)
        @meter = Rhythm::Meter.named(meter)
        @key = key || Measures::Restatement::UNKEYED
      end

      # @param value [Hash] steps, bars and velocities of a piece of the kit, see {Measures::SongLines#steps}
      # @return [Array<String>] one line a bar of the period, such as "on 1, 2.5 (soft), 3"
      def strokes(value)
        (value[:velocities] || value[:hits]).each_slice(value[:steps]).map do |bar|
          struck = bar.each_index.select { |step| bar[step].positive? }
          struck.empty? ? "rests" : "on #{struck.map { |step| stroke(step, bar[step]) }.join(", ")}"
        end
      end

      # @param notes [Array<Hash>] see {Measures::SongLines#notes}
      # @param place [Measures::Place] their section
      # @return [Array<String>] one line a bar of what returns (whatever its lengths), then one for each bar that differs from that; bars that rest are left out
      def notes(notes, place)
        lines = bars_of(notes, place.bars)
        found = Returning.of(places_of(notes, place.bars))
        told = (1..found.bars).reject { |bar| lines[bar - 1] == RESTS }.map { |bar| "bar #{place.first_bar + bar - 1}: #{lines[bar - 1]}" }
        told + found.apart.map { |bar| "bar #{place.first_bar + bar - 1} instead: #{lines[bar - 1]}" }
      end

      # @param notes [Array<Hash>]
      # @param bars [Integer]
      # @return [Array<String>] one line a bar
      def bars_of(notes, bars) = by_bar(notes, bars) { |note| "#{note(note[:pitch])} on #{self.class.beat(note[:beat])} for #{length(note[:beats])}" }

      # @param notes [Array<Hash>]
      # @param bars [Integer]
      # @return [Array<String>] the same without lengths, to be compared
      def places_of(notes, bars) = by_bar(notes, bars) { |note| "#{note[:pitch]} #{self.class.beat(note[:beat])}" }

      # @param chords [Array<Hash>] bar and beat from 1 within their section, beats, symbol
      # @param place [Measures::Place] the section
      # @return [Array<String>] a few bars a line, bars parted by strokes; then one for each bar that differs from what returns
      def chords(chords, place)
        lines = by_bar(chords, place.bars, resting: HELD) { |chord| "#{chord[:symbol]} on #{self.class.beat(chord[:beat])} for #{length(chord[:beats])}" }
        found = Returning.of(lines)
        told = lines.first(found.bars).each_slice(BARS_A_LINE).with_index.map do |bars, i|
          first = place.first_bar + (i * BARS_A_LINE)
          "#{bars.size == 1 ? "bar #{first}" : "bars #{first} to #{first + bars.size - 1}"}: #{bars.join(" | ")}"
        end
        told + found.apart.map { |bar| "bar #{place.first_bar + bar - 1} instead: #{lines[bar - 1]}" }
      end

      # @param lines [Array<String>] what is played, bar by bar, to be compared
      # @param places [Array<Measures::Place>] where
      # @return [String] where, and after how many bars it returns
      def heading(lines, places)
        returns = Returning.of(lines).words(lines.size)
        "#{self.class.places(places)}#{", #{returns}" if returns}."
      end

      # @param chords [Array<Hash>]
      # @param bars [Integer]
      # @return [Array<String>] one line a bar, to be compared
      def chords_of(chords, bars) = by_bar(chords, bars) { |chord| "#{chord[:symbol]} #{self.class.beat(chord[:beat])}" }

      # @param pitch [Integer] MIDI
      # @return [String] such as "E♭2"
      def note(pitch) = Readings::Words.signs(Harmony::NoteName.of(pitch, @key))

      private

      def stroke(step, velocity) = "#{self.class.beat((step / @meter.steps_per_beat.to_f) + 1)}#{" (soft)" if velocity < Measures::Kinds::Grid::SOFT}"

      def length(beats) = self.class.beat([beats, SHORTEST].max)

      def by_bar(list, bars, resting: RESTS, &words)
        (1..bars).map do |bar|
          line = list.select { |one| one[:bar] == bar }.map(&words).join(", ")
          line.empty? ? resting : line
        end
      end
    end
  end
end
