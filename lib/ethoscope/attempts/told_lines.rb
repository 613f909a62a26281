# frozen_string_literal: true

module Ethoscope
  module Attempts
    # What stems or notes tell of a pitched layer of both songs, piece by piece: notes by where in the piece they begin, and what became of them. The way is our own.
    class ToldLines
      # Parts of a beat on which notes are compared.
      PER_BEAT = 4
      # With fewer than this share of its notes a layer is gone.
      GONE = 0.12
      OCTAVES = [12, -12, 24, -24].freeze
      # Moved by octaves, so many of the notes must be the same, and so many more than where they lie.
      MOVED = 0.5
      CLEARER = 0.25
      # One note in a piece is no line.
      FEWEST = 3

      # @param laid [Laid]
      # @param except [Hash{String => Array<Integer>}] by role bars of the reference that are not looked at, such as those with another chord
      def initialize(laid, except: {})
        @laid = laid
        @except = except
        @notes = laid.songs.map { |song| by_role(song) }
      end

      # @return [Array<String>] roles that both tell
      def roles = @notes.map(&:keys).reduce(:&)

      # @param role [String]
      # @return [Array<Array(Symbol, Integer, Pieces::Piece)>] by piece of the song what became of the layer (:same, :missing, :extra, :moved or :other), and the semitones by which
      #   it is moved
      def states(role)
        written = written?(role)
        @laid.pieces.map { |piece| [*state(*of_piece(role, piece), written), piece] }
      end

      # @param role [String]
      # @return [Array(Array<Integer>, Array<Integer>)] bars of each song, from 1, in which it plays
      def bars(role) = @notes.map { |notes| notes.fetch(role).keys.map { |bar| bar + 1 }.sort }

      # @param role [String]
      # @param pieces [Array<Pieces::Piece>]
      # @return [Float] share of the notes, 0 to 1, that are not the same
      def apart(role, pieces)
        there, here = pieces.map { |piece| of_piece(role, piece) }.transpose.map { |parts| parts.each_with_index.flat_map { |notes, i| notes.map { |note| [i, *note] } } }
        1 - alike(there, here, 0)
      end

      # @param role [String]
      # @return [Boolean] whether notes of both tell it; those that are heard on a stem are too unsure to be compared one by one
      def written?(role) = @laid.songs.all? { |song| song.data[:lines].any? { |line| line[:role] == role && line[:source] == "midi" } }

      private

      def by_role(song)
        told = song.data[:lines].select { |line| line[:source] != "mix" && !Ethoscope::Layers::Role::STRUCK.include?(line[:role]) }
        notes = told.group_by { |line| line[:role] }.transform_values { |lines| lines.flat_map { |line| line[:notes].select { |note| note[2] } } }
        notes.reject { |_, list| list.empty? }.transform_values { |list| by_bar(song, list) }
      end

      # Step of the bar and pitch, by bar from 0.
      def by_bar(song, notes)
        steps = song.meter.beats * PER_BEAT
        placed = notes.map { |beat, _, pitch, _| [*(beat * PER_BEAT).round.divmod(steps), pitch] }
        placed.group_by(&:first).transform_values { |list| list.map { |_, step, pitch| [step, pitch] }.uniq }
      end

      # Of both [bar of the piece, step, pitch], in the key of the reference.
      def of_piece(role, piece)
        [piece.reference, piece.attempt].each_with_index.map do |bars, which|
          up = which.zero? ? 0 : @laid.semitones
          kept = bars.each_index.reject { |i| @except[role]&.include?(piece.reference[i] + 1) }
          kept.flat_map { |i| @notes[which].fetch(role).fetch(bars[i], []).map { |step, pitch| [i, step, pitch - up] } }
        end
      end

      def state(there, here, written)
        return [:same, 0] if [there.size, here.size].max < FEWEST
        return [:missing, 0] if here.size <= GONE * there.size
        return [:extra, 0] if there.size <= GONE * here.size

        same = alike(there, here, 0)
        octaves = OCTAVES.max_by { |by| alike(there, here, by) }
        moved = alike(there, here, octaves)
        return [:moved, octaves] if moved >= MOVED && moved >= same + CLEARER

        [written && 1 - same > Measures::Registry.fetch("lines.notes").exact ? :other : :same, 0]
      end

      # F-measure of the notes that begin at the same place with the same pitch, once those of the attempt are moved back by some semitones.
      def alike(there, here, moved)
        total = there.size + here.size
        total.zero? ? 1.0 : 2.0 * (there & here.map { |*place, pitch| [*place, pitch - moved] }).size / total
      end
    end
  end
end
