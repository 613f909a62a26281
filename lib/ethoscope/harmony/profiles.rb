# frozen_string_literal: true

module Ethoscope
  module Harmony
    # What one sounding note looks like on the log-frequency axis: itself and its overtones, each weaker than the one before
    # (Mauch & Dixon, ISMIR 2010).
    module Profiles
      # Each overtone is this much weaker than the one below. Larger values explain more of the treble by the bass.
      DECAY = 0.8
      OVERTONES = 12

      # @return [Numo::SFloat] shape [notes, log-frequency bins], unit rows
      def self.matrix
        rows = Numo::SFloat.zeros(NoteActivation::NOTES, Signal::LogFrequency::BINS)
        NoteActivation::NOTES.times do |note|
          (1..OVERTONES).each do |overtone|
            centre = (note * 3) + 1 + (36 * Math.log2(overtone))
            (-1..1).each do |near|
              bin = centre.round + near
              next unless (0...Signal::LogFrequency::BINS).cover?(bin)

              rows[note, bin] += (DECAY**(overtone - 1)) * (1 - ((bin - centre).abs / 2.0))
            end
          end
        end
        rows / Numo::NMath.sqrt((rows**2).sum(axis: 1, keepdims: true))
      end
    end
  end
end
