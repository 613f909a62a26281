# frozen_string_literal: true

module Api
  # What lists show of references.
  class View
    MARKS = %w[tempo key loop form layers techniques].freeze

    # @param library [Store::Library]
    # @param references [Array<Hash>]
    def initialize(library, references)
      @songs, @problems = library.songs.of(references)
      @states = library.readings.states(references.map { |reference| reference[:id] })
    end

    # @param reference [Hash]
    # @return [Hash] marks, summary, and problem: a sentence where the reference can't be shown
    def of(reference) = { marks: marks(reference), summary: summary(reference), problem: @problems[reference[:id]] }

    private

    # How far each kind of reading is: none, measured, confirmed, corrected or refuted.
    def marks(reference)
      current = @states.fetch(reference[:id], {})
      MARKS.to_h do |aspect|
        reading = current[aspect]
        state = if reading.nil? then current.empty? ? "none" : "measured"
                elsif reading[:state] != "open" then reading[:state]
                else reading[:source] == "measured" ? "measured" : "heard"
                end
        [aspect, state]
      end
    end

    # Tempo, key and length in the words of the readings that hold.
    def summary(reference)
      song = @songs[reference[:id]] or return nil
      { bpm: song.bpm, meter: song.meter, key: song.key && Ethoscope::Readings::Words.signs(song.key.to_s), bars: song.bars,
        duration: song.vector.value("time.duration"), lufs: song.vector.value("mix.loudness"),
        sections: song.vector.value("form.lengths").size, loop: song.loop_degrees&.join(" ") }
    end
  end
end
