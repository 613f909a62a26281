# frozen_string_literal: true

module Ethoscope
  module Sheet
    # Who plays how much in which section, what is new there and what left, and which variation of its part each plays.
    class SectionTable
      STATES = %w[absent thin full].freeze
      # Shares of a section's bars from which a layer is thin, and full.
      THIN = 0.15
      FULL = 0.6
      PLAYS = 0.5
      FULLEST = 3.0

      # @param data [Hash] an analysis with what a person painted over it ({SongSheet#analysis})
      def initialize(data)
        @data = data
        @sections = data[:sections]
        layers = LayerOverlay.new(data[:layers], data.fetch(:heard_layers, []))
        @layers = layers.measured.map { |layer| row_of(layer) } + layers.painted.map { |own| painted_row(own) }
      end

      # @return [Hash] layers: [{name, role, source, reading_id, cells: [{state, share, variation, new, left}]}], and for each section
      #   playing, entered and left: how many layers play, and the names of those that are new or gone
      def rows
        layers = @layers.map { |layer| layer.except(:activity, :letters).merge(cells: cells(layer)) }
        { layers:, sections: @sections.each_index.map { |i| summary(layers, i) } }
      end

      private

      def row_of(layer)
        { name: layer[:name], role: layer[:role], source: layer[:source], reading_id: nil, activity: layer[:activity],
          letters: told(layer)&.fetch(:variations) }
      end

      # What is measured on the layer's stem, or in its notes.
      def told(layer)
        { "stem" => @data.fetch(:stems, []), "midi" => @data[:score] ? @data[:score][:parts] : [] }.fetch(layer[:source], []).find { |part| part[:name] == layer[:name] }
      end

      def painted_row(own)
        { name: own[:name], role: own[:role], source: "heard", reading_id: own[:reading_id], activity: own[:levels].map { |level| level / FULLEST }, letters: nil }
      end

      def cells(layer)
        states = @sections.map { |section| state(layer[:activity], section) }
        states.each_with_index.map do |(state, share), i|
          before = i.zero? ? nil : states[i - 1].first
          { state:, share:, variation: layer[:letters] && layer[:letters][i], new: state != "absent" && before == "absent",
            left: state == "absent" && !before.nil? && before != "absent" }
        end
      end

      # How much of the section it fills; painted thinness counts by half.
      def state(activity, section)
        bars = activity[section[:first_bar] - 1, section[:bars]] || []
        share = if bars.empty?
                  0.0
                else
                  bars.sum { |value| value >= PLAYS ? 1.0 : value } / bars.size
                end
        [if share < THIN
           "absent"
         else
           (share < FULL ? "thin" : "full")
         end, share.round(2)]
      end

      def summary(layers, index)
        pick = ->(&test) { layers.select { |layer| test.call(layer[:cells][index]) }.map { |layer| layer[:name] } }
        { playing: layers.count { |layer| layer[:cells][index][:state] != "absent" }, entered: pick.call { |cell| cell[:new] }, left: pick.call { |cell| cell[:left] } }
      end
    end
  end
end
