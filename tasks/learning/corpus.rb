# frozen_string_literal: true

require "digest"
require "fileutils"
require "json"
require "tmpdir"

module Learning
  # Folders of songs with their truth, as the development corpus has them.
  class Corpus
    # One song: its recording and what is true of it.
    Song = Ethoscope::Value.of(:name, :path, :truth) do
      def recording = Ethoscope::Audio::Decoder.new(path).decode

      # Measured once and kept beside the temporary files, for the learners come back to them.
      def features
        kept = File.join(KEPT, "#{Digest::SHA1.hexdigest(path)}.features")
        Store::FeaturesFile.read(kept) || Ethoscope::Engine::Features.of(recording).tap { |features| Store::FeaturesFile.write(features, kept) }
      end
    end
    KEPT = File.join(Dir.tmpdir, "ethoscope-learning")

    # @param folders [Array<String>]
    def initialize(*folders)
      @folders = folders.map { |folder| File.expand_path(folder) }
      FileUtils.mkdir_p(KEPT)
    end

    # @return [Array<Song>] in order of their names; a truth whose recording is not rendered yet is passed over
    def songs
      @folders.flat_map { |folder| Dir.glob(File.join(folder, "*.json")) }.filter_map { |json| song(json) }
    end

    # Runs a block over all songs in two processes; what it returns must survive Marshal.
    #
    # @return [Array] the results, in the order of the songs
    def map(&work)
      halves = songs.each_with_index.partition { |_, i| i.even? }.map { |half| half.map(&:first) }
      halves.map { |half| forked(half, &work) }.map(&:call).then { |even, odd| even.zip(odd).flatten(1).compact }
    end

    # Runs a block over all songs in two processes, for what it does.
    #
    # @return [void]
    def each_beside(&)
      halves = songs.each_slice([(songs.size / 2.0).ceil, 1].max)
      halves.map { |half| fork { half.each(&) && exit!(0) } }.each { |process| Process.wait(process) }
    end

    private

    def song(json)
      truth = JSON.parse(File.read(json), symbolize_names: true)
      path = truth[:file] && File.join(File.dirname(json), truth[:file])
      Song.new(name: File.basename(json, ".json"), path:, truth:) if path && File.exist?(path)
    end

    def forked(songs, &block)
      reader, writer = IO.pipe(binmode: true)
      pid = fork do
        reader.close
        Marshal.dump(songs.map(&block), writer)
        writer.close
        exit!(0)
      end
      writer.close
      lambda do
        result = Marshal.load(reader.read) # rubocop:disable Security/MarshalLoad -- it comes from the fork above
        Process.wait(pid)
        result
      end
    end
  end
end
