# frozen_string_literal: true

module Ethoscope
  module Audio
    # Title and artist as the file itself names them. The method is our own.
    Tags = Value.of(:title, :artist)

    # Cleans what files say.
    class Tags
      LONGEST = 200

      # @param named [Array<Hash, nil>] tags of the file and of its stream, as ffprobe gives them; the first that says something counts
      # @return [Tags] title and artist, nil where the file says nothing
      def self.of(*named)
        said = named.compact.map { |tags| tags.transform_keys { |name| name.to_s.downcase } }
        new(**members.to_h { |name| [name, said.filter_map { |tags| clean(tags[name.to_s]) }.first] })
      end

      def self.clean(text)
        words = Plain.name(text.to_s)[0, LONGEST]
        words unless words.empty?
      end
      private_class_method :clean
    end
  end
end
