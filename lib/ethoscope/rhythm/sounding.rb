# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # From where to where a recording has music in it. The method is our own.
    module Sounding
      # Hertz in which music is heard to begin and end.
      AUDIBLE = (40.0..10_000.0)
      # An onset counts as sound when the second that follows it holds this share of the song's loud level.
      HEARD = 0.08
      LOUD_SHARE = 0.95

      # @param short_time [Signal::ShortTime]
      # @param onset [Signal::OnsetStrength]
      # @return [Range<Float>] seconds, from the first sound to the start of the last one; echoes that die away after it are none
      def self.range(short_time, onset)
        level = short_time.level(AUDIBLE)
        loud = following(level, short_time.rate) > (level.sort[(level.size * LOUD_SHARE).floor] * HEARD)
        struck = (onset.total > onset.total.mean) & loud
        struck = loud unless struck.any?
        frames = struck.where
        (frames[0] / short_time.rate)..(frames[-1] / short_time.rate)
      end

      # Mean level over the second after each frame.
      def self.following(level, rate)
        frames = rate.round
        held = Numo::DFloat.zeros(level.size + frames)
        held[0...level.size] = level
        Signal::Series.running_mean(held, frames)[(frames / 2)...(level.size + (frames / 2))]
      end
      private_class_method :following
    end
  end
end
