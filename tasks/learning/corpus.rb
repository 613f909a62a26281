# frozen_string_literal: true

require "json"

module Learning
  # A folder of songs with their truth, as the development corpus has them.
  class Corpus
    # One song: its recording and what is true of it.
    Song = Ethoscope::Value.of(:name, :path, :truth) do
      def recording = Ethoscope::Audio::Decoder.new(path).decode
    end

    # @param folder [String]
    def initialize(folder)
      @folder = folder
    end

    # @return [Array<Song>] in order of their names
    def songs
      Dir.glob(File.join(@folder, "*.json")).map { |json| song(json) }
    end

    # Runs a block over all songs in two processes; what it returns must survive Marshal.
    #
    # @return [Array] the results, in the order of the songs
    def map(&work)
      halves = songs.each_with_index.partition { |_, i| i.even? }.map { |half| half.map(&:first) }
      halves.map { |half| forked(half, &work) }.map(&:call).then { |even, odd| even.zip(odd).flatten(1).compact }
    end

    private

    def song(json)
      truth = JSON.parse(File.read(json), symbolize_names: true)
      Song.new(name: File.basename(json, ".json"), path: File.join(@folder, truth[:file]), truth:)
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
