# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Names the chord of every half beat: templates against treble chroma, a separate term for the bass, and a Viterbi path
    # whose cost of change knows where in the bar it is (Mauch & Dixon, "Simultaneous estimation of chords and musical
    # context", IEEE TASLP 2010; Cho & Bello, "On the relative importance of individual components", IEEE TASLP 2014).
    class ChordRecognizer
      BASS_RANGE = (28..50)
      TREBLE_RANGE = (51..86)
      # Weight of one unit of likeness; larger values let chords change more readily.
      SHARPNESS = 17.0
      BASS_ROOT = 0.33
      BASS_OTHER = 0.18
      # Less common qualities need more evidence.
      RESERVE = { "maj" => 0.0, "min" => 0.0, "7" => 0.1, "maj7" => 0.1, "min7" => 0.095, "sus4" => 0.07, "sus2" => 0.08,
                  "dim" => 0.07, "aug" => 0.09, "hdim7" => 0.07, "dim7" => 0.1 }.freeze
      CHANGE_COST = { bar: 2.0, half: 3.0, beat: 4.2, off_beat: 8.5 }.freeze
      # Spans quieter than this share of the loudest hold no chord.
      SILENCE = 0.012
      NO_CHORD = 0.3

      # One chord over a run of half beats, first inclusive, last exclusive.
      Span = Value.of(:chord, :first, :last, :confidence)

      # @param notes [NoteActivation] over half beats
      # @param positions [Array<Symbol>] for each half beat: :bar, :half, :beat or :off_beat
      def initialize(notes, positions)
        @treble = notes.chroma(TREBLE_RANGE)
        @bass = notes.chroma(BASS_RANGE)
        @level = notes.level
        @positions = positions
        @states = Chord::QUALITIES.keys.flat_map { |quality| (0..11).map { |root| Chord.on(root, quality) } } + [Chord.none]
      end

      # @return [Numo::DFloat] shape [half beats, 12]
      attr_reader :treble, :bass

      # @return [Array<Span>] chords in order, without gaps
      def spans
        likeness = emissions
        path = best_path(likeness * SHARPNESS)
        runs = path.each_index.slice_when { |a, b| path[a] != path[b] }
        runs.map { |run| span(run, path[run.first], likeness) }
      end

      private

      def span(run, state, likeness)
        rows = run.first..run.last
        chord = with_bass(@states[state], @bass[rows, true].mean(axis: 0))
        Span.new(chord:, first: run.first, last: run.last + 1, confidence: confidence(likeness[rows, true].mean(axis: 0), state))
      end

      # The share of the chosen chord against all others, on mean likeness over its span.
      def confidence(mean, state)
        weights = Numo::NMath.exp((mean - mean.max) * SHARPNESS)
        (weights[state] / weights.sum).round(2)
      end

      def with_bass(chord, bass)
        return chord if chord.none?

        lowest = bass.max_index
        third_or_fifth = Chord::QUALITIES.fetch(chord.quality)[1..].map { |step| (chord.root + step) % 12 }
        return chord unless third_or_fifth.include?(lowest) && bass[lowest] > 1.35 * bass[chord.root]

        Chord.on(chord.root, chord.quality, bass: lowest)
      end

      def emissions
        treble = unit_rows(@treble)
        bass = @bass / Numo::NMath.sqrt((@bass**2).sum(axis: 1, keepdims: true)).clip(1e-6, nil)
        out = Numo::Linalg.dot(treble, templates.transpose.dup)
        out[true, 0...-1] += Numo::Linalg.dot(bass, bass_templates.transpose.dup)
        out[true, 0...-1] -= reserves
        out[true, -1] = NO_CHORD
        quiet = (@level < SILENCE).where
        out[quiet, -1] = 2.0 unless quiet.empty?
        out
      end

      def unit_rows(rows)
        rows / Numo::NMath.sqrt((rows**2).sum(axis: 1, keepdims: true)).clip(1e-6, nil)
      end

      def templates
        rows = Numo::DFloat.zeros(@states.size, 12)
        @states[0...-1].each_with_index { |chord, i| rows[i, chord.pitch_classes] = 1.0 / Math.sqrt(chord.pitch_classes.size) }
        rows
      end

      def bass_templates
        rows = Numo::DFloat.zeros(@states.size - 1, 12)
        @states[0...-1].each_with_index do |chord, i|
          rows[i, chord.pitch_classes] = BASS_OTHER
          rows[i, chord.root] = BASS_ROOT
        end
        rows
      end

      def reserves
        Numo::DFloat[*@states[0...-1].map { |chord| RESERVE.fetch(chord.quality) }].reshape(1, @states.size - 1)
      end

      # Any change costs the same, so only the best previous state and staying compete: linear in the number of states.
      def best_path(score)
        rows, count = score.shape
        total = score[0, true].dup
        back = []
        (1...rows).each do |row|
          best = total.max_index
          changed = total[best] - CHANGE_COST.fetch(@positions[row])
          stay = total >= changed
          back << [stay, best]
          total = Numo::DFloat.maximum(total, changed) + score[row, true]
        end
        state = total.max_index
        path = Array.new(rows, state)
        (rows - 2).downto(0) do |row|
          stay, best = back[row]
          state = best if stay[state].zero?
          path[row] = state
        end
        count.positive? ? path : []
      end
    end
  end
end
