# frozen_string_literal: true

module Ethoscope
  module Export
    # A line of notes as one would draw it on squared paper: a row a bar, a square an eighth or a sixteenth of the bar's beats, the name where a note begins, a stroke
    # where it is held, a point where nothing sounds.
    module NoteRows
      # Squares in a beat: as many as place every note, if these do.
      PARTS = [1, 2, 3, 4].freeze
      FINE = 4
      NEAR = 0.06
      # Bars that are drawn.
      MOST = 8

      # @param notes [Array<Hash>] bar and beat from 1, beats, and pitch
      # @param beats [Integer] of a bar
      # @param key [Harmony::Key] for the spelling
      # @return [Array<String>] a row a bar
      def self.rows(notes, beats, key)
        parts = parts(notes)
        squares = Array.new([notes.map { |note| note[:bar] }.max, MOST].min * beats * parts, ".")
        notes.each { |note| draw(squares, note, beats, parts, Harmony::NoteName.of(note[:pitch], key).tr("b#", "♭♯")) }
        width = squares.map(&:size).max
        squares.map { |square| square.ljust(width) }.each_slice(parts).map { |beat| beat.join(" ") }.each_slice(beats).map { |bar| bar.join(" | ").rstrip }
      end

      def self.parts(notes)
        PARTS.find { |parts| notes.all? { |note| ((note[:beat] - 1) * parts).then { |place| (place - place.round).abs < NEAR * parts } } } || FINE
      end
      private_class_method :parts

      def self.draw(squares, note, beats, parts, name)
        first = ((((note[:bar] - 1) * beats) + note[:beat] - 1) * parts).round
        length = [(note[:beats] * parts).round, 1].max
        length.times { |i| squares[first + i] = i.zero? ? name : "-" if first + i < squares.size }
      end
      private_class_method :draw
    end
  end
end
