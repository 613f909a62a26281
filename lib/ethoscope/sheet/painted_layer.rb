# frozen_string_literal: true

module Ethoscope
  module Sheet
    # A layer as a person paints it: how much of it is there, from 0 (absent) to 3 (full), in stretches of seconds.
    class PaintedLayer
      FULL = 3.0

      # @param note [SheetNote] aspect "layer"; value name, role, spans [[from, to, level]] and card
      # @param timeline [Timeline]
      def initialize(note, timeline)
        @note = note
        @timeline = timeline
      end

      # @return [Hash] reading_id, name, role, levels by bar, card
      def to_h
        value = @note.value
        { reading_id: @note.id, name: value[:name], role: value[:role], levels:, card: value[:card] || {}, source: @note.source, state: @note.state }
      end

      # @return [Array<Integer>] 0 to 3 for each bar: what holds at its middle
      def levels
        old = @note.value[:cells]
        return Array.new(@timeline.bars) { |bar| old[bar] || 0 } if old && !@note.value[:spans]

        (1..@timeline.bars).map { |bar| level_at((@timeline.seconds(bar) + @timeline.seconds(bar + 1)) / 2) }
      end

      # @return [Layers::Layer] as if it had been measured
      def layer
        activity = levels.map { |level| (level / FULL).round(3) }
        Layers::Layer.new(role: @note.value[:role] || @note.value[:name], activity:, confidence: 1.0, spans: sounding(activity), name: @note.value[:name],
          source: "heard", rivals: [])
      end

      # @param first_bar [Integer]
      # @param last_bar [Integer]
      # @param level [Integer] 0 to 3
      # @return [Array<Array(Float, Float, Integer)>] spans with these bars painted over
      def painted(first_bar, last_bar, level)
        cells = levels
        (first_bar..last_bar).each { |bar| cells[bar - 1] = level }
        runs = cells.each_index.slice_when { |a, b| cells[a] != cells[b] }.reject { |run| cells[run.first].zero? }
        runs.map { |run| [@timeline.seconds(run.first + 1).round(4), @timeline.seconds(run.last + 2).round(4), cells[run.first]] }
      end

      private

      def level_at(seconds) = (@note.value[:spans] || []).reverse.find { |from, to, _| seconds >= from && seconds < to }&.last || 0

      def sounding(activity)
        runs = activity.each_index.slice_when { |a, b| activity[a].zero? != activity[b].zero? }.reject { |run| activity[run.first].zero? }
        runs.map { |run| [@timeline.seconds(run.first + 1).round(3), @timeline.seconds(run.last + 2).round(3)] }
      end
    end
  end
end
