# frozen_string_literal: true

require "yaml"

module Ethoscope
  module Techniques
    # The techniques that Ethoscope knows, and the detectors that look for them.
    module Library
      # One file of entries for each family.
      FAMILIES = %w[rhythm harmony arrangement sound space dynamics transition].freeze
      FOLDER = File.join(__dir__, "library")
      DETECTORS = [
        Detectors::AlternatingDelay, Detectors::AlternatingVelocity, Detectors::AutoPan, Detectors::BassCallResponse, Detectors::BassLeavesRoom,
        Detectors::BorrowedChord, Detectors::Chopped, Detectors::ClapAhead, Detectors::DrumDropout, Detectors::FallingSub, Detectors::FilteredSection,
        Detectors::HalfTimeBackbeat, Detectors::HatRateChange, Detectors::HatRoll, Detectors::Impact, Detectors::KeyLift, Detectors::KickEveryBeat,
        Detectors::LastChorusFull, Detectors::LoopToneDown, Detectors::LowRate, Detectors::MinorNinths, Detectors::NarrowSection,
        Detectors::OctaveDoubling, Detectors::OctaveShift, Detectors::OffBeatStabs, Detectors::OneThingEveryN, Detectors::OpensOnChorus,
        Detectors::OutsideLeadingTone, Detectors::ParallelChords, Detectors::Pedal, Detectors::PercussionEveryN, Detectors::PhraseFill,
        Detectors::Pumping, Detectors::ReversedSwell, Detectors::Riser, Detectors::SecondVerseVaried, Detectors::SecondaryDominantChain,
        Detectors::SilenceBeforeDrop, Detectors::SoftKickBefore, Detectors::SubAndBody, Detectors::TempoRamp, Detectors::ThinBar,
        Detectors::TonicSemitone, Detectors::TwoChordLoop
      ].freeze

      # @return [Array<Entry>] family by family
      def self.entries
        searched = DETECTORS.map { |detector| detector::KIND }
        @entries ||= FAMILIES.flat_map do |family|
          YAML.safe_load_file(File.join(FOLDER, "#{family}.yml")).map do |kind, texts|
            Entry.new(kind:, family:, defaults: {}, searched: searched.include?(kind), **texts.transform_keys(&:to_sym).tap { |entry| entry[:defaults]&.transform_values!(&:to_s) })
          end
        end.freeze
      end

      # @param kind [String]
      # @return [Entry, nil]
      def self.entry(kind) = entries.find { |entry| entry.kind == kind }

      # @param kind [String]
      # @param texts [Hash] what a person wrote of a technique of their own
      # @return [Entry] with empty texts where nothing was written
      def self.own(kind, texts)
        blank = { name: kind, family: "own", summary: "", hear: "", mix: "", stems: "", midi: "", measure: "", wrong: "", steps: [], defaults: {} }
        Entry.new(kind:, searched: false, **blank, **texts.slice(*blank.keys))
      end

      # @param scene [Scene]
      # @param gaps [Gaps] keeps which detectors failed
      # @return [Array<Sighting>] in order of time
      def self.search(scene, gaps = Gaps.new)
        DETECTORS.flat_map { |detector| gaps.beside("the technique “#{entry(detector::KIND)&.name || detector::KIND}”", []) { detector.find(scene) } }.sort_by(&:start)
      end
    end
  end
end
