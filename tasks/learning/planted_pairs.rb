# frozen_string_literal: true

require "json"

module Learning
  # Folders of pairs as the corpus' generator of attempts makes them: NAME.pair.json, NAME.ref.ogg, NAME.try.ogg; NAME.ref.stems and so on are used where they stand.
  class PlantedPairs
    # @param folders [Array<String>]
    def initialize(*folders)
      @folders = folders
    end

    # @return [Array<DifferenceLearner::Pair>] analysed, and counted alike
    def all = names.map { |name| pair(name) }

    # @return [Enumerator::Lazy] of each reference its path and its analysis
    def references = names.lazy.map { |name| path(name, "ref") }.map { |path| [path, analysis(path)] }

    private

    def names = @folders.flat_map { |folder| Dir[File.join(folder, "*.pair.json")] }.sort.map { |path| path.delete_suffix(".pair.json") }

    def path(name, which) = "#{name}.#{which}.ogg"

    def analysis(path, **count)
      Ethoscope::Analysis.of(Ethoscope::Audio::Decoder.new(path).decode, corrections: Ethoscope::Corrections.of(**count),
        sources: Cli::Beside.of(path, err: $stderr).method(:sources))
    end

    def pair(name)
      paths = { reference: path(name, "ref"), attempt: path(name, "try") }
      one, other, = Ethoscope::Attempts::Settling.settle(*paths.values.map { |file| analysis(file) }) { |which, count| analysis(paths[which], **count) }
      DifferenceLearner::Pair.new(reference: one, attempt: other, truth: JSON.parse(File.read("#{name}.pair.json"), symbolize_names: true))
    end
  end
end
