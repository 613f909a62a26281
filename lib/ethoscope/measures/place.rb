# frozen_string_literal: true

module Ethoscope
  module Measures
    # What of a song a measure holds for: the whole (all nil), a run of bars (label and letter of a section, first_bar, bars), a role (and the name
    # of its layer where that is another), or both. The way is our own.
    Place = Value.of(:role, :layer, :label, :letter, :first_bar, :bars) do
      # @return [Place] the whole song
      def self.song = new(role: nil, layer: nil, label: nil, letter: nil, first_bar: nil, bars: nil)

      # @param layer [Hash] role and name
      # @return [Place] all bars of one layer
      def self.of_layer(layer)
        role = layer[:role] || layer[:name]
        song.with(role:, layer: layer[:name] == role ? nil : layer[:name])
      end

      # @param section [Hash] first_bar and bars, and label and letter where it has them
      # @return [Place]
      def self.of_section(section) = song.within(section)

      # @param data [Hash] as {#to_h} gives it
      # @return [Place]
      def self.from_h(data) = song.with(**data)

      # @param changes [Hash] attributes
      # @return [Place] the same with other attributes
      def with(**changes) = self.class.new(role:, layer:, label:, letter:, first_bar:, bars:, **changes)

      # @param section [Hash] first_bar and bars, and label and letter where it has them
      # @return [Place] the same role in this section
      def within(section) = with(**section.slice(:label, :letter, :first_bar, :bars))

      # @return [String, nil] what the layer is called
      def name = layer || role

      # @return [String] letter and label of the section, once where the label is no more than the letter
      def title = label == "part #{letter}" ? label : "#{letter} #{label}"

      # @param other [Place]
      # @return [Boolean] whether both are of the same layer, or of none
      def same_layer?(other) = role == other.role && layer == other.layer

      # @return [Integer, nil] the last bar, nil for the whole song
      def last_bar = first_bar && (first_bar + bars - 1)

      # @param other [Place]
      # @return [Boolean] whether both have a bar in common; the whole song has all bars
      def overlaps?(other) = first_bar.nil? || other.first_bar.nil? || (first_bar <= other.last_bar && other.first_bar <= last_bar)

      # @return [String, nil] the kind of section
      def kind = self.class.kind(label)

      # @param label [String, nil]
      # @return [String, nil] the label without a number
      def self.kind(label) = label&.match?(/\d\z/) ? label.sub(/ \d+\z/, "") : label

      # @return [Hash] without what it does not say
      def to_h = super.compact
    end
  end
end
