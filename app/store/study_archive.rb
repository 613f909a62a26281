# frozen_string_literal: true

require "json"
require "zip"

module Store
  # An archive (ZIP) that claims to be a study, read with suspicion: no entry is unpacked further than it may be, whatever its head says of its size.
  class StudyArchive
    ROWS = "study.json"
    # Rows, one MIDI file, one recording, and all recordings together may be so large unpacked.
    MOST_ROWS = 256 << 20
    MOST_SCORE = Ethoscope::Midi::ScoreReader::MAX_BYTES
    MOST_RECORDING = 400 << 20
    MOST_FILES = 40 << 30
    # Rows are words and figures; no such text is packed further than this.
    MOST_PACKED = 200
    CHUNK = 1 << 20

    # @param path [String]
    # @yieldparam archive [StudyArchive]
    # @raise [Ethoscope::Errors::Unfit] when it is no archive, or damaged
    def self.open(path)
      zip = directory(path)
      yield new(zip)
    rescue Zip::Error, JSON::ParserError, Zlib::Error, KeyError, EncodingError
      raise Ethoscope::Errors::Unfit, "This is no study that was exported from Ethoscope, or it is damaged"
    end

    # The package that reads archives trips over a list of entries that is cut short.
    def self.directory(path)
      Zip::File.open(path)
    rescue NoMethodError, TypeError, ArgumentError
      raise Zip::Error
    end
    private_class_method :directory

    # @param zip [Zip::File]
    def initialize(zip)
      @zip = zip
    end

    # @return [Hash] version, migration, rows
    def data
      entry = @zip.find_entry(ROWS) or raise KeyError
      too_large if entry.size > MOST_ROWS || entry.size > (1 << 20) + (entry.compressed_size * MOST_PACKED)

      JSON.parse(bytes(entry, MOST_ROWS).force_encoding(Encoding::UTF_8), symbolize_names: true).tap { |data| raise KeyError unless data.is_a?(Hash) }
    end

    # @param sha256 [String]
    # @return [String] the bytes of a MIDI file
    def score(sha256) = bytes(entry("scores/#{sha256}", MOST_SCORE), MOST_SCORE)

    # @param sha256 [String]
    # @return [#read] the bytes of a recording, in pieces
    def recording(sha256) = Bounded.new(entry("recordings/#{sha256}", MOST_RECORDING).get_input_stream, MOST_RECORDING)

    # Whether all that is wanted is there, by what the heads say.
    #
    # @param recordings [Array<String>] SHA-256
    # @param scores [Array<String>]
    def check(recordings, scores)
      size = recordings.sum { |sha256| entry("recordings/#{sha256}", MOST_RECORDING).size } + scores.sum { |sha256| entry("scores/#{sha256}", MOST_SCORE).size }
      too_large if size > MOST_FILES
    end

    # A stream that ends with a refusal when it is longer than it may be.
    class Bounded
      # @param stream [#read]
      # @param most [Integer] bytes
      def initialize(stream, most)
        @stream = stream
        @left = most
      end

      # @param length [Integer]
      # @return [String, nil]
      def read(length)
        chunk = @stream.read(length) or return nil
        @left -= chunk.bytesize
        raise Ethoscope::Errors::Unfit, "A file of this study is larger than it may be. Nothing of it was kept" if @left.negative?

        chunk
      end
    end

    private

    def entry(name, most)
      entry = @zip.find_entry(name) or raise Ethoscope::Errors::Unfit, "The study is not whole: a file of it is missing"
      too_large if entry.size > most
      entry
    end

    def bytes(entry, most)
      stream = Bounded.new(entry.get_input_stream, most)
      text = +""
      while (chunk = stream.read(CHUNK))
        text << chunk
      end
      text
    end

    def too_large = raise(Ethoscope::Errors::Unfit, "The study is too large to be opened. Nothing of it was kept")
  end
end
