# frozen_string_literal: true

module Ethoscope
  module Measures
    module Families
      # Who plays where, and what is known of each sound. The way is our own.
      module Layers
        PLAYS = Measure.new(
          id: "layers.plays", name: "how much it plays", unit: "", scope: :role_in_section,
          kind: Kinds::Category.new,
          exact: 0, style: 0, stage: "Arrangement", rests_on: %w[layers],
          reader: ->(song) { SongLayers.new(song).plays }
        )

        FILL = Measure.new(
          id: "layers.fill", name: "how much of it sounds", unit: "%", scope: :role_in_section,
          kind: Kinds::Share.new(digits: 0),
          exact: 15, style: 30, stage: nil, rests_on: %w[layers],
          reader: ->(song) { SongLayers.new(song).fill }
        )

        BARS = Measure.new(
          id: "layers.bars", name: "bars in which it plays", unit: "bars", scope: :role,
          kind: Kinds::Number.new(digits: 0),
          exact: 2, style: 8, stage: "Groove", rests_on: %w[layers],
          reader: ->(song) { SongLayers.new(song).bars }
        )

        PRESENCE = Measure.new(
          id: "layers.presence", name: "share of the bars in which it plays", unit: "%", scope: :role,
          kind: Kinds::Share.new(digits: 0),
          exact: 10, style: 20, stage: "Chords and bass", rests_on: %w[layers],
          reader: ->(song) { SongLayers.new(song).presence }
        )

        CARD = Measure.new(
          id: "layers.card", name: "sound", unit: "", scope: :role,
          kind: Kinds::Category.new(by: ->(value) { value[:role] || value[:name] }, merge: ->(values) { SongLayers.merged(values) }),
          exact: 0, style: 0, stage: "Sounds", rests_on: %w[layers],
          reader: ->(song) { SongLayers.new(song).cards },
          restated: ->(value, restatement) { SongLayers.moved(value, restatement) },
          worded: ->(value) { value[:card][:sound].to_s.empty? ? value[:name] : value[:card][:sound] }
        )

        SOUND = Measure.new(
          id: "layers.sound", name: "sound, as its stem shows it", unit: "", scope: :role,
          kind: Kinds::Category.new(by: ->(value) { [value[:image], value.dig(:shape, :attack)] }),
          exact: 0, style: 0, stage: "Sounds", rests_on: %w[layers],
          reader: ->(song) { SongLayers.new(song).sounds },
          worded: ->(value) { [value[:image], value.dig(:shape, :attack)].compact.join(", ") }
        )

        MEASURES = [SOUND, PLAYS, FILL, BARS, PRESENCE, CARD].freeze
      end
    end
  end
end
