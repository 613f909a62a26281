# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Notes and chords at equal steps of time, before any beat is known: where one chord turns into another, and what could
    # come back bars later. The method is our own.
    class Turns
      STEP_SECONDS = 0.15
      # Steps on each side of a moment that are compared.
      REACH = 4
      TREBLE = (51..86)
      BASS = (28..50)
      # The bass counts this much beside the treble in the comparison of notes.
      BASS_SHARE = 0.7

      # @return [Numo::DFloat] shape [steps], 0 to 1: how much the belief in chords changes at the start of each step
      attr_reader :curve
      # @return [Numo::DFloat] shape [steps, 24], treble and bass chroma less their means, unit rows
      attr_reader :notes
      # @return [Numo::DFloat] shape [steps, chords], square roots of the belief
      attr_reader :chords

      # @param spectra [Signal::LogSpectra]
      # @param duration [Float] seconds
      # @param model [ChordModel]
      def initialize(spectra, duration, model: ChordModel.shipped)
        count = [(duration / STEP_SECONDS).floor, 2].max
        activation = NoteActivation.of(spectra, (0..count).map { |step| step * STEP_SECONDS })
        @notes = centred(activation)
        belief = Numo::NMath.exp(model.log_likelihood(activation))
        @chords = Numo::NMath.sqrt(belief)
        @curve = turns(belief)
        freeze
      end

      private

      def centred(activation)
        treble, bass = [TREBLE, BASS].map do |range|
          rows = ChordModel.unit_rows(activation.chroma(range))
          rows - rows.mean(axis: 0, keepdims: true)
        end
        ChordModel.unit_rows(Numo::DFloat.hstack([treble, bass * BASS_SHARE]))
      end

      # One minus the Bhattacharyya coefficient of the belief just before and just after.
      def turns(belief)
        count = belief.shape[0]
        sums = Numo::DFloat.zeros(count + 1, belief.shape[1])
        sums[1.., true] = belief.cumsum(0)
        at = Numo::Int32.new(count).seq
        from = (at - REACH).clip(0, count)
        to = (at + REACH).clip(0, count)
        before = (sums[at, true] - sums[from, true]) / Numo::DFloat.cast(at - from).clip(1, nil).reshape(count, 1)
        after = (sums[to, true] - sums[at, true]) / Numo::DFloat.cast(to - at).clip(1, nil).reshape(count, 1)
        curve = 1 - Numo::NMath.sqrt((before * after).clip(0, nil)).sum(axis: 1)
        curve[0] = 0.0
        curve
      end
    end
  end
end
