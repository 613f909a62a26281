# frozen_string_literal: true

require "fileutils"
require "json"
require "zlib"

module Work
  # A first study to look at: two songs of an invented band that ship with the application, measured like any others.
  class Example
    FOLDER = File.expand_path("../../demo/audio", __dir__)
    ANALYSES = File.expand_path("../../demo/analyses", __dir__)
    SONGS = %w[marsh_telephone wet_slate].freeze
    STUDY = { title: "An example: two songs of a band that never was", aim: "style", target_bpm: 84.5, target_tonic: "A", target_mode: "minor" }.freeze

    # @return [Array<String>] paths of the songs, none where they do not ship
    def self.files = SONGS.map { |name| File.join(FOLDER, "#{name}.ogg") }.select { |path| File.exist?(path) }

    # @param path [String] of a song that ships
    # @return [String, nil] its analysis as JSON, nil where none of this engine ships
    def self.analysis(path)
      packed = beside(path, "json.gz")
      text = File.exist?(packed) ? Zlib.gunzip(File.binread(packed)).force_encoding(Encoding::UTF_8) : nil
      text && JSON.parse(text)["engine_version"] == Ethoscope::Analysis::ENGINE_VERSION ? text : nil
    end

    # @param path [String] of a song that ships
    # @param ending [String]
    # @return [String] where what was made of it lies
    def self.beside(path, ending) = File.join(ANALYSES, "#{File.basename(path, ".ogg")}.#{ending}")

    # @param library [Store::Library]
    def initialize(library)
      @library = library
    end

    # @return [Hash] the study, whose songs can be read at once: their analyses ship with them; those of an older engine are made anew
    # @raise [Refused] where the songs do not ship
    def start
      files = self.class.files
      raise Refused.new(:no_example, "The example's songs are not there. Start a study of your own.") if files.empty?

      @library.studies.create(STUDY).tap do |study|
        files.each { |path| take(study, path) }
      end
    end

    private

    def take(study, path)
      song = File.open(path, "rb") { |file| @library.import(study[:id], file, File.basename(path)) }
      analysis = Example.analysis(path)
      return unless analysis && @library.analyses.finished_id(song[:recording_id]).nil?

      run = @library.analyses.queue(song[:recording_id])
      @library.analyses.finish(run[:id], analysis)
      peaks = Example.beside(path, "peaks")
      FileUtils.cp(peaks, @library.recordings.peaks_path(@library.recordings.find(song[:recording_id]))) if File.exist?(peaks)
    end
  end
end
