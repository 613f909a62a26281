# frozen_string_literal: true

module Ethoscope
  module Attempts
    module Finders
      # Layers of which both songs have the stem: where they sit, how wide they are, how deep they pump, how late they echo and how long they ring. A difference is one when
      # it is larger than both the tolerance and what stems of the same layer repeat to. The way is our own.
      class StemSounds
        # Unit and tolerance for an exact remake, figure of a stem, its words, the sentence and what to do.
        Figure = Value.of(:unit, :tolerance, :read, :worded, :sentence, :how)
        SECONDS = ->(value) { "#{value.round(2)} s" }
        FIGURES = {
          "layer_pan" => Figure.new(unit: "% to one side", tolerance: 15.0, read: ->(stem) { stem[:pan] && (stem[:pan] * 100) }, worded: ->(value) { StemSounds.side(value) },
            sentence: "The %<role>s sit%<s>s at %<here>s, not at %<there>s.", how: "Pan the %<role>s to %<there>s."),
          "layer_width" => Figure.new(unit: "% side energy", tolerance: 10.0, read: ->(stem) { stem[:width] && (stem[:width] * 100) }, worded: ->(value) { "#{value.round} %" },
            sentence: "The %<role>s %<has>s %<here>s of the energy at the sides, not %<there>s.", how: "Widen or narrow the %<role>s until the sides hold %<there>s."),
          "layer_pumping" => Figure.new(unit: "dB", tolerance: 3.0, read: ->(stem) { stem[:pumping]&.fetch(:depth_db) || 0.0 }, worded: ->(value) { "#{value.round(1)} dB" },
            sentence: "The %<role>s pump%<s>s by %<here>s, not by %<there>s.", how: "Set the side-chain on the %<role>s to a depth of %<there>s."),
          "layer_echo" => Figure.new(unit: "beats", tolerance: 0.05, read: ->(stem, bpm) { stem[:echo] && (stem[:echo][:ms] * bpm / 60_000.0) },
            worded: ->(value) { "#{value.round(2)} beats" },
            sentence: "The %<role>s echo%<es>s after %<here>s, not after %<there>s.", how: "Set the delay on the %<role>s to %<there>s."),
          "layer_tail" => Figure.new(unit: "s", tolerance: 0.5, read: ->(stem) { stem[:tail_s] }, worded: SECONDS,
            sentence: "The %<role>s ring%<s>s for %<here>s, not for %<there>s.", how: "Set the decay of the reverb on the %<role>s to %<there>s.")
        }.freeze
        SURE = 0.9
        # Per cent to a side that nobody hears as one.
        MIDDLE = 5

        # @param pan [Float] per cent, to the left where negative
        # @return [String]
        def self.side(pan)
          return "the middle" if pan.abs < MIDDLE

          "#{pan.abs.round} % #{pan.positive? ? "right" : "left"}"
        end

        # @param laid [Laid]
        # @param repeatability [Repeatability]
        def initialize(laid, repeatability)
          @laid = laid
          @repeatability = repeatability
        end

        # @return [Array<Difference>]
        def differences
          pairs.flat_map { |role, stems| FIGURES.filter_map { |kind, figure| difference(kind, figure, role, values(figure, stems)) } }
        end

        # @return [Array<Array(String, Float)>] by kind and role how far both are apart, whether that is a difference or not
        def apart = pairs.flat_map { |_, stems| FIGURES.filter_map { |kind, figure| values(figure, stems).then { |there, here| [kind, (here - there).abs] if there && here } } }

        private

        # Of each role that has one stem in both songs, those stems.
        def pairs
          both = @laid.songs.map { |song| (song.data[:stems] || []).group_by { |stem| stem[:role] }.select { |_, stems| stems.one? }.transform_values(&:first) }
          (both[0].keys & both[1].keys).to_h { |role| [role, both.map { |stems| stems.fetch(role) }] }
        end

        def values(figure, stems)
          tempi = [@laid.alignment.reference_bpm, @laid.alignment.attempt_bpm]
          stems.zip(tempi).map { |stem, bpm| figure.read.arity == 2 ? figure.read.call(stem, bpm) : figure.read.call(stem) }
        end

        def difference(kind, figure, role, (there, here))
          return nil unless there && here

          tolerance = [figure.tolerance, @repeatability.of(kind)].max
          return nil if (here - there).abs <= tolerance

          said = { **Ethoscope::Layers::Role.in_words(role), there: figure.worded.call(there), here: figure.worded.call(here) }
          Difference.of(kind:, role:, reference: said[:there], attempt: said[:here], distance: (here - there).abs.round(2), tolerance:, unit: figure.unit, sure: SURE,
            words: format(figure.sentence, **said), how: [format(figure.how, **said)])
        end
      end
    end
  end
end
