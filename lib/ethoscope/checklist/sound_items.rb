# frozen_string_literal: true

module Ethoscope
  module Checklist
    # A sound for each layer that has one: what its card says, where somebody filled one, and else what was measured.
    class SoundItems
      STEPS = ["Name the family by ear.", "Match register first, then attack, then length."].freeze
      FALLBACK = "Another source of the same family, or two simpler sounds layered."
      # How each filled line of a card reads as a step.
      LINES = { register: "Register: %s.", articulation: "Played: %s.", pattern: "Pattern: %s.", variations: "Varies: %s.", pan: "Place: %s.", width: "Width: %s.",
                sends: "Sends: %s.", automation: "Moves: %s.", made_from: "Made from: %s." }.freeze
      PLAYS = 0.5

      # @param data [Hash] the analysis schema, settled
      def initialize(data)
        @data = data
        @cards = data.fetch(:heard_layers, []).to_h { |layer| [layer[:name], layer[:card]] }
      end

      # @return [Array<Hash>] fields of items, without stage
      def list
        sounding = @data[:layers].select { |layer| layer[:spans].any? && !Layers::Role::STRUCK.include?(layer[:role]) }
        (sounding + unheard_cards).map { |layer| fields(layer, @cards.fetch(layer[:name], {})) }
      end

      private

      # Cards of layers that nobody painted and nothing measured, the drums' among them.
      def unheard_cards
        named = @data[:layers].reject { |layer| Layers::Role::STRUCK.include?(layer[:role]) }.map { |layer| layer[:name] }
        @data.fetch(:heard_layers, []).reject { |layer| named.include?(layer[:name]) || layer[:card].empty? }
             .map { |layer| { name: layer[:name], role: layer[:role], activity: layer[:levels].map { |level| level.positive? ? 1.0 : 0.0 } } }
      end

      def fields(layer, card)
        bars = layer[:activity].count { |value| value >= PLAYS }
        plays = bars.positive? ? "plays in #{bars} of #{@data[:bars].size} bars" : "where you hear it"
        { title: "A sound for the #{layer[:name]}", target: [card[:sound], plays].reject { |text| text.to_s.empty? }.join("; "), tolerance: "by ear", minutes: 25,
          steps: [*steps(card)], fallback: fallback(card), about: "layer:#{layer[:name]}" }
      end

      def steps(card)
        told = [*candidates(card), *LINES.filter_map { |name, line| format(line, card[name]) unless card[name].to_s.empty? }, *stack(card), *chain(card)]
        told.empty? ? STEPS : told
      end

      def candidates(card)
        surest_first = card.fetch(:candidates, []).sort_by { |candidate| -(candidate[:sure] || 0) }
        surest_first.map { |candidate| "Try #{candidate[:text]}#{" (#{candidate[:cost]})" unless candidate[:cost].to_s.empty?}." }
      end

      def stack(card) = card.fetch(:stack, []).map { |part| "#{part[:text]} for #{part[:gives]}." }

      def chain(card)
        card.fetch(:chain, []).each_with_index.map do |step, i|
          "#{i + 1}. #{[step[:type], step[:setting], step[:amount]].reject { |text| text.to_s.empty? }.join(", ")}#{" (#{step[:why]})" unless step[:why].to_s.empty?}"
        end
      end

      def fallback(card) = card[:have] == "substitute" && !card[:lost].to_s.empty? ? "A substitute is in use; what is lost: #{card[:lost]}." : FALLBACK
    end
  end
end
