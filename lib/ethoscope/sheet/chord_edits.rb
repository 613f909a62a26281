# frozen_string_literal: true

module Ethoscope
  module Sheet
    # Edits of the chord line, as entries that are to be written over it: value, from and to in seconds, bar, statement, source, state,
    # confidence and note. A value of nil takes back what a person wrote there.
    class ChordEdits
      # @param data [Hash] the schema of a sheet, with {ChordLine#chords}
      def initialize(data)
        @chords = data[:chords]
        @timeline = Timeline.new(data)
      end

      # Writes one chord.
      #
      # @param bar [Integer]
      # @param symbol [String]
      # @param beat [Float]
      # @param beats [Float, nil] how long it lasts; nil for as long as the chord lasts that stands there
      # @param voicing [Array<String>] notes with octaves, such as "C3"
      # @param note [String]
      # @return [Array<Hash>] one entry
      # @raise [Errors::UnreadableChord, Errors::Unfit]
      def name(bar:, symbol:, beat: 1.0, beats: nil, voicing: [], note: "")
        from = @timeline.seconds(bar, beat)
        to = beats ? @timeline.seconds(bar, beat + beats) : standing(from)[:end]
        [heard(symbol, from, to, bar, voicing, note)]
      end

      # Makes two of one chord.
      #
      # @param bar [Integer]
      # @param beat [Float] where the second begins
      # @return [Array<Hash>] two entries
      # @raise [Errors::Unfit] when a chord starts or ends there anyway
      def split(bar:, beat:)
        at = @timeline.seconds(bar, beat)
        chord = standing(at)
        raise Errors::Unfit, "a chord starts at bar #{bar}, beat #{beat} already" if at - chord[:start] < 1e-3

        [heard(chord[:symbol], chord[:start], at, chord[:bar], chord[:voicing], chord[:note]), heard(chord[:symbol], at, chord[:end], bar, chord[:voicing], "")]
      end

      # Has a chord go on over the next one.
      #
      # @param bar [Integer]
      # @param beat [Float] where the first begins
      # @return [Array<Hash>] one entry
      # @raise [Errors::Unfit] when no chord follows
      def merge(bar:, beat: 1.0)
        chord = standing(@timeline.seconds(bar, beat))
        following = @chords[@chords.index(chord) + 1] or raise Errors::Unfit, "no chord follows this one"
        [heard(chord[:symbol], chord[:start], following[:end], chord[:bar], chord[:voicing], chord[:note])]
      end

      # Repeats the chords of some bars over others, again and again.
      #
      # @param bar [Integer] the first bar of the loop
      # @param bars [Integer] its length
      # @param to_bar [Integer] where the repeats begin
      # @param last_bar [Integer] where they end
      # @return [Array<Hash>] entries
      # @raise [Errors::Unfit] when the bars overlap or the song has no such bars
      def repeat(bar:, bars:, to_bar:, last_bar:)
        raise Errors::Unfit, "the loop is repeated after its own end" if to_bar < bar + bars || last_bar < to_bar

        @timeline.seconds(last_bar + 1)
        (to_bar..last_bar).step(bars).flat_map { |start| copied(bar, bars, start, last_bar) }
      end

      # Confirms or refutes what stands there.
      #
      # @param bar [Integer]
      # @param state [String] confirmed, refuted or open
      # @param beat [Float]
      # @return [Array<Hash>] one entry
      def decide(bar:, state:, beat: 1.0)
        chord = standing(@timeline.seconds(bar, beat))
        return clear(bar:, beat:) if state == "open" && chord[:source] == "measured"

        value = { symbol: plain(chord[:symbol]), voicing: chord[:voicing], confidence: chord[:confidence] }
        [{ value:, from: chord[:start], to: chord[:end], bar: chord[:bar], statement: chord[:symbol], source: chord[:source], state:, confidence: chord[:confidence],
           note: chord[:note] }]
      end

      # Takes back what a person wrote there, so that what was measured stands again.
      #
      # @param bar [Integer]
      # @param beat [Float]
      # @return [Array<Hash>] one entry without a value
      def clear(bar:, beat: 1.0)
        chord = standing(@timeline.seconds(bar, beat))
        [{ value: nil, from: chord[:start], to: chord[:end], bar: chord[:bar] }]
      end

      private

      def standing(seconds)
        @chords.find { |chord| chord[:start] <= seconds + 1e-3 && chord[:end] > seconds + 1e-3 } or raise Errors::Unfit, "no chord stands there"
      end

      def plain(symbol) = symbol == "–" ? "N.C." : symbol

      def heard(text, from, to, bar, voicing, note)
        symbol = Harmony::ChordSymbol.parse(text).to_s
        raise Errors::Unfit, "a chord lasts at least half a beat" unless to - from > 1e-2

        { value: { symbol:, voicing: }, from:, to:, bar:, statement: symbol, source: "heard", state: "open", confidence: nil, note: }
      end

      # One round of the loop, cut off at the last bar.
      def copied(bar, bars, start, last_bar)
        first, stop = [bar, bar + bars].map { |place| @timeline.seconds(place) }
        limit = @timeline.seconds(last_bar + 1)
        inside = @chords.select { |chord| chord[:start] < stop - 1e-3 && chord[:end] > first + 1e-3 }
        inside.filter_map do |chord|
          from, to = [[chord[:start], first].max, [chord[:end], stop].min].map { |seconds| moved(seconds, start - bar, [bar, bars]) }
          heard(chord[:symbol], from, [to, limit].min, @timeline.place(from).first, chord[:voicing], "") if from < limit - 1e-3
        end
      end

      # The same beat so many bars later.
      def moved(seconds, by, loop)
        place, beat = @timeline.place(seconds)
        return @timeline.seconds(loop.sum + by) if place >= loop.sum

        @timeline.seconds(place + by, beat)
      end
    end
  end
end
