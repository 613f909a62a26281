# frozen_string_literal: true

module Ethoscope
  module Measures
    module Families
      # What is done in certain places: techniques, and what somebody pinned there. The way is our own.
      module Techniques
        TECHNIQUE = Measure.new(
          id: "techniques.technique", name: "technique", unit: "", scope: :section,
          kind: Kinds::Category.new(by: ->(value) { value[:kind] }),
          exact: 0, style: 0, stage: "Techniques", rests_on: %w[techniques],
          reader: lambda { |song|
            song.data[:techniques].map do |sighting|
              place = Place.song.with(first_bar: sighting[:first_bar], bars: sighting[:last_bar] - sighting[:first_bar] + 1)
              # A sighting without a source is one that a person noted.
              { value: sighting.slice(:kind, :name, :detail), place:, source: Measured.source(sighting[:source] || "heard"), confidence: sighting[:confidence] }
            end
          },
          worded: ->(value) { value[:name].to_s.empty? ? value[:kind].tr("_", " ") : value[:name] }
        )

        USED = Measure.new(
          id: "techniques.used", name: "techniques used", unit: "%", scope: :song,
          kind: Kinds::Set.new(of: :name, weight: :times),
          exact: 25, style: 50, stage: nil, rests_on: %w[techniques],
          reader: lambda { |song|
            used = song.data[:techniques].group_by { |sighting| sighting[:kind] }.map { |kind, sightings| { name: kind, times: sightings.size } }
            song.whole(used, aspect: "techniques")
          }
        )

        MARK = Measure.new(
          id: "techniques.mark", name: "mark", unit: "", scope: :section,
          kind: Kinds::Category.new(by: ->(value) { value[:text] }),
          exact: 0, style: 0, stage: "Techniques", rests_on: %w[marks],
          reader: lambda { |song|
            song.data.fetch(:marks, []).map do |mark|
              place = Place.song.with(first_bar: mark[:first_bar], bars: mark[:last_bar] - mark[:first_bar] + 1)
              { value: mark.slice(:type, :text, :reading_id), place:, source: "person", confidence: 1.0 }
            end
          }
        )

        MEASURES = [TECHNIQUE, USED, MARK].freeze
      end
    end
  end
end
