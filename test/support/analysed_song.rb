# frozen_string_literal: true

require_relative "application"

# The application with one analysed song in it, and where that song is found.
module AnalysedSong
  include Application

  def setup
    super
    @reference = analysed_reference
    @id = @reference[:id]
    @path = "/api/references/#{@id}"
  end
end
