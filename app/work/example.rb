# frozen_string_literal: true

module Work
  # A first study to look at: two songs of an invented band that ship with the application, measured like any others.
  class Example
    FOLDER = File.expand_path("../../demo/audio", __dir__)
    SONGS = %w[marsh_telephone wet_slate].freeze
    STUDY = { title: "An example: two songs of a band that never was", aim: "style", target_bpm: 84.5, target_tonic: "A", target_mode: "minor" }.freeze

    # @return [Array<String>] paths of the songs, none where they do not ship
    def self.files = SONGS.map { |name| File.join(FOLDER, "#{name}.ogg") }.select { |path| File.exist?(path) }

    # @param library [Store::Library]
    def initialize(library)
      @library = library
    end

    # @return [Hash] the study
    # @raise [Refused] where the songs do not ship
    def start
      files = self.class.files
      raise Refused.new(:no_example, "The example's songs are not there. Start a study of your own.") if files.empty?

      @library.studies.create(STUDY).tap do |study|
        files.each { |path| File.open(path, "rb") { |file| @library.import(study[:id], file, File.basename(path)) } }
      end
    end
  end
end
