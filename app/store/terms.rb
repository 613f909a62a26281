# frozen_string_literal: true

require "digest"
require "json"

module Store
  # What an analysis is derived with: what was put right (arguments of {Ethoscope::Corrections.of}), and the sources beside the mix (stems, and a score with
  # the roles of its parts), as plain data.
  Terms = Ethoscope::Value.of(:corrections, :sources) do
    # @return [Boolean] whether there is nothing but the mix as it is heard
    def none? = corrections.empty? && sources.empty?

    # @return [String] the same for the same terms
    def key = Digest::SHA256.hexdigest(JSON.generate([corrections, sources]))
  end
end
