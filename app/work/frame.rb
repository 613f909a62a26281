# frozen_string_literal: true

module Work
  # In which tempo and key a song is told, for a page to say so: from what into what, and openly what does not fit.
  class Frame
    # What small speakers and many rooms carry; below it a bass is felt in few places.
    CARRIED_HZ = 38

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
        asked: named(@to.asked), way: @wanted.way, chords:, meter:, warnings: }
    end

    private

    def named(key) = key && { tonic: @to.spelling.tonic(key), mode: key.mode }

    # Where the bass goes lower than speakers carry.
    def warnings
      lowest = lowest_bass or return []
      hertz = Ethoscope::Calculators::NoteFrequency.hertz(lowest + @to.semitones)
      return [] if hertz >= CARRIED_HZ || @to.semitones.zero?

      note = Ethoscope::Calculators::Figures.note(lowest + @to.semitones, @to.to_key || Ethoscope::Measures::Restatement::UNKEYED)
      ["The bass goes down to #{note}, #{hertz.round(1)} Hz: below #{CARRIED_HZ} Hz few speakers carry it. Put such notes an octave up, or take a higher key."]
    end

    def lowest_bass
      lines = @song.vector.of("lines.notes").select { |told| told.place.role == "bass" }
      lines.flat_map { |told| told.value.filter_map { |note| note[:pitch] } }.min
    end

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
