# frozen_string_literal: true

module Ethoscope
  module Harmony
    # How a phrase ends: kind ("authentic", "plagal", "deceptive", "half") and the bar (from 1) in which its last chord stands.
    Cadence = Value.of(:kind, :bar)

    # Finds {Cadence}s where sections end (Kostka & Payne, "Tonal Harmony", chapter 10).
    class Cadence
      # @param chords [Array<Array(Integer, Chord)>] bar (from 1) and chord, in order, without "no chord"
      # @param key [Key]
      # @param section_starts [Array<Integer>] bars in which sections start, the first one left out
      # @return [Array<Cadence>]
      def self.find(chords, key, section_starts)
        section_starts.filter_map do |bar|
          arrival = chords.index { |at, _| at >= bar } or next
          before = arrival.positive? ? chords[arrival - 1].last : next
          kind = kind(degree(before, key), degree(chords[arrival].last, key)) and new(kind:, bar: chords[arrival - 1].first)
        end
      end

      def self.degree(chord, key) = (chord.root - key.pitch_class) % 12
      private_class_method :degree

      def self.kind(from, to)
        case [from, to]
        when [7, 0], [11, 0] then "authentic"
        when [5, 0] then "plagal"
        when [7, 9], [7, 8] then "deceptive"
        else from == 7 ? "half" : nil
        end
      end
      private_class_method :kind
    end
  end
end
