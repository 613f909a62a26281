# frozen_string_literal: true

module Ethoscope
  # What tells of a song besides its mix: stems, and a score with the roles that a person gave its parts, by name, and the place that a person gave it:
  # which of its bars (file_bar, from 1) begins at which second (at). Score and place may be nil.
  Sources = Value.of(:stems, :score, :roles, :place) do
    # @param place [Hash, nil]
    def initialize(place: nil, **attributes) = super

    # @return [Sources] nothing but the mix
    def self.none = new(stems: [], score: nil, roles: {})

    # @return [Boolean]
    def none? = stems.empty? && score.nil?
  end
end
