# frozen_string_literal: true

module Ethoscope
  module Checklist
    # What a plan is made for: the aim (exact or not), tempo (BPM) and key of the new track, the meter, how many semitones everything moves, how many bars
    # and songs it comes from, whether it comes from a profile, what gives the library's entry of a kind of
    # technique, the bar with which the work begins, how many times as fast it will be, and the key that was asked for where the song has another mode.
    Brief = Value.of(:exact, :bpm, :key, :meter, :shift, :bars, :songs, :profile, :entries, :from, :ratio, :asked)

    # Reckons with it.
    class Brief
      # An exact remake, something in the style of, or study only.
      AIMS = %w[exact style study].freeze

      # @param ratio [Float]
      # @param asked [Harmony::Key, nil]
      def initialize(ratio: 1.0, asked: nil, **)
        super
      end

      # @return [Float] length of a bar in seconds; two where no tempo is known
      def bar_seconds = bpm ? 60.0 / bpm * Rhythm::Meter.named(meter).beats : 2.0

      # @return [Wording] in this key
      def wording = Wording.new(meter, key)

      # @return [Techniques::HowTo] the library's steps in this tempo and key
      def how_to = Techniques::HowTo.new(bpm:, key:, meter: Rhythm::Meter.named(meter), shift:, ratio:)
    end
  end
end
