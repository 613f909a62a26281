# frozen_string_literal: true

module Api
  # How a technique is done in the track that a study works on.
  class HowTo
    # @param study [Hash]
    # @param analysis [Ethoscope::Analysis] of the reference
    def initialize(study, analysis)
      @analysis = analysis
      own = analysis.key
      key = study[:target_tonic] && study[:target_mode] ? Ethoscope::Harmony::Key.named(study[:target_tonic], study[:target_mode]) : own
      shift = own && key ? ((key.pitch_class - own.pitch_class + 5) % 12) - 5 : 0
      @how_to = Ethoscope::Techniques::HowTo.new(bpm: study[:target_bpm] || analysis.fetch(:tempo)[:bpm], key:, meter: Ethoscope::Rhythm::Meter.named(analysis.fetch(:meter)),
        shift:)
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
