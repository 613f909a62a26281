# frozen_string_literal: true

require "csv"

module Ethoscope
  module Harmony
    # How likely each chord is in each half beat, from which notes sound over each possible root.
    #
    # A small network that is the same for all twelve roots: chroma of five registers, and of two over a beat to both sides, turned so that the root comes first,
    # one hidden layer, one score a quality, and one score for "no chord" (after Korzeniowski & Widmer, "Feature learning
    # for chord recognition: the deep chroma extractor", ISMIR 2016, made small enough to read). The weights in
    # chord_weights.csv were learnt by `rake learn:chords`.
    class ChordModel
      WEIGHTS_FILE = File.join(__dir__, "chord_weights.csv")
      # MIDI numbers of the registers whose chroma is looked at.
      REGISTERS = { "bass" => (28..50), "all" => (51..86), "tenor" => (48..64), "middle" => (60..76), "high" => (72..92) }.freeze
      QUALITIES = %w[maj min 7 maj7 min7 sus4 sus2 dim aug hdim7 dim7 maj6].freeze
      # Registers that are also heard over a beat to both sides: broken chords and lines are whole only so.
      AROUND = %w[bass all].freeze
      REACH = 2
      INPUTS = [*REGISTERS.keys, *AROUND.map { |register| "#{register} around" }].flat_map { |register| (0..11).map { |step| "#{register} +#{step}" } }.freeze
      # Level that stands for silence in the score of "no chord".
      FAINT = 1e-3

      # @return [ChordModel] with the weights that ship with Ethoscope
      def self.shipped = @shipped ||= new(Signal::WeightTable.read(WEIGHTS_FILE))

      # @param table [Signal::WeightTable] rows INPUTS, "bias", "hidden 1" and so on, "none"; columns hidden units and QUALITIES
      def initialize(table)
        hidden = table.columns - QUALITIES
        @into = table.block(INPUTS, hidden)
        @bias = table.block(["bias"], hidden)
        @direct = table.block(INPUTS, QUALITIES)
        @quality_bias = table.block(["bias"], QUALITIES)
        @out = table.block(hidden, QUALITIES)
        @none = table.block(["none"], QUALITIES.first(3)).to_a.flatten
        freeze
      end

      # @param notes [NoteActivation] over half beats
      # @return [Numo::DFloat] shape [half beats, 12, inputs]: chroma of all registers turned to each root
      def self.inputs(notes)
        chroma = REGISTERS.transform_values { |range| notes.chroma(range) }
        registers = [*chroma.values, *AROUND.map { |name| around(chroma.fetch(name)) }].map { |rows| unit_rows(rows) }
        turned = (0..11).map do |root|
          order = (Numo::Int32.new(12).seq + root) % 12
          Numo::DFloat.hstack(registers.map { |chroma| chroma[true, order].dup })
        end
        Numo::DFloat.hstack(turned).reshape(notes.size, 12, INPUTS.size)
      end

      def self.around(rows)
        places = Numo::Int32.new(rows.shape[0]).seq
        (-REACH..REACH).sum { |shift| rows[(places + shift).clip(0, rows.shape[0] - 1), true] }
      end
      private_class_method :around

      # @param rows [Numo::DFloat] shape [n, 12]
      # @return [Numo::DFloat] the same, each row with a length of one
      def self.unit_rows(rows)
        rows / Numo::NMath.sqrt((rows**2).sum(axis: 1, keepdims: true)).clip(1e-6, nil)
      end

      # @param notes [NoteActivation] over half beats
      # @return [Numo::DFloat] shape [half beats, 12 * QUALITIES + 1]: natural log of the likelihood of each quality on C, on
      #   C sharp and so on, and last of no chord
      def log_likelihood(notes)
        inputs = self.class.inputs(notes)
        count = notes.size
        flat = inputs.reshape(count * 12, INPUTS.size)
        hidden = (Numo::Linalg.dot(flat, @into) + @bias).clip(0, nil)
        scores = Numo::Linalg.dot(flat, @direct) + Numo::Linalg.dot(hidden, @out) + @quality_bias
        all = Numo::DFloat.zeros(count, (12 * QUALITIES.size) + 1)
        all[true, 0...-1] = scores.reshape(count, 12 * QUALITIES.size)
        all[true, -1] = no_chord(notes.level, inputs)
        log_softmax(all)
      end

      private

      # Silence, or sound that no register's chroma stands out of.
      def no_chord(level, inputs)
        clearest = inputs[true, 0, 12...24].max(axis: 1)
        (Numo::NMath.log(Numo::DFloat.cast(level) + FAINT) * @none[1]) + (clearest * @none[2]) + @none[0]
      end

      def log_softmax(scores)
        scores -= scores.max(axis: 1, keepdims: true)
        scores - Numo::NMath.log(Numo::NMath.exp(scores).sum(axis: 1, keepdims: true))
      end
    end
  end
end
