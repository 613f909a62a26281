# frozen_string_literal: true

module Ethoscope
  module Measures
    # Layers of a song as its measures tell them: the measured ones, in their place the painted ones, and cards of those that nothing else tells.
    # The way is our own.
    class SongLayers
      # From this activity on a layer plays in a bar.
      PLAYS = 0.5
      # What is told of a stem's sound.
      SOUND = %i[bandwidth brightness image pan width motion shape pumping gating echo tail_s timing].freeze

      # @param values [Array<Hash>] cards of one role in several songs
      # @return [Hash] one that says all of their sounds
      def self.merged(values)
        sounds = values.map { |value| value[:card][:sound].to_s }.reject(&:empty?).uniq
        values.first.slice(:name, :role).merge(card: { sound: sounds.join("; ") })
      end

      # @param value [Hash] see {#cards}
      # @param restatement [Restatement]
      # @return [Hash] the same so many semitones up
      def self.moved(value, restatement) = value.merge(value.slice(:low, :high).transform_values { |pitch| pitch + restatement.semitones })

      # @param song [Subject] its data settled: what was painted has taken the place of what was measured
      def initialize(song)
        @song = song
        @layers = song.data[:layers].select { |layer| layer[:spans].any? }
      end

      # @return [Array<Hash>] absent, thin or full, for each layer and section
      def plays
        table = Ethoscope::Sheet::SectionTable.new(@song.data.merge(heard_layers: []))
        table.rows[:layers].flat_map do |row|
          layer = @song.data[:layers].find { |one| one[:name] == row[:name] }
          @song.sections.zip(row[:cells]).map { |section, cell| told(layer, presence_in(layer, section, cell[:state]), Place.of_layer(layer).within(section)) }
        end
      end

      # @return [Array<Hash>] mean activity in per cent, for each layer and section
      def fill
        @song.data[:layers].flat_map do |layer|
          @song.sections.filter_map do |section|
            part = layer[:activity][section[:first_bar] - 1, section[:bars]]
            told(layer, (part.sum / part.size * 100).round(1), Place.of_layer(layer).within(section)) if part&.any?
          end
        end
      end

      # @return [Array<Hash>] how many bars each layer plays in that plays at all
      def bars = @layers.map { |layer| told(layer, playing(layer[:activity]), Place.of_layer(layer)) }

      # @return [Array<Hash>] the same in per cent of all bars
      def presence = @layers.map { |layer| told(layer, (100.0 * playing(layer[:activity]) / layer[:activity].size).round, Place.of_layer(layer)) }

      # @return [Array<Hash>] for each pitched layer that plays, and each card that somebody filled: name, role, card, bars and of (all bars),
      #   low and high (MIDI) where they are known
      def cards = @layers.reject { |layer| struck?(layer) }.map { |layer| card(layer, layer[:activity]) } + unheard_cards

      # @return [Array<Hash>] what was measured on the stem of each layer that has one: bandwidth, brightness, image, pan, width, shape, pumping, echo, tail, timing,
      #   and its mean level where it plays
      def sounds
        @song.data[:stems].filter_map do |stem|
          layer = @song.data[:layers].find { |one| one[:name] == stem[:name] } or next
          told({ **layer, source: "stem" }, { **stem.slice(*SOUND), level_db: level(stem) }.compact, Place.of_layer(layer))
        end
      end

      private

      # Of the bars in which it plays, not of the pauses.
      def level(stem)
        loud = stem[:bars][:level_db].compact.zip(stem[:bars][:share]).select { |_, share| share.to_f >= PLAYS }.map(&:first)
        loud.empty? ? nil : (loud.sum / loud.size).round(1)
      end

      def told(layer, value, place) = { value:, place:, source: Measured.source(layer[:source]), confidence: layer[:confidence] || 0.0 }

      def playing(activity) = activity.count { |value| value >= PLAYS }

      # What a mix hears a little of everywhere plays nowhere for sure.
      def presence_in(layer, section, state)
        here = layer[:activity][section[:first_bar] - 1, section[:bars]] || []
        layer[:source] == "mix" && playing(here) * 2 < here.size ? "absent" : state
      end

      def struck?(layer) = Ethoscope::Layers::Role::STRUCK.include?(layer[:role])

      def card(layer, activity)
        own = filled.find { |heard| heard[:name] == layer[:name] }
        value = { name: layer[:name], role: layer[:role], card: own ? own[:card] : {}, bars: playing(activity), of: @song.bars, **register(layer) }
        told(layer, value, Place.of_layer(layer))
      end

      # The lowest and the highest pitch that it is known to play.
      def register(layer)
        line = @song.data[:lines].find { |one| one[:layer] == layer[:name] }
        pitches = line ? line[:notes].filter_map { |note| note[2] } : []
        pitches = @song.data[:leads].flat_map { |lead| lead.values_at(:low, :high) } if pitches.empty? && layer[:role] == "lead"
        pitches.empty? ? {} : { low: pitches.min, high: pitches.max }
      end

      def filled = @song.data.fetch(:heard_layers, [])

      # Cards of layers that nobody painted and nothing measured, the drums' among them.
      def unheard_cards
        named = @song.data[:layers].reject { |layer| struck?(layer) }.map { |layer| layer[:name] }
        filled.reject { |layer| named.include?(layer[:name]) || layer[:card].empty? }
              .map { |layer| card({ **layer, source: "heard", confidence: 1.0 }, layer[:levels].map { |level| level.positive? ? 1.0 : 0.0 }) }
      end
    end
  end
end
