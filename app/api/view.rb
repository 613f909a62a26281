# frozen_string_literal: true

module Api
  # What lists show of references.
  class View
    # A tempo that rises or falls by this much is no single tempo.
    WANDERS = 1.02
    MARKS = %w[tempo key loop form layers techniques].freeze

    # @param library [Store::Library]
    # @param references [Array<Hash>]
    # @param wanted [Work::Wanted] in which tempo and key they are told
    def initialize(library, references, wanted = Work::Wanted.theirs)
      @wanted = wanted
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

    # How sure tempo and key are; what a person said is.
    def sure(song)
      %w[time.tempo harmony.key].map { |id| song.vector.rows(id).first&.fetch(:confidence) }.then { |tempo, key| { tempo: tempo || 0.0, key: key || 0.0 } }
    end

    # From which tempo to which it wanders, where that is worth saying.
    def moves(song, restatement)
      low, high = song.vector.value("time.course")&.minmax
      return nil if low.nil? || high < low * WANDERS

      [low, high].map { |bpm| (bpm * restatement.ratio).round(1) }
    end

    # Tempo, key and length in the words of the readings that hold.
    def summary(reference)
      song = @songs[reference[:id]] or return nil
      to = @wanted.restatement(song.vector)
      { bpm: to.to_bpm, moves: moves(song, to), sure: sure(song), meter: song.meter,
        key: to.to_key && Ethoscope::Readings::Words.signs("#{to.spelling.tonic(to.to_key)} #{to.to_key.mode}"), bars: song.bars,
        duration: to.seconds(song.vector.value("time.duration")), lufs: song.vector.value("mix.loudness"),
        sections: song.vector.value("form.lengths").size, loop: song.loop_degrees&.join(" ") }
    end
  end
end
