# frozen_string_literal: true

module Ethoscope
  module Calculators
    # All calculations of the reckoner, in the order of its page. The way is our own.
    module Reckoner
      GROUPS = { "sample" => "Sample to track", "slow" => "Make it slow, play it fast", "shifted" => "Work in a shifted key", "time" => "Time", "pitch" => "Pitch",
                 "level" => "Level", "costs" => "Credits and costs" }.freeze
      ALL = [
        SampleToTrack, KeyShift, Varispeed, CompoundToSimple, SlowTake, ShiftedSession,
        BarLengths, SectionTimes, Slices, DelayTimes, DelayValue, ReverbFit, PumpRelease, LoopTempo, CountedTempo, TappedTempo, RoundingDrift, SwingMs, HalfDouble,
        NoteFrequency, CentsBetween, ConcertPitch, CutPoints, SubRoot, GuitarCapo, GuitarTuning, ChordNotes, UpperStructures, ScaleNotes, DegreesToChords,
        ChordsToDegrees, ChordsMoved,
        LoudnessMatch, Headroom, VelocitySteps, SoundCosts
      ].freeze

      # @param id [String]
      # @return [Class] the calculation
      # @raise [Errors::Unfit] when there is none
      def self.find(id) = named(id) || raise(Errors::Unfit, "there is no calculation called “#{id.to_s[0, 40]}”")

      # @param id [String]
      # @return [Class, nil] the calculation
      def self.named(id) = ALL.find { |calculator| id == calculator::ID }

      # @return [Array<Hash>] groups with their calculations
      def self.to_h = GROUPS.map { |id, name| { id:, name:, calculators: ALL.select { |calculator| id == calculator::GROUP }.map(&:to_h) } }
    end
  end
end
