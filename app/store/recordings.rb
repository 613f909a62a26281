# frozen_string_literal: true

require "digest"
require "fileutils"
require "securerandom"

module Store
  # Recordings: files kept under the SHA-256 of their bytes. Names that people or browsers give never reach the disk.
  class Recordings < Rows
    # @param db [Sequel::Database]
    # @param home [String] the data directory
    def initialize(db, home)
      super(db)
      @folder = File.join(home, "recordings")
      FileUtils.mkdir_p(@folder)
      sweep
    end

    # Keeps the bytes of a stream once, however often they come. The file is written beside its place and renamed.
    # It has no extension meanwhile, so that readers of tags look at the bytes.
    #
    # @param stream [IO] read to its end
    # @yieldparam path [String] the complete file before it is taken in; raise to refuse it
    # @yieldreturn [Hash] format and duration
    # @return [Hash] the recording's row
    # @raise [DiskFull] when there is no room; nothing is left behind
    def keep(stream)
      partial = File.join(@folder, "part-#{SecureRandom.hex(8)}")
      sha256, bytes = write(stream, partial)
      facts = yield partial
      known = db[:recordings][sha256:]
      return known if known && File.exist?(path(known))

      settle(partial, sha256)
      known || find(db[:recordings].insert(sha256:, bytes:, format: facts[:format], duration: facts[:duration], created_at: now))
    rescue Errno::ENOSPC, Errno::EDQUOT
      raise DiskFull, "The disk is full; nothing was stored. Make room and drop the file again."
    ensure
      FileUtils.rm_f(partial) if partial
    end

    # @param id [Integer]
    # @return [Hash]
    # @raise [Missing]
    def find(id) = existing(db[:recordings][id:], "recording")

    # @param recording [Hash] a row
    # @return [String] where its file lies
    def path(recording) = File.join(@folder, recording[:sha256][0, 2], recording[:sha256])

    # @param recording [Hash] a row
    # @return [Array(String, String)] path and format of what a browser can play: the file itself, or its FLAC copy
    def playable(recording)
      copy = copy_path(recording)
      File.exist?(copy) ? [copy, "flac"] : [path(recording), recording[:format]]
    end

    # @param recording [Hash] a row
    # @return [String] where the measurements lie that readings can be derived from again
    def features_path(recording) = "#{path(recording)}.features"

    # @param recording [Hash] a row
    # @param part [String] struck or steady
    # @return [String] where that part of the sound lies once it is separated
    def part_path(recording, part) = "#{path(recording)}.#{part}.flac"

    # Takes in a file that a worker made, by renaming it.
    #
    # @param made [String] where the worker left it
    # @param place [String]
    def take_in(made, place) = File.rename(made, place)

    # Takes in the FLAC copy that a worker made for browsers; nothing happens when it made none.
    #
    # @param id [Integer] the recording
    # @param made [String] where the worker left it
    def keep_copy(id, made)
      File.rename(made, copy_path(find(id))) if File.exist?(made)
    end

    private

    def copy_path(recording) = "#{path(recording)}.flac"

    # Leftovers of a run that was killed while it wrote.
    def sweep = FileUtils.rm_f(Dir.glob(File.join(@folder, "part-*")))

    def write(stream, partial)
      digest = Digest::SHA256.new
      bytes = 0
      File.open(partial, "wb") do |file|
        while (chunk = stream.read(1 << 20))
          digest << chunk
          bytes += file.write(chunk)
        end
        file.fsync
      end
      [digest.hexdigest, bytes]
    end

    def settle(partial, sha256)
      target = path(sha256:)
      FileUtils.mkdir_p(File.dirname(target))
      File.rename(partial, target)
    end
  end
end
