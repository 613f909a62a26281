# frozen_string_literal: true

module Ethoscope
  module Midi
    # What a MIDI file says: tracks of notes, and the tempo, meter, key and markers that hold over them. Places are quarter notes
    # from the start of the file; they can be read as seconds.
    class Score
      # One track: its name, the program of its first channel (0 to 127, nil when none is chosen), its notes in order.
      Track = Value.of(:name, :program, :notes)
      # From a place on: beats per minute in quarters; a time signature; a key; a marker's text.
      Tempo = Value.of(:at, :bpm)
      TimeSignature = Value.of(:at, :numerator, :denominator)
      KeySignature = Value.of(:at, :fifths, :minor)
      Marker = Value.of(:at, :text)

      DRUM_CHANNEL = 9
      # What holds where a file says nothing (Standard MIDI Files 1.0).
      USUAL_BPM = 120.0

      # @return [Array<Track>]
      attr_reader :tracks
      # @return [Array<Tempo>] from the start on
      attr_reader :tempos
      # @return [Array<TimeSignature>] from the start on
      attr_reader :meters
      # @return [Array<KeySignature>]
      attr_reader :keys
      # @return [Array<Marker>]
      attr_reader :markers
      # @return [Array<String>] what had to be mended, in sentences
      attr_reader :warnings

      # @param attributes [Hash] all of the above
      def initialize(tracks:, tempos:, meters:, keys:, markers:, warnings:)
        @tracks = tracks
        @tempos = tempos
        @meters = meters
        @keys = keys
        @markers = markers
        @warnings = warnings
        @timeline = tempos.drop(1).reduce([[tempos.first.at, 0.0, tempos.first.bpm]]) do |list, tempo|
          at, time, bpm = list.last
          list << [tempo.at, time + ((tempo.at - at) * 60 / bpm), tempo.bpm]
        end
        freeze
      end

      # @return [Array<Note>] all notes, in order of their start
      def notes = tracks.flat_map(&:notes).sort_by { |note| [note.start, note.pitch] }

      # @return [Float] quarters until the last note ends
      def length = tracks.flat_map(&:notes).map(&:end).max || 0.0

      # @param quarters [Float]
      # @return [Float] seconds from the start of the file
      def seconds(quarters)
        index = (@timeline.bsearch_index { |at, _, _| at > quarters } || @timeline.size) - 1
        at, time, bpm = @timeline[[index, 0].max]
        time + ((quarters - at) * 60 / bpm)
      end

      # @return [Float] the tempo that holds longest, in quarters per minute
      def bpm
        ends = tempos.drop(1).map(&:at) + [[length, tempos.last.at].max]
        tempos.zip(ends).group_by { |tempo, _| tempo.bpm }.max_by { |_, group| group.sum { |tempo, stop| stop - tempo.at } }.first
      end

      # @return [TimeSignature] the one that holds first
      def meter = meters.first

      # @return [Float] quarters in a bar of the first meter
      def quarters_per_bar = meter.numerator * 4.0 / meter.denominator
    end
  end
end
