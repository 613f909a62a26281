# frozen_string_literal: true

require "wahwah"

module Ethoscope
  module Audio
    # Title and artist as the file itself names them.
    Tags = Value.of(:title, :artist)

    # Reads {Tags} from a file; a file without tags, or with damaged ones, gives empty tags.
    class Tags
      # @param path [String] an audio file
      # @return [Tags] title and artist, nil where the file says nothing
      def self.read(path)
        tag = WahWah.open(path)
        new(title: clean(tag.title), artist: clean(tag.artist))
      rescue StandardError
        # The tag reader raises many kinds of errors on damaged files; none of them should stop an import.
        new(title: nil, artist: nil)
      end

      def self.clean(text)
        text = text.to_s.dup.force_encoding(Encoding::UTF_8).scrub("").gsub(/[[:cntrl:]]/, "").strip[0, 200]
        text unless text.nil? || text.empty?
      end
      private_class_method :clean
    end
  end
end
