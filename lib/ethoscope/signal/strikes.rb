# frozen_string_literal: true

module Ethoscope
  module Signal
    # Where the log level of a register jumps up and soon falls again: struck sounds do both, held ones only rise
    # (struck against held after FitzGerald, "Harmonic/percussive separation using median filtering", DAFx 2010, with the
    # smaller of rise and fall in the place of the median filter).
    module Strikes
      # The level that a recording reaches in a tenth of its time stands for its loudness.
      LOUD_SHARE_OF_ALL = 0.9
      # A struck sound has fallen after this many frames of 12 ms.
      FALL_FRAMES = 9
      # Level below which jumps don't count: shares of the register's own loud level and of the whole.
      OWN_FLOOR = 0.08
      WHOLE_FLOOR = 0.003
      # The level that a register reaches in its louder moments.
      LOUD_SHARE = 0.95
      WHOLE = (40.0..8000.0)

      # @param short_time [ShortTime]
      # @param range [Range<Float>] Hz
      # @return [Numo::DFloat] shape [frames], height of the jump in factors of ten of magnitude; 0 where nothing is struck
      def self.curve(short_time, range)
        level = short_time.level(range)
        log = Numo::NMath.log10(level + floor(level, short_time))
        struck = Numo::DFloat.zeros(log.size)
        return struck if log.size < FALL_FRAMES + 8

        rise = log[2...-FALL_FRAMES] - log[0...-(FALL_FRAMES + 2)]
        fall = log[2...-FALL_FRAMES] - log[(FALL_FRAMES + 2)..]
        struck[2...-FALL_FRAMES] = Numo::DFloat.minimum(rise, fall).clip(0, nil)
        struck
      end

      # Keeps jumps out of near silence from counting.
      def self.floor(level, short_time)
        whole = Series.percentile(short_time.level(WHOLE), LOUD_SHARE_OF_ALL)
        [Series.percentile(level, LOUD_SHARE) * OWN_FLOOR, whole * WHOLE_FLOOR, 1e-7].max
      end
      private_class_method :floor
    end
  end
end
