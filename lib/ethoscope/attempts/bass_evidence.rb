# frozen_string_literal: true

module Ethoscope
  module Attempts
    # What speaks for the bass being left out, added, or played an octave higher or lower, piece by piece of the song. The way is our own.
    class BassEvidence < LayerEvidence
      NAMES = ["activity lost", "activity there", "activity here", "low end quieter", "notes lost", "octave up", "octave up beyond the song's", "octave down",
               "octave down beyond the song's", "line higher", "line lower", "line higher beyond the song's", "line lower beyond the song's"].freeze
      # MIDI numbers in which a bass plays.
      LOW = (28..50)
      OCTAVE = 12
      # Half bars whose strongest low note is weaker than this tell nothing of its octave; this much is added to every note before they are compared.
      SOUNDING = 0.15
      FLOOR = 0.05
      # Bands, from the lowest, below 200 Hz.
      BANDS = (0..2)
      TINY = 1e-3

      # @param laid [Laid]
      def initialize(laid)
        super
        @semitones = laid.semitones
      end

      # @return [Numo::DFloat] shape [pieces, NAMES]
      def rows
        ups, downs = [OCTAVE, -OCTAVE].map { |by| beside(@pieces.map { |piece| moved(piece, by) }) }
        lines = beside(@pieces.map { |piece| line_apart(piece) })
        Numo::DFloat.cast(@pieces.each_with_index.map do |piece, i|
          [*activity(piece), quieter(piece, BANDS), lost(piece), *ups[i], *downs[i], *lines[i].flat_map { |value| [[value, 0].max, [-value, 0].max] }]
        end)
      end

      private

      # Each value, and how far it is from the middle of all.
      def beside(values)
        middle = Signal::Middle.of(values)
        values.map { |value| [value, value - middle] }
      end

      def activity(piece)
        there, here = activities(piece, "bass")
        [there - here, there, here]
      end

      # How much stronger the note an octave off the reference's bass is here, beside that note itself, than it is there; a logarithm.
      def moved(piece, by)
        halves = piece.reference.zip(piece.attempt).flat_map { |there, here| [0, 1].filter_map { |half| moved_half(there, here, half, by) } }
        halves.empty? ? 0.0 : halves.sum / halves.size
      end

      def moved_half(there, here, half, by)
        song, other = @songs
        lows = song.notes[there, half, 0..(LOW.end - song.lowest)]
        note = lows.max_index
        return nil if lows[note] < SOUNDING

        share(other, here, half, note + @semitones, by) - share(song, there, half, note, by)
      end

      def share(song, bar, half, note, by)
        level = ->(place) { (place.between?(0, song.notes.shape[2] - 1) ? song.notes[bar, half, place] : 0.0) + FLOOR }
        Math.log(level.call(note + by) / level.call(note))
      end

      # Octaves by which the bass line lies higher.
      def line_apart(piece)
        there, here = parts(piece).map { |song, bars| line(song, bars) }
        there && here ? ((here - there - @semitones) / OCTAVE.to_f).clamp(-1.5, 1.5) : 0.0
      end

      def line(song, bars)
        notes = bars.flat_map { |bar| song.bass_notes.fetch(bar + 1, []) }
        beats = notes.sum { |note| note[:beats] }
        beats.positive? ? notes.sum { |note| note[:pitch] * note[:beats] } / beats : nil
      end

      def lost(piece)
        there, here = parts(piece).zip([0, @semitones]).map do |(song, bars), by|
          rows = song.notes[bars, true, true].mean(axis: 0).mean(axis: 0)**2
          Numo::DFloat.cast(LOW.map { |note| (note + by - song.lowest).then { |i| i.between?(0, rows.size - 1) ? rows[i] : 0.0 } })
        end
        (there - here).clip(0, nil).sum / (there.sum + TINY)
      end
    end
  end
end
