# frozen_string_literal: true

module Ethoscope
  module Checklist
    # What was heard in a mix but not surely enough to be worked towards: it is no item but something to listen for. The way is our own.
    class Doubts
      # Less sure than this is a doubt; and a layer that plays in so small a share of the bars.
      SURE = 0.4
      SELDOM = 0.1
      # Measures that ask for a layer's sound and part; in which sections it is not there is told all the same.
      LAYER = %w[layers.bars layers.presence layers.card groove.steps lines.notes].freeze
      TECHNIQUE = "techniques.technique"

      # @param targets [Array<Measures::Target>]
      # @param brief [Brief]
      def initialize(targets, brief)
        @targets = targets
        @brief = brief
      end

      # @return [Array<Measures::Target>] what is sure enough
      def settled = @targets - doubted

      # @return [Array<Item>] the others, each with what to listen for
      def items = layers.map { |bars| layer(bars) } + techniques.group_by { |target| target.value[:kind] }.values.map { |targets| technique(targets) }

      private

      def doubted = @doubted ||= @targets.select { |target| LAYER.include?(target.measure) && layers.any? { |bars| bars.place.same_layer?(target.place) } } + techniques

      # Layers of which a mix is not sure, by the bars that they seem to play in.
      def layers
        @layers ||= @targets.select do |target|
          target.measure == "layers.bars" && target.source == "mix" && (target.confidence < SURE || target.value < SELDOM * @brief.bars)
        end
      end

      def techniques = @techniques ||= @targets.select { |target| target.measure == TECHNIQUE && target.source == "mix" && target.confidence < SURE }

      def layer(bars)
        name = bars.place.name
        item("Is there a #{name}?", "heard in #{bars.value} of #{@brief.bars} bars, #{sure(bars)}",
          ["Listen to the #{name} register alone.", "Where it plays, paint it on the sheet; where it does not, nothing is to be done."], "layer:#{name}")
      end

      def technique(targets)
        kind = targets.first.value[:kind]
        name = @brief.entries.call(kind)&.name || kind.tr("_", " ")
        places = targets.map { |target| Wording.bars(target.place) }.first(4).join(", ")
        item("Is this there: #{name[0].downcase}#{name[1..]}?", "#{places}, #{sure(targets.first)}", ["Listen to just these bars.", "Confirm it on its card, or mark it as wrong."],
          "technique:#{kind}")
      end

      def sure(target) = "#{(target.confidence * 100).round} % sure"

      def item(title, target, steps, about)
        Item.new(stage: Stages::Check::NAME, title:, target:, tolerance: "by ear", targets: [], minutes: 3, steps:, fallback: "", from: "layers", about:)
      end
    end
  end
end
