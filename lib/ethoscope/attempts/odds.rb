# frozen_string_literal: true

module Ethoscope
  module Attempts
    # How likely each of a few things is that may be so of a piece of two songs, after the evidence: a small network ({Signal::Network}). The weights in odds_*.csv
    # were learnt by `rake learn:differences` from pairs of songs into which known differences were planted.
    class Odds
      # What may be so, by what is looked at. The first is that nothing differs.
      STATES = { drums: %w[same missing extra pattern], bass: %w[same missing extra up down], chords: %w[same chord] }.freeze
      MOST = 0.999

      # @param name [Symbol] of STATES
      # @return [Odds] as it ships
      def self.shipped(name)
        @shipped ||= {}
        @shipped[name] ||= new(name, Signal::WeightTable.read(File.join(__dir__, "odds_#{name}.csv")))
      end

      # @param name [Symbol] of STATES
      # @return [Array<String>] names of the evidence
      def self.inputs(name)
        { drums: DrumEvidence::NAMES + DrumEvidence::ROLES, bass: BassEvidence::NAMES, chords: ChordEvidence::NAMES }.fetch(name)
      end

      # @param name [Symbol] of STATES
      # @param laid [Laid]
      # @return [Array<Array(Array<Float>, Array<Integer>, String)>] the evidence piece by piece (or, of chords, bar by bar), the reference's bars, and the piece of the kit
      def self.evidence(name, laid)
        bars = laid.pieces.map { |piece| piece.reference.map { |bar| bar + 1 } }
        case name
        when :drums then DrumEvidence::ROLES.flat_map { |role| DrumEvidence.new(laid, role).rows.to_a.zip(bars).map { |row, run| [row, run, role] } }
        when :bass then BassEvidence.new(laid).rows.to_a.zip(bars).map { |row, run| [row, run, "bass"] }
        else ChordEvidence.new(laid).then { |chords| chords.rows.to_a.zip(chords.pairs).map { |row, (bar, _)| [row, [bar], nil] } }
        end
      end

      # @param name [Symbol]
      # @param table [Signal::WeightTable] see {Signal::Network}
      def initialize(name, table)
        @states = STATES.fetch(name)
        @network = Signal::Network.new(table, self.class.inputs(name), @states.drop(1))
        freeze
      end

      # @return [Array<String>]
      attr_reader :states

      # @param rows [Numo::DFloat] shape [pieces, evidence]
      # @return [Numo::DFloat] shape [pieces, states], adding up to one in each row
      def of(rows)
        likely = @network.likelihood(rows).clip(0, MOST)
        odds = Numo::DFloat.ones(rows.shape[0], 1).concatenate(likely / (1 - likely), axis: 1)
        odds / odds.sum(axis: 1, keepdims: true)
      end
    end
  end
end
