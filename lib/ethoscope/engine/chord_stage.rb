# frozen_string_literal: true

module Ethoscope
  module Engine
    # The chords of a song over half beats, the written pitches of each (empty without a score), and which source led. The method is our own.
    Chords = Value.of(:spans, :voicings, :source)

    # Finds the {Chords}: those that are written where a score lies over the song, or else those that are heard.
    class ChordStage
      # @param count [Count]
      # @param gaps [Gaps]
      def initialize(count, gaps)
        @count = count
        @gaps = gaps
      end

      # @return [Chords]
      def result
        heard = @count.hearing.chords
        written = @gaps.beside("the chords of the MIDI file", []) { @count.ensemble.chords(heard) }
        spans = written.empty? ? heard : written
        Chords.new(spans:, voicings: @gaps.beside("the voicings of the MIDI file", []) { @count.ensemble.voicings(spans) }, source: written.empty? ? "mix" : "midi")
      end
    end
  end
end
