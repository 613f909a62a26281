# frozen_string_literal: true

require "stringio"
require "zip"

module Ethoscope
  module Export
    # Files in one archive (ZIP), each under a name that every system takes.
    module Archive
      # @param files [Hash{String => String}] bytes by path
      # @return [String] the bytes of the archive
      def self.of(files)
        Zip::OutputStream.write_buffer(StringIO.new("".b)) do |zip|
          files.each do |path, bytes|
            zip.put_next_entry(path)
            zip.write(bytes)
          end
        end.string
      end

      # @param song [Handout]
      # @return [Hash{String => String}] a song in every format, by file name
      def self.song(song)
        Formats.of(:song).reject { |format| format.writer == self }.to_h { |format| [format.file, format.writer.write(song)] }
      end

      # @param song [Handout]
      # @return [String] all of it in one archive
      def self.write(song) = of(song(song))

      # @param name [String] such as a title
      # @return [String] of plain letters, as a name of a folder or a file
      def self.plain(name)
        plain = name.unicode_normalize(:nfkd).encode("US-ASCII", invalid: :replace, undef: :replace, replace: "").gsub(/[^\w -]/, "").strip
        plain.empty? ? "untitled" : plain
      end
    end
  end
end
