# frozen_string_literal: true

require "fileutils"

module Api
  # A file that was made to be handed over once: its folder is removed when it was sent, or when nobody reads on.
  class Handed
    CHUNK = 1 << 16

    # @param path [String]
    # @param folder [String] that it lies in, and nothing else
    def initialize(path, folder)
      @path = path
      @folder = folder
    end

    # @yieldparam bytes [String]
    def each
      File.open(@path, "rb") { |file| yield file.read(CHUNK) until file.eof? }
    end

    # Called by the server at the end, whatever happened.
    def close = FileUtils.rm_rf(@folder)
  end
end
