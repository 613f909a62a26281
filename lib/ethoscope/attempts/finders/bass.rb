# frozen_string_literal: true

module Ethoscope
  module Attempts
    module Finders
      # A bass that is left out, added, or played an octave off. The way is our own.
      class Bass
        KINDS = { "missing" => "layer_missing", "extra" => "layer_extra", "up" => "bass_octave", "down" => "bass_octave" }.freeze
        # Activity from which a bass plays, and up to which it rests.
        PLAYS = 0.65
        RESTS = 0.35
        SAID = {
          "missing" => ["The bass is missing in %<where>s.", "Put the bass in, in %<where>s.", "plays", "rests"],
          "extra" => ["Yours has a bass in %<where>s where the reference has none.", "Let the bass rest in %<where>s.", "rests", "plays"],
          "up" => ["The bass lies an octave higher in %<where>s.", "Move the bass an octave down in %<where>s.", "its octave", "an octave higher"],
          "down" => ["The bass lies an octave lower in %<where>s.", "Move the bass an octave up in %<where>s.", "its octave", "an octave lower"]
        }.freeze

        # @param laid [Laid]
        # @param odds [Odds]
        def initialize(laid, odds: Odds.shipped(:bass))
          @laid = laid
          @odds = odds
        end

        # @return [Array<Difference>]
        def differences
          return [] if @laid.pieces.none?

          Course.new(@odds, BassEvidence.new(@laid).rows, @laid).runs.map { |run| difference(settled(run)) }
        end

        private

        # A bass that is moved by an octave still plays.
        def settled(run)
          return run unless KINDS.fetch(run.state) == "bass_octave"

          there = activity(@laid.reference, run.bars)
          here = activity(@laid.attempt, run.bars.map { |bar| @laid.bars.fetch(bar) })
          there > PLAYS && here < RESTS ? run.with(state: "missing", sure: [run.sure, (there - here).round(3)].max) : run
        end

        def activity(song, bars) = song.activity("bass")&.then { |layer| layer[bars.map { |bar| bar - 1 }].mean } || 0.0

        def difference(run)
          runs = @laid.runs(run.bars)
          words, how, reference, attempt = SAID.fetch(run.state).map { |text| format(text, where: @laid.where(runs)) }
          octave = KINDS.fetch(run.state) == "bass_octave"
          Difference.of(kind: KINDS.fetch(run.state), measure: octave ? "lines.register" : "layers.plays", bars: runs, role: octave ? nil : "bass", reference:, attempt:,
            distance: octave ? 12 : 3, tolerance: octave ? 3 : 1, unit: octave ? "semitones" : "", sure: run.sure, words:, how: [how])
        end
      end
    end
  end
end
