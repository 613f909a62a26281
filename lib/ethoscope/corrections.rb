# frozen_string_literal: true

module Ethoscope
  # What a person has put right, for readings to be derived from again. Any of them may be nil.
  Corrections = Value.of(:bpm, :meter, :first_downbeat, :key)

  # Checks what it is given.
  class Corrections
    TEMPI = (20.0..400.0)

    # @return [Corrections] nothing was put right
    def self.none = of

    # @param bpm [Numeric, nil] beats per minute
    # @param meter [String, nil] such as "3/4"
    # @param first_downbeat [Numeric, nil] seconds of a moment that is a downbeat
    # @param key [Hash, nil] tonic and mode
    # @return [Corrections]
    # @raise [ArgumentError] when a value makes no sense
    def self.of(bpm: nil, meter: nil, first_downbeat: nil, key: nil)
      raise ArgumentError, "a tempo lies between 20 and 400 BPM" unless bpm.nil? || TEMPI.cover?(bpm)

      new(bpm: bpm&.to_f, meter: meter && Rhythm::Meter.named(meter), first_downbeat: first_downbeat&.to_f,
        key: key && Harmony::Key.named(key.fetch(:tonic), key.fetch(:mode)))
    end
  end
end
