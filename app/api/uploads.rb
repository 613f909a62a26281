# frozen_string_literal: true

require "uri"

module Api
  # What routes that take files share: their name as text, and their size.
  module Uploads
    MAX_UPLOAD = Guard::CARRIED.fetch("application/octet-stream")

    # @return [String] what the file was called, without control characters; it never names a file here
    def upload_name
      name = Ethoscope::Plain.name(URI.decode_www_form_component(request.env["HTTP_X_FILE_NAME"].to_s))
      name.empty? ? "untitled" : name[0, 300]
    rescue ArgumentError
      "untitled"
    end

    # What is sent as a file, for as long as it is needed.
    #
    # @yieldparam path [String]
    # @yieldreturn [Object] handed back
    # @return [Object]
    def with_file
      Dir.mktmpdir("received", library.home) do |folder|
        path = File.join(folder, "received")
        IO.copy_stream(request.body, path)
        yield path
      end
    end

    # @param most [Integer] bytes
    # @raise [Problem] when the upload is larger, or does not say how large it is
    def check_size(most = MAX_UPLOAD)
      length = request.content_length
      raise Problem.new(411, "no_length", "The upload does not say how long it is.", "file") unless length
      return if length.to_i <= most

      raise Problem.new(413, "too_large", "The file is larger than #{most >> 20} MB.#{" Export it as FLAC or MP3." if most == MAX_UPLOAD}", "file")
    end
  end
end
