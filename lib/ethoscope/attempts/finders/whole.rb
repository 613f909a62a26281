# frozen_string_literal: true

module Ethoscope
  module Attempts
    module Finders
      # What differs over the whole song: tempo, key, swing, level, range, width, brightness. A difference is one when it is larger than both the tolerance of
      # the measure and what the measure repeats to. The way is our own.
      class Whole
        # Kind, measure, unit, digits, tolerance for an exact remake, figure of a song, sentence, and what to do, by whether the attempt has more or less of it.
        Figure = Value.of(:kind, :measure, :unit, :digits, :tolerance, :read, :more, :less)
        FIGURES = [
          Figure.new(kind: "swing", measure: "groove.swing", unit: "%", digits: 0, tolerance: 2.0, read: ->(song) { song.data[:groove][:swing_ratio] * 100 },
            more: ["Yours swings more: its off-beats come later.", "Set the swing to %<there>s."],
            less: ["Yours swings less: its off-beats come earlier.", "Set the swing to %<there>s."]),
          Figure.new(kind: "level", measure: "mix.loudness", unit: "LUFS", digits: 1, tolerance: 1.0, read: ->(song) { song.data[:loudness][:integrated] },
            more: ["Yours is %<apart>s louder.", "Lower the whole mix by %<apart>s, or ease the limiter."],
            less: ["Yours is %<apart>s quieter.", "Raise the whole mix by %<apart>s, with a limiter at the end if it clips."]),
          Figure.new(kind: "range", measure: "mix.range", unit: "LU", digits: 1, tolerance: 1.0, read: ->(song) { song.data[:loudness][:range] || 0.0 },
            more: ["Quiet and loud parts of yours lie further apart.", "Compress the sum or bring the quiet sections up by %<apart>s."],
            less: ["Quiet and loud parts of yours lie closer together.", "Let the quiet sections be quieter by %<apart>s."]),
          Figure.new(kind: "width", measure: "mix.width", unit: "dB", digits: 1, tolerance: 2.0, read: lambda(&:side_level),
            more: ["Yours is wider: its sides stand %<apart>s higher against its middle.", "Narrow pads, reverbs and doubles until the sides fall by %<apart>s."],
            less: ["Yours is narrower: its sides stand %<apart>s lower against its middle.",
                   "Pan layers apart or widen them until the sides rise by %<apart>s; the low end stays in the middle."]),
          Figure.new(kind: "brightness", measure: "mix.spectrum", unit: "dB", digits: 1, tolerance: 2.0, read: lambda(&:brightness),
            more: ["Yours is brighter: it has %<apart>s more above 2.8 kHz.", "Cut above 2.8 kHz by %<apart>s with a shelf."],
            less: ["Yours is darker: it has %<apart>s less above 2.8 kHz.", "Raise above 2.8 kHz by %<apart>s with a shelf, hats and air first."])
        ].freeze
        # A tempo is told to be another from so many hundredths of it.
        TEMPO_SHARE = 0.003

        # @param laid [Laid]
        # @param repeatability [Repeatability]
        def initialize(laid, repeatability)
          @laid = laid
          @repeatability = repeatability
        end

        # @return [Array<Difference>]
        def differences = [tempo, key, *FIGURES.map { |figure| figure(figure) }].compact

        private

        def songs = [@laid.reference, @laid.attempt]

        def tempo
          theirs = @laid.alignment.reference_bpm
          wanted = @laid.wishes.bpm || theirs
          mine = @laid.alignment.attempt_bpm
          tolerance = [wanted * TEMPO_SHARE, wanted * @repeatability.of("tempo") / 100].max
          return nil if (mine - wanted).abs <= tolerance

          Difference.of(kind: "tempo", measure: "time.tempo", reference: bpm(wanted), attempt: bpm(mine), distance: (mine - wanted).abs.round(2),
            tolerance: tolerance.round(2), unit: "BPM", words: "Yours is #{mine > wanted ? "faster" : "slower"}: #{bpm(mine)}, not #{bpm(wanted)}.",
            how: ["Set the tempo to #{bpm(wanted)}.", "Stretch what was recorded by #{(wanted / mine).round(4)} in speed, pitch kept."])
        end

        def bpm(value) = format("%.2f BPM", value)

        def key
          wanted = @laid.wishes.semitones(@laid.reference.analysis) || 0
          apart = ((@laid.semitones - wanted + 5) % 12) - 5
          return nil if apart.zero?

          Difference.of(kind: "key", measure: "harmony.key", reference: named(wanted), attempt: named(@laid.semitones), distance: apart.abs, tolerance: 1, unit: "semitones",
            words: "Yours lies #{semitones(apart)} #{apart.positive? ? "higher" : "lower"} than it should.",
            how: ["Move everything with a pitch #{semitones(apart)} #{apart.positive? ? "down" : "up"}; the drums stay."])
        end

        def semitones(apart) = apart.abs == 1 ? "one semitone" : "#{Readings::Words.number(apart.abs)} semitones"

        def named(up) = @laid.reference.analysis.key&.transpose(up)&.to_s

        def figure(figure)
          there, here = songs.map { |song| figure.read.call(song) }
          return nil unless there && here

          tolerance = [figure.tolerance, @repeatability.of(figure.kind)].max
          apart = here - there
          return nil if apart.abs <= tolerance

          words = ->(value) { "#{Readings::Words.signed(value, figure.digits)} #{figure.unit}" }
          said = { there: words.call(there), apart: "#{Readings::Words.signed(apart.abs, figure.digits)} #{Measures::Kinds.apart(figure.unit)}" }
          sentence, how = (apart.positive? ? figure.more : figure.less).map { |text| format(text, **said) }
          Difference.of(kind: figure.kind, measure: figure.measure, reference: said[:there], attempt: words.call(here), distance: apart.abs.round(2), tolerance:,
            unit: Measures::Kinds.apart(figure.unit), words: sentence, how: [how])
        end
      end
    end
  end
end
