# frozen_string_literal: true

require "numo/narray/alt"
require "numo/linalg"
require "numo/pocketfft"
require "zeitwerk"

# Ethoscope's core: measures a recording and says what it heard, in bars.
#
# Plain Ruby and Numo. It knows no web, no database and no files but the audio that it is handed.
module Ethoscope
  LOADER = Zeitwerk::Loader.new.tap do |loader|
    loader.push_dir(__dir__)
    loader.inflector.inflect("midi" => "Midi", "json" => "Json", "csv" => "Csv")
    loader.setup
  end
  private_constant :LOADER

  # Loads every class of the core at once. Called before worker processes are forked, so that they share what was loaded.
  # @return [void]
  def self.preload = LOADER.eager_load
end
