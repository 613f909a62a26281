# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # A clock that runs with the music: on its time axis the tempo is constant. For a programmed song it is the identity.
    #
    # First a coarse curve of the local period (Viterbi path through a windowed comb; Peeters, "Time variable tempo
    # detection", EURASIP 2007), then what is left of the phase by complex demodulation (Grosche & Müller, "Extracting
    # predominant local pulse information", IEEE TASLP 2011). Where one constant tempo explains the onsets as well as that, it is kept instead.
    class TimeWarp
      # The pulse is followed by what comes back after up to nearly five beats.
      LONGEST_BEATS = 4.9
      # Of a window so much is smoothed over.
      SMOOTH_SHARE = 0.75
      WINDOW_SECONDS = 8.0
      HOP_SECONDS = 1.0
      # The local period may lie this far from the main one, in steps of half a per cent.
      REACH = 40
      STEP = 0.005
      # Cost of one step of change between windows: smaller follows faster and wanders more.
      CHANGE_COST = 0.012
      # A curve that stays within this ratio is left to the demodulation.
      FLAT = 0.02
      # Phase that wanders less than this many seconds is human timing on a constant tempo.
      CONSTANT_SECONDS = 0.018
      # How slow and how fast the clock may run; tempo that really changes by more is another count, and inverting needs a pace under two.
      PACES = (0.3..1.8)
      ITERATIONS = 12
      # Seconds of error at which iterating stops.
      EXACT = 1e-9

      # @return [Boolean] true when one tempo fits the whole recording
      attr_reader :constant

      # @param onset [Signal::OnsetStrength]
      # @param period [Float] seconds, the main pulse
      def initialize(onset, period)
        @rate = onset.rate
        @size = onset.total.size
        @period = period
        axis = coarse_axis(onset.total)
        flat = flat?(axis)
        axis = identity if flat
        late, strength = phase_deviation(Signal::Series.sample(onset.total, invert(axis) * @rate))
        @inverse = invert(corrected(axis, late))
        steady = SteadyPulse.new(onset.total, @rate, @period * (@inverse[-1] - @inverse[0]) * @rate / (@size - 1))
        @constant = (flat && wander(late - linear_trend(late, strength), strength) < CONSTANT_SECONDS) || steady.as_good_as?(followed(onset.total))
        @inverse = invert(identity * (@period / steady.period)) if @constant
        freeze
      end

      # @param curves [Array<Numo::NArray>] shape [frames] each, on the recording's own time axis
      # @return [Array<Numo::DFloat>] shape [frames] each, the same curves read at equal steps of musical time
      def warp(*curves)
        places = Signal::Interpolation.new(@size, @inverse * @rate)
        curves.map { |curve| places.of(curve) }
      end

      # @param musical [Numo::DFloat] musical times in seconds
      # @return [Numo::DFloat] times in the recording
      def to_seconds(musical) = read(@inverse, musical)

      private

      def followed(onset) = SteadyPulse.new(Signal::Series.sample(onset, @inverse * @rate), @rate, @period)

      # A clock read at any time; before its first and after its last frame it runs at the common pace.
      def read(clock, time)
        at = time * @rate
        Signal::Series.sample(clock, at) + ((at - (@size - 1)).clip(0, nil) / @rate) + (at.clip(nil, 0) / @rate)
      end

      def identity = Numo::DFloat.new(@size).seq / @rate

      # Recording time for each step of musical time, by fixed-point iteration: the clock's pace stays near one.
      def invert(axis)
        musical = identity
        time = musical.dup
        ITERATIONS.times do
          miss = musical - read(axis, time)
          break if miss.abs.max < EXACT

          time += miss
        end
        time
      end

      def flat?(axis)
        pace = (axis[1..] - axis[0...-1]) * @rate
        (pace.max - pace.min) < FLAT
      end

      def coarse_axis(onset)
        size = (WINDOW_SECONDS * @rate).round
        return identity if @size < size * 2

        hop = (HOP_SECONDS * @rate).round
        starts = (0..(@size - size)).step(hop).to_a
        path = best_path(window_scores(starts.map { |start| onset[start...(start + size)] }))
        centres = Numo::DFloat.cast(starts) + (size / 2)
        pace = 1.0 / (1 + ((Numo::DFloat.cast(path) - REACH) * STEP))
        at = (Numo::DFloat.new(@size).seq - centres[0]) / hop
        local = Signal::Series.running_mean(Signal::Series.sample(pace, at), (2 * @rate).round)
        axis = Numo::DFloat.zeros(@size)
        axis[1..] = (local[0...-1].cumsum / @rate)
        axis
      end

      # How well each period around the main one fits each window: autocorrelation at its first four multiples.
      def window_scores(windows)
        lags = (@period * LONGEST_BEATS * @rate).ceil + 2
        correlations = Numo::DFloat.vstack(windows.map { |window| Signal::Series.autocorrelation(window - window.mean, lags) * rms(window) })
        periods = ((Numo::DFloat.new((2 * REACH) + 1).seq - REACH) * STEP) + 1
        [1, 2, 3, 4].sum do |tooth|
          at = periods * (@period * tooth * @rate)
          low = Numo::Int32.cast(at.floor)
          (correlations[true, low] * (1 - (at - low))) + (correlations[true, low + 1] * (at - low))
        end
      end

      def rms(curve) = Math.sqrt((curve**2).mean)

      def best_path(scores)
        scores /= [scores.abs.mean * 10, 1e-12].max
        rows, states = scores.shape
        index = Numo::DFloat.new(states).seq
        cost = (index.reshape(states, 1) - index.reshape(1, states)).abs * CHANGE_COST
        total = scores[0, true].dup
        back = []
        (1...rows).each do |row|
          options = total.reshape(1, states) - cost
          choice = options.max_index(axis: 1) % states
          back << choice
          total = options.max(axis: 1) + scores[row, true]
        end
        path = [total.max_index]
        back.reverse_each { |choice| path.unshift(choice[path.first]) }
        path
      end

      # Seconds by which the pulse runs late at each frame of the warped axis, and how strongly it is heard there.
      def phase_deviation(onset)
        frequency, = [1, 2, 4].map { |h| [h / @period, harmonic_strength(onset, h / @period)] }.max_by { |f, s| s / Math.sqrt(f) }
        hop = (0.5 * @rate).round
        smooth = demodulate(onset, frequency, hop)
        phases = unwrap(smooth.map(&:arg))
        late = Numo::DFloat.cast(phases) * (-1.0 / (2 * Math::PI * frequency))
        at = Numo::DFloat.new(@size).seq / hop
        [Signal::Series.sample(late, at), Signal::Series.sample(Numo::DFloat.cast(smooth.map(&:abs2)), at)]
      end

      def harmonic_strength(onset, frequency)
        demodulate(onset, frequency, @rate.round).sum(&:abs)
      end

      def demodulate(onset, frequency, hop)
        time = Numo::DFloat.new(onset.size).seq / @rate
        angle = time * (2 * Math::PI * frequency)
        width = (WINDOW_SECONDS * SMOOTH_SHARE * @rate).round
        real = 2.times.inject(onset * Numo::NMath.cos(angle)) { |curve, _| Signal::Series.running_mean(curve, width / 2) }
        imaginary = 2.times.inject(onset * Numo::NMath.sin(angle) * -1) { |curve, _| Signal::Series.running_mean(curve, width / 2) }
        index = (0...onset.size).step(hop).to_a
        real[index].to_a.zip(imaginary[index].to_a).map { |re, im| Complex(re, im) }
      end

      def unwrap(phases)
        turn = 2 * Math::PI
        phases.each_with_object([]) do |phase, out|
          out << (out.empty? ? phase : phase - (turn * ((phase - out.last) / turn).round))
        end
      end

      # Least squares, weighted by how strongly the pulse is heard: where it is faint its phase says little.
      def linear_trend(curve, weight)
        total = [weight.sum, 1e-12].max
        x = Numo::DFloat.new(curve.size).seq
        x -= (x * weight).sum / total
        centre = (curve * weight).sum / total
        slope = (x * (curve - centre) * weight).sum / [((x**2) * weight).sum, 1e-12].max
        (x * slope) + centre
      end

      # Root mean square, weighted likewise.
      def wander(residual, weight) = Math.sqrt(((residual**2) * weight).sum / [weight.sum, 1e-12].max)

      # Moves the clock so that the pulse is no longer late anywhere, keeping its first moment.
      def corrected(axis, late) = steadied(axis - Signal::Series.sample(late - late[0], axis * @rate))

      # A clock never stands still or runs backwards, however far the phase of a faint pulse jumps.
      def steadied(axis)
        pace = (axis[1..] - axis[0...-1]) * @rate
        return axis if pace.min >= PACES.begin && pace.max <= PACES.end

        axis[0] + Numo::DFloat[0.0].concatenate(pace.clip(PACES.begin, PACES.end).cumsum / @rate)
      end
    end
  end
end
