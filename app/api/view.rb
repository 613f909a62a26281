# frozen_string_literal: true

module Api
  # What lists show of a reference.
  module View
    MARKS = %w[tempo key loop form layers techniques].freeze

    # @param library [Store::Library]
    # @param reference [Hash]
    # @return [Hash] marks, summary, and problem: a sentence where the reference can't be shown
    def self.of(library, reference)
      { marks: marks(library, reference), summary: summary(library, reference), problem: nil }
    rescue Store::Unshowable => e
      { marks: marks(library, reference), summary: nil, problem: e.message }
    end

    # How far each kind of reading is: none, measured, confirmed, corrected or refuted.
    #
    # @param library [Store::Library]
    # @param reference [Hash]
    # @return [Hash{String => String}]
    def self.marks(library, reference)
      current = library.readings.current(reference[:id])
      measured = !current.empty?
      MARKS.to_h do |aspect|
        reading = current[aspect]
        state = if reading.nil? then measured ? "measured" : "none"
                elsif reading[:state] != "open" then reading[:state]
                else reading[:source] == "measured" ? "measured" : "heard"
                end
        [aspect, state]
      end
    end

    # Tempo, key and length in the words of the readings that hold.
    #
    # @param library [Store::Library]
    # @param reference [Hash]
    # @return [Hash, nil]
    def self.summary(library, reference)
      song = library.song(reference) or return nil
      { bpm: song.bpm, meter: song.meter, key: song.key && Ethoscope::Readings::Words.signs(song.key.to_s), bars: song.bars,
        duration: song.data[:duration], lufs: song.data[:loudness][:integrated],
        sections: song.data[:sections].size, loop: song.loop_degrees&.join(" ") }
    end
  end
end
