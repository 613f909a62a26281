# frozen_string_literal: true

module Ethoscope
  # What tells of a song besides its mix: stems, and a score with the roles that a person gave its parts, by name. Score may be nil.
  Sources = Value.of(:stems, :score, :roles) do
    # @return [Sources] nothing but the mix
    def self.none = new(stems: [], score: nil, roles: {})

    # @return [Boolean]
    def none? = stems.empty? && score.nil?
  end
end
