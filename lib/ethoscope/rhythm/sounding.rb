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
      # What is held at this share of it sounds on, struck or not.
      HELD = 0.35
      # A quiet beginning counts from this share of it on, where that stands this many times over the quietest that the recording has.
      FAINT = 0.015
      OVER_NOISE = 4.0
      QUIETEST_SHARE = 0.01
      # What is struck this many times as hard as the mean is no echo, however quiet the song has become.
      STRONG = 8.0

      # @param short_time [Signal::ShortTime]
      # @param onset [Signal::OnsetStrength]
      # @return [Range<Float>] seconds, from the first sound to the start of the last one, or to where what is held ends; echoes that die away after it are none
      def self.range(short_time, onset)
        level = short_time.level(AUDIBLE)
        top = level.sort[(level.size * LOUD_SHARE).floor]
        after = following(level, short_time.rate)
        loud = after > (top * HEARD)
        struck = (onset.total > onset.total.mean) & loud
        struck = loud unless struck.any?
        sounds_on = (after > (top * HELD)) | ((onset.total > onset.total.mean * STRONG) & (after > (top * FAINT)))
        last = [struck.where[-1], sounds_on.where[-1] || 0].max
        (first(level, after, top, struck.where[0]) / short_time.rate)..(last / short_time.rate)
      end

      # Where a quiet beginning rises out of the noise, or the first stroke where there is none.
      def self.first(level, after, top, struck)
        floor = [top * FAINT, level.sort[(level.size * QUIETEST_SHARE).floor] * OVER_NOISE].max
        faint = ((after > floor) & (level > floor)).where
        faint.empty? ? struck : [faint[0], struck].min
      end
      private_class_method :first

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
