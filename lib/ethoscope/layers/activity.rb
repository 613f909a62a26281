# frozen_string_literal: true

require "yaml"

module Ethoscope
  module Layers
    # First layers on a mix, bar by bar, from where in the spectrum things are struck or held
    # (struck against held after FitzGerald, "Harmonic/percussive separation using median filtering", DAFx 2010,
    # with percentiles over a bar in the place of the median filter).
    class Activity
      # Hertz that stand for the loudness of the mix.
      AUDIBLE = (40.0..8000.0)
      # Hertz in which a bass is held, and chords.
      BASS = (40.0..170.0)
      CHORDS = (250.0..1400.0)
      # The share of time in which the mix is no louder stands for its level.
      LOUD = 0.9
      # Bars without a stroke are as if they had this much of one.
      LEAST_STROKES = 0.05
      # What sounds for most of a bar shows in its quieter part.
      HELD = 0.4
      # Logistic curves by role: bias, and weights of the bar's measure, of its distance to the song's loud bars and of those
      # themselves; for struck roles the same again of the strokes that {Rhythm::StrokeModel} hears. Learnt by `rake learn:layers`.
      CURVES_FILE = File.join(__dir__, "layer_curves.yml")
      # The share of bars that lie below a song's loud bars.
      LOUD_BARS = 0.9
      # Roles that a mix tells; the last one by {Voice}.
      ROLES = %w[kick snare hats bass chords lead vocal].freeze
      # Roles that a mix does not tell: nothing is said of them rather than guessed.
      UNTOLD = %w[percussion pad strings brass fx].freeze
      # A stroke shows in the loudest twenty-fifth of a bar.
      TOP = 0.96
      # Where struck sounds are looked for, in Hz.
      STRUCK = { kick: 30.0..130.0, body: 180.0..1200.0, crack: 1500.0..6000.0, air: 7000.0..11_000.0 }.freeze
      # Confidence in a piece of the kit of which no step is ever struck.
      LEAST_REGULAR = 0.2
      # How much the bar as a whole counts beside its likeliest stroke; the rest is the stroke. Notes with sharp attacks have strokes like hats, but no such bars.
      BAR_SHARE = { "kick" => 0.5, "snare" => 0.4, "hats" => 0.65 }.freeze
      # Bars in which so little is struck over 7 kHz (a measure in log units; 95 of 100 bars with hats lie over -2) have no hats, whatever else has sharp attacks.
      AIRLESS = -3.5
      # Activity from which a role counts as playing.
      PLAYING = 0.5

      # @return [Hash{String => Array<Float>}] the weights of each role, as shipped
      def self.curves = YAML.safe_load_file(CURVES_FILE)

      # @param short_time [Signal::ShortTime]
      # @param notes [Harmony::NoteActivation] over half beats
      # @param grid [Rhythm::BeatGrid]
      # @param drums [Rhythm::DrumSteps] over the same bars
      # @param played [Rhythm::StrokesInContext, nil] its strokes in their context: they tell better than how much is struck in a bar
      def initialize(short_time, notes, grid, drums, played = nil)
        @drums = drums
        @played = played
        @bands = short_time
        @notes = notes
        @grid = grid
        @edges = grid.bar_edges
        @loud = Signal::Series.percentile(@bands.level(AUDIBLE), LOUD)
        @flux = STRUCK.transform_values { |range| Signal::Strikes.curve(@bands, range) }
      end

      # @return [Array<Layer>] one for each role that its measures tell
      def layers
        curves = self.class.curves
        rows.map do |role, values|
          activity = aired(role, values, with_strokes(role, values.map { |row| logistic(row, curves.fetch(role)) }))
          Layer.of_mix(role:, activity:, confidence: confidence(role, activity), spans: spans(activity))
        end
      end

      # @param values [Array<Float>] the measure of one role by bar
      # @return [Array<Array<Float>>] by bar: the measure, its distance to the loud bars, and those bars' measure
      def self.features(values)
        loud = values.sort[((values.size - 1) * LOUD_BARS).floor]
        values.map { |value| [value, value - loud, loud] }
      end

      # @return [Hash{String => Array<Array<Float>>}] what the curve of each role weighs, by bar
      def rows
        measures.to_h do |role, values|
          strokes = Rhythm::DrumSteps::PIECES.include?(role) ? self.class.features(strokes(role)) : []
          [role, self.class.features(values).each_with_index.map { |row, bar| [*row, *strokes[bar]] }]
        end
      end

      # @return [Hash{String => Array<Float>}] the raw measure of each role by bar, in log units
      def measures
        reference = log(@loud)
        {
          "kick" => bars { |f| log(Signal::Series.percentile(@flux[:kick][f], TOP)) },
          "snare" => bars { |f| log(Signal::Series.percentile(Numo::NMath.sqrt(@flux[:crack][f] * @flux[:body][f]), TOP)) },
          "hats" => bars { |f| log(@flux[:air][f].mean) },
          "bass" => held(BASS, reference),
          "chords" => held(CHORDS, reference),
          "lead" => tops
        }
      end

      private

      # A piece of the kit plays as far as its likeliest stroke of the bar, and the bar as a whole, say so.
      def with_strokes(role, activity)
        return activity unless @played && Rhythm::DrumSteps::PIECES.include?(role)

        share = BAR_SHARE.fetch(role)
        @played.likely(role).max(axis: 1).to_a.zip(activity).map { |stroke, bar| ((share * bar) + ((1 - share) * stroke)).round(3) }
      end

      def aired(role, values, activity)
        return activity unless role == "hats"

        activity.zip(values).map { |value, (air)| air < AIRLESS ? 0.0 : value }
      end

      # Strokes of one piece in each bar, as a logarithm.
      def strokes(piece) = @drums.likely(piece).sum(axis: 1).to_a.map { |count| log(count + LEAST_STROKES) }

      def logistic(row, weights)
        bias, *slopes = weights
        (1 / (1 + Math.exp(-(bias + row.zip(slopes).sum { |value, slope| value * slope })))).round(3)
      end

      def bars
        @edges.each_cons(2).map { |from, to| yield Signal::Series.frames(from, to, @bands.rate, @bands.size) }
      end

      def log(value) = Math.log10([value, 1e-5].max)

      # What is left between the strikes: the lower third of the level.
      def held(range, reference)
        level = @bands.level(range)
        bars { |frames| log(Signal::Series.percentile(level[frames], HELD)) - reference }
      end

      # How far the strongest high note stands over the other notes of its moment.
      def tops
        high = @notes.activation[true, 48...76]
        best = high.max(axis: 1)
        rest = @notes.activation[true, 24...76].mean(axis: 1)
        @edges.each_cons(2).with_index.map do |_, bar|
          first = 2 * (@grid.pickup + (bar * @grid.meter.beats))
          rows = first...(first + (2 * @grid.meter.beats))
          log(best[rows].mean / (rest[rows].mean + 1e-6))
        end
      end

      # Sure when few bars lie near the threshold; of a piece of the kit only as far as some step of the bar is usually struck.
      def confidence(role, activity)
        decided = activity.sum { |value| (value - PLAYING).abs } / activity.size * 2
        [decided, Rhythm::DrumSteps::PIECES.include?(role) ? regularity(role) : 1.0].min.clamp(0.05, 0.95).round(2)
      end

      def regularity(piece) = LEAST_REGULAR + ((1 - LEAST_REGULAR) * @drums.likely(piece).mean(axis: 0).max)

      def spans(activity) = Spans.of(activity.map { |value| value >= PLAYING }, @edges)
    end
  end
end
