# frozen_string_literal: true

module Ethoscope
  module Layers
    # How much of one role is heard in each bar of a mix.
    Layer = Value.of(:role, :activity, :confidence, :spans)

    # First layers on a mix, bar by bar, from where in the spectrum things are struck or held
    # (struck against held after FitzGerald, "Harmonic/percussive separation using median filtering", DAFx 2010,
    # with percentiles over a bar in the place of the median filter).
    class Activity
      # Measurement of each role and what maps it to 0..1: [middle, slope]. Learnt by `rake learn:layers`.
      CURVES_FILE = File.join(__dir__, "layer_curves.yml")
      ROLES = %w[kick snare hats bass chords lead].freeze
      # Activity from which a role counts as playing.
      PLAYING = 0.5

      # @return [Hash{String => Array<Float>}] middle and slope of each role, as shipped
      def self.curves = YAML.safe_load_file(CURVES_FILE)

      # @param short_time [Signal::ShortTime]
      # @param notes [Harmony::NoteActivation] over half beats
      # @param grid [Rhythm::BeatGrid]
      def initialize(short_time, notes, grid)
        @bands = short_time
        @notes = notes
        @grid = grid
        @edges = grid.bar_edges
        @flux = {
          kick: strikes(30.0..130.0), body: strikes(180.0..1200.0), crack: strikes(1500.0..6000.0), air: strikes(7000.0..11_000.0)
        }
      end

      # @return [Array<Layer>] one for each role
      def layers
        curves = self.class.curves
        measures.map do |role, values|
          middle, slope = curves.fetch(role)
          activity = values.map { |value| (1 / (1 + Math.exp(-slope * (value - middle)))).round(3) }
          Layer.new(role:, activity:, confidence: confidence(activity), spans: spans(activity))
        end
      end

      # @return [Hash{String => Array<Float>}] the raw measure of each role by bar, in log units
      def measures
        reference = log(percentile(@bands.level(40.0..8000.0), 0.9))
        {
          "kick" => bars { |f| log(percentile(@flux[:kick][f], 0.96)) },
          "snare" => bars { |f| log(percentile(Numo::NMath.sqrt(@flux[:crack][f] * @flux[:body][f]), 0.96)) },
          "hats" => bars { |f| log(@flux[:air][f].mean) },
          "bass" => held(40.0..170.0, reference),
          "chords" => held(250.0..1400.0, reference),
          "lead" => tops
        }
      end

      private

      def bars
        @edges.each_cons(2).map { |from, to| yield Signal::Series.frames(from, to, @bands.rate, @bands.size) }
      end

      def log(value) = Math.log10([value, 1e-5].max)

      def percentile(values, share)
        values.sort[((values.size - 1) * share).round]
      end

      # Rises of log level within a register, frame by frame.
      def strikes(range)
        level = Numo::NMath.log10(@bands.level(range) + (@bands.bands.max * 1e-3))
        rise = Numo::DFloat.zeros(level.size)
        rise[2..] = (level[2..] - level[0...-2]).clip(0, nil)
        rise
      end

      # What is left between the strikes: the lower third of the level.
      def held(range, reference)
        level = @bands.level(range)
        bars { |frames| log(percentile(level[frames], 0.4)) - reference }
      end

      # How far the strongest high note stands over the other notes of its moment.
      def tops
        high = @notes.activation[true, 48...76]
        best = high.max(axis: 1)
        rest = @notes.activation[true, 24...76].mean(axis: 1)
        @edges.each_cons(2).each_with_index.map do |_, bar|
          first = 2 * (@grid.pickup + (bar * @grid.meter.beats))
          rows = first...(first + (2 * @grid.meter.beats))
          log(best[rows].mean / (rest[rows].mean + 1e-6))
        end
      end

      # Sure when few bars lie near the threshold.
      def confidence(activity)
        (activity.sum { |value| (value - PLAYING).abs } / activity.size * 2).clamp(0.05, 0.95).round(2)
      end

      def spans(activity)
        runs = activity.each_index.slice_when { |a, b| (activity[a] >= PLAYING) != (activity[b] >= PLAYING) }
        runs.select { |run| activity[run.first] >= PLAYING }.map { |run| [@edges[run.first].round(3), @edges[run.last + 1].round(3)] }
      end
    end
  end
end
