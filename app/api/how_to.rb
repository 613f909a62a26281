# frozen_string_literal: true

module Api
  # How a technique is done in the track that a study works on.
  class HowTo
    # @param analysis [Ethoscope::Analysis] of the reference
    # @param restatement [Ethoscope::Measures::Restatement] from its tempo and key to those of the track
    def initialize(analysis, restatement)
      @analysis = analysis
      @how_to = Ethoscope::Techniques::HowTo.new(bpm: restatement.to_bpm, key: restatement.to_key, meter: Ethoscope::Rhythm::Meter.named(analysis.fetch(:meter)),
        shift: restatement.semitones, ratio: restatement.ratio)
    end

    # @param entry [Hash] as {Store::Entries#library} gives it
    # @return [Array<Hash>] for each sighting its first and last bar and the steps; one without bars where there is none
    def steps(entry)
      known = Ethoscope::Techniques::Entry.new(**entry.except(:own))
      sightings = @analysis.fetch(:techniques).select { |sighting| sighting[:kind] == known.kind }
      (sightings.empty? ? [{}] : sightings).map { |sighting| { first_bar: sighting[:first_bar], last_bar: sighting[:last_bar], steps: @how_to.steps(known, sighting) } }
    end
  end
end
