# frozen_string_literal: true

require "fileutils"
require "zip"

module Store
  # A copy of a whole data directory in one archive (ZIP): the database as it is at one moment, recordings and MIDI files. Unpacked into an empty directory it is
  # a data directory.
  class Backup
    DATABASE = "ethoscope.sqlite3"
    FOLDERS = %w[recordings scores].freeze
    # Nobody else on this machine reads it.
    PRIVATE = 0o600
    # Worked out again by itself.
    SPARED = %r{\.(?:features|peaks)\z|/part-}

    # @param library [Library]
    def initialize(library)
      @library = library
    end

    # @param path [String] where the archive goes; it is there only when it is complete
    # @return [Integer] files that it holds
    def write(path)
      partial = "#{path}.part"
      copy = "#{path}.sqlite3.part"
      FileUtils.rm_f([partial, copy])
      raise Errno::ENOENT, File.dirname(path) unless File.directory?(File.dirname(path))

      @library.db.run("VACUUM INTO #{@library.db.literal(copy)}")
      count = pack(partial, copy)
      File.chmod(PRIVATE, partial)
      File.rename(partial, path)
      count
    ensure
      FileUtils.rm_f([partial, copy].compact)
    end

    private

    def pack(partial, copy)
      files = FOLDERS.flat_map { |folder| Dir.glob(File.join(@library.home, folder, "**", "*")) }.select { |file| File.file?(file) && !file.match?(SPARED) }
      Zip::File.open(partial, create: true) do |zip|
        zip.add(DATABASE, copy)
        files.each { |file| zip.add(file.delete_prefix("#{@library.home}/"), file) }
      end
      files.size + 1
    end
  end
end
