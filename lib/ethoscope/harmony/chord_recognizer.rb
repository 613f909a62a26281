# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Names the chord of every half beat: what {ChordModel} believes, and a Viterbi path whose cost of change knows where in
    # the bar it is (Mauch & Dixon, "Simultaneous estimation of chords and musical context", IEEE TASLP 2010; Cho & Bello,
    # "On the relative importance of individual components", IEEE TASLP 2014).
    class ChordRecognizer
      BASS_RANGE = (28..50)
      TREBLE_RANGE = (51..86)
      # Weight of one half beat's belief against the costs of change: neighbours are not independent witnesses.
      BELIEF = 0.5
      CHANGE_COST = { bar: 2.0, half: 3.0, beat: 4.2, off_beat: 8.5 }.freeze
      # A third or fifth is the lowest note when it sounds this many times as strong as the root.
      INVERSION = 1.35
      # Names for the same stretch that are worth keeping.
      RIVALS = 2

      # One chord over a run of half beats, first inclusive, last exclusive; rivals are [chord, odds].
      Span = Value.of(:chord, :first, :last, :confidence, :rivals)

      # @return [Numo::DFloat] shape [half beats, 12]
      attr_reader :treble, :bass
      # @return [Numo::DFloat] shape [half beats, 12 roots * qualities + 1], the belief in each chord
      attr_reader :belief

      # @param notes [NoteActivation] over half beats
      # @param positions [Array<Symbol>] for each half beat: :bar, :half, :beat or :off_beat
      # @param model [ChordModel]
      def initialize(notes, positions, model: ChordModel.shipped)
        @treble = notes.chroma(TREBLE_RANGE)
        @bass = notes.chroma(BASS_RANGE)
        @positions = positions
        @likelihood = model.log_likelihood(notes)
        @belief = Numo::NMath.exp(@likelihood)
        @states = (0..11).flat_map { |root| ChordModel::QUALITIES.map { |quality| Chord.on(root, quality) } } + [Chord.none]
        @kin = @states.each_index.group_by { |state| kind(@states[state]) }.values.flat_map { |same| same.map { |state| [state, same] } }.to_h
      end

      # @param recurrence [Recurrence, nil] which bars sound like each other
      # @return [Array<Span>] chords in order, without gaps
      def spans(recurrence = nil)
        likelihood, sounding = [@likelihood, sounding_likelihood].map { |table| recurrence ? recurrence.spread(table) : table }
        path = best_path(weighed(likelihood, sounding) * BELIEF)
        belief = Numo::NMath.exp(likelihood)
        path.each_index.slice_when { |a, b| path[a] != path[b] }.map { |run| span(run, path[run.first], belief) }
      end

      private

      # That no chord sounds is one state, and chords are many among which belief is spread. It is held against all of them together: where something
      # sounds whose name is unsure, it is a chord of an unsure name, not none.
      def weighed(likelihood, sounding)
        best = likelihood[true, 0...-1].max(axis: 1)
        likelihood.dup.tap { |out| out[true, -1] += best - sounding[true, 0] }
      end

      # Shape [half beats, 1]: that any chord sounds.
      def sounding_likelihood = Numo::NMath.log(@belief[true, 0...-1].sum(axis: 1).expand_dims(1) + 1e-9)

      # Chords with the same root and third are one statement with other sevenths.
      def kind(chord) = chord.none? ? [] : [chord.root, Chord::QUALITIES.fetch(chord.quality) & [3, 4]]

      def span(run, state, belief)
        rows = run.first..run.last
        odds = belief[rows, true].mean(axis: 0).to_a
        chord = with_bass(@states[state], @bass[rows, true].mean(axis: 0))
        Span.new(chord:, first: run.first, last: run.last + 1, confidence: odds.values_at(*@kin.fetch(state)).sum.round(2), rivals: rivals(odds, state))
      end

      def rivals(odds, state)
        others = odds.each_index.reject { |i| i == state }.max_by(RIVALS) { |i| odds[i] }
        others.map { |i| [@states[i], odds[i].round(3)] }
      end

      def with_bass(chord, bass)
        return chord if chord.none?

        lowest = bass.max_index
        third_or_fifth = Chord::QUALITIES.fetch(chord.quality)[1..].map { |step| (chord.root + step) % 12 }
        return chord unless third_or_fifth.include?(lowest) && bass[lowest] > INVERSION * bass[chord.root]

        Chord.on(chord.root, chord.quality, bass: lowest)
      end

      # Any change costs the same, so only the best previous state and staying compete: linear in the number of states.
      def best_path(score)
        rows, = score.shape
        total = score[0, true].dup
        back = []
        (1...rows).each do |row|
          best = total.max_index
          changed = total[best] - CHANGE_COST.fetch(@positions[row])
          stay = total >= changed
          back << [stay, best]
          total = Numo::DFloat.maximum(total, changed) + score[row, true]
        end
        trace(back, total.max_index)
      end

      def trace(back, state)
        path = [state]
        back.reverse_each do |stay, best|
          state = best if stay[state].zero?
          path.unshift(state)
        end
        path
      end
    end
  end
end
