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
    end

    # A file that was written completely and checked, before it is taken in.
    Received = Struct.new(:path, :sha256, :bytes, :facts)

    # Keeps the bytes of a stream once, however often they come. The file is written beside its place and renamed.
    # It has no extension meanwhile, so that readers of tags look at the bytes.
    #
    # @param stream [IO] read to its end
    # @yieldparam path [String] the complete file before it is taken in; raise to refuse it
    # @yieldreturn [Hash] format and duration
    # @return [Hash] the recording's row
    # @raise [DiskFull] when there is no room; nothing is left behind
    def keep(stream, &)
      received = receive(stream, &)
      take(received)
    ensure
      FileUtils.rm_f(received.path) if received
    end

    # The first half of {#keep}: the file is written and checked, and nobody knows it yet. Whoever calls this removes it.
    #
    # @param stream [IO]
    # @yieldparam path [String]
    # @yieldreturn [Hash] format and duration
    # @return [Received]
    # @raise [DiskFull]
    def receive(stream)
      partial = File.join(@folder, "part-#{SecureRandom.hex(8)}")
      sha256, bytes = write(stream, partial)
      Received.new(partial, sha256, bytes, yield(partial))
    rescue Errno::ENOSPC, Errno::EDQUOT
      FileUtils.rm_f(partial)
      raise DiskFull, "The disk is full; nothing was stored. Make room and drop the file again."
    rescue StandardError
      FileUtils.rm_f(partial)
      raise
    end

    # The second half of {#keep}.
    #
    # @param received [Received]
    # @return [Hash] the recording's row
    def take(received)
      known = db[:recordings][sha256: received.sha256]
      return known if known && File.exist?(path(known))

      settle(received.path, received.sha256)
      facts = received.facts
      known || find(db[:recordings].insert(sha256: received.sha256, bytes: received.bytes, format: facts[:format], duration: facts[:duration], created_at: now))
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
    # @return [String] where the outline of its waveform lies, see {Ethoscope::Audio::Peaks}
    def peaks_path(recording) = "#{path(recording)}.peaks"

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

    # Removes a recording's file and all that was made of it.
    #
    # @param sha256 [String]
    def remove_files(sha256)
      folder = File.dirname(path(sha256:))
      FileUtils.rm_f(Dir.glob("#{sha256}*", base: folder).map { |name| File.join(folder, name) })
      Dir.rmdir(folder) if Dir.exist?(folder) && Dir.empty?(folder)
    end

    # Removes what a run left that was killed while it wrote, and files that no row knows.
    def sweep
      FileUtils.rm_f(Dir.glob("part-*", base: @folder).map { |name| File.join(@folder, name) })
      sweep_unknown
    end

    # Removes files that no row knows, while nobody takes one in.
    def sweep_unknown
      known = db[:recordings].select_map(:sha256).to_set
      Dir.glob("??/*", base: @folder).map { |name| File.basename(name)[0, 64] }.uniq.each { |sha256| remove_files(sha256) unless known.include?(sha256) }
    end

    private

    def copy_path(recording) = "#{path(recording)}.flac"

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
