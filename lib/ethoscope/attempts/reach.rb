# frozen_string_literal: true

module Ethoscope
  module Attempts
    # What was measured of an attempt, held against targets, in the tempo and key that are wanted of it. The way is our own.
    class Reach
      # What no figure of an attempt tells, and what measures say of it is no verdict.
      BY_EAR = %w[layers.card layers.sound techniques.mark time.rivals harmony.rivals time.course groove.timing layers.presence].freeze
      WHOLE_SONG = %w[time.tempo harmony.key].freeze

      # What became of one target: its measure and place, both values in words, distance, tolerance, unit and closeness.
      Target = Value.of(:measure, :place, :here, :there, :distance, :tolerance, :unit, :closeness)
      # What became of an item: closeness (nil where only the ear can tell), its targets, and sentences of the differences that speak against it.
      Verdict = Value.of(:closeness, :targets, :words) do
        # @return [Hash]
        def to_h = { closeness:, targets: targets.map(&:to_h), words: }
      end

      # @param targets [Array<Target>]
      # @return [String, nil] how close the worst of them is
      def self.worst(targets) = targets.map(&:closeness).max_by { |closeness| Measures::Closeness::ALL.index(closeness) }

      # @param vector [Measures::Vector] of the attempt
      # @param restatement [Measures::Restatement] from its tempo and key to those that are wanted
      def initialize(vector, restatement)
        @vector = vector
        @restatement = restatement
      end

      # @param target [Measures::Target]
      # @param place [Measures::Place, nil] where in the attempt that is; nil where it has no such place
      # @return [Target, nil] nil where the attempt does not tell it
      def of(target, place = target.place)
        there = (place ? values(target, place) : []).min_by { |value| target.kind.distance(target.value, value) }
        return nil if there.nil?

        distance = target.kind.distance(target.value, there)
        Target.new(measure: target.measure, place: target.place.to_h, here: target.words, there: target.kind.words(there), distance: distance.finite? ? distance.round(3) : nil,
          tolerance: target.tolerance, unit: target.kind.unit, closeness: Measures::Closeness.of(distance, target.tolerance))
      end

      private

      # What was read there; of a target that names no bars, everywhere.
      def values(target, place)
        told = place.first_bar ? [@vector.at(target.measure, place)].compact : @vector.of(target.measure).select { |measured| measured.place.same_layer?(place) }
        told.map { |measured| WHOLE_SONG.include?(target.measure) ? measured.value : target.kind.restate(measured.value, @restatement) }
      end
    end
  end
end
