# frozen_string_literal: true

module Work
  # In which tempo and key a song is told, for a page to say so: from what into what, and openly what does not fit.
  class Frame
    # @param wanted [Wanted]
    # @param song [Ethoscope::Profile::Song]
    def initialize(wanted, song)
      @wanted = wanted
      @song = song
      @to = wanted.restatement(song.vector)
    end

    # @return [Hash]
    def to_h
      { bpm: @to.to_bpm, from_bpm: @to.from_bpm, ratio: @to.ratio.round(6), key: named(@to.to_key), from_key: named(@to.from_key), semitones: @to.semitones,
        asked: named(@to.asked), way: @wanted.way, chords:, meter: }
    end

    private

    def named(key) = key && { tonic: @to.spelling.tonic(key), mode: key.mode }

    # Chord by chord what the wanted mode would change.
    def chords
      return [] unless @to.asked && @to.from_key

      symbols = @song.vector.of("harmony.chords").flat_map { |told| told.value.map { |chord| chord[:symbol] } }
      Ethoscope::Measures::ModeChange.new(@to.from_key, @to.asked).rows(symbols.tally.sort_by { |_, count| -count }.map(&:first).first(24))
    end

    def meter
      return nil if @wanted.meter.nil? || @wanted.meter == @song.meter

      { wanted: @wanted.meter, own: @song.meter, words: Ethoscope::Rhythm::MeterChange.words(*[@song.meter, @wanted.meter].map { |name| Ethoscope::Rhythm::Meter.named(name) }) }
    end
  end
end
