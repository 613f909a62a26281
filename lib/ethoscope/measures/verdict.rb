# frozen_string_literal: true

module Ethoscope
  module Measures
    # A target compared with another song: the value here (wanted), the value there (nil where that song does not tell it), how far they are apart in the
    # measure's unit, and the closeness. The way is our own.
    Verdict = Value.of(:target, :here, :there, :distance, :closeness)

    # Compares.
    class Verdict
      # @param target [Target]
      # @param vector [Vector] of the song that is judged
      # @param place [Place] where in that song
      # @return [Verdict]
      def self.of(target, vector, place: target.place)
        there = vector.at(target.measure, place)
        return new(target:, here: target.value, there: nil, distance: nil, closeness: "missing") unless there

        distance = target.kind.distance(target.value, there.value)
        new(target:, here: target.value, there: there.value, distance:, closeness: Closeness.of(distance, target.tolerance))
      end
    end
  end
end
