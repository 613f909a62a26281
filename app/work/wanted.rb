# frozen_string_literal: true

module Work
  # What a study says of its new track: tempo, key, how another mode is reached, and meter. All of it may be nil: then the reference's own is kept. Notes are named
  # as {Ethoscope::Harmony::Spelling} does.
  Wanted = Ethoscope::Value.of(:bpm, :key, :way, :meter, :names) do
    # @param study [Hash]
    # @param names [String]
    # @return [Wanted]
    def self.of(study, names = "key")
      key = study[:target_tonic] && Ethoscope::Harmony::Key.named(study[:target_tonic], study[:target_mode] || "major")
      new(bpm: study[:target_bpm], key:, way: study[:target_way], meter: study[:target_meter], names:)
    end

    # @param names [String]
    # @return [Wanted] everything as the reference has it
    def self.theirs(names = "key") = new(bpm: nil, key: nil, way: "tonic", meter: nil, names:)

    # @return [Boolean] whether anything is wanted
    def said? = !(bpm.nil? && key.nil? && meter.nil?)

    # @param vector [Ethoscope::Measures::Vector] of a song
    # @return [Ethoscope::Measures::Restatement] from its tempo and key into those
    def restatement(vector) = Ethoscope::Measures::Restatement.of(vector, bpm:, key:, way:, names:)
  end
end
