# frozen_string_literal: true

module Work
  # What a study says of its new track: tempo, key, how another mode is reached, and meter. All of it may be nil: then the reference's own is kept.
  Wanted = Ethoscope::Value.of(:bpm, :key, :way, :meter) do
    # @param study [Hash]
    # @return [Wanted]
    def self.of(study)
      key = study[:target_tonic] && Ethoscope::Harmony::Key.named(study[:target_tonic], study[:target_mode] || "major")
      new(bpm: study[:target_bpm], key:, way: study[:target_way], meter: study[:target_meter])
    end

    # @return [Wanted] everything as the reference has it
    def self.theirs = new(bpm: nil, key: nil, way: "tonic", meter: nil)

    # @return [Boolean] whether anything is wanted
    def said? = !(bpm.nil? && key.nil? && meter.nil?)

    # @param vector [Ethoscope::Measures::Vector] of a song
    # @return [Ethoscope::Measures::Restatement] from its tempo and key into those
    def restatement(vector) = Ethoscope::Measures::Restatement.of(vector, bpm:, key:, way:)
  end
end
