# frozen_string_literal: true

module Ethoscope
  module Form
    # Compares the bars before and after every phrase boundary. The method is our own.
    class Changes
      PHRASE = 4
      # Activity from which a layer plays, and under which it rests.
      PLAYS = 0.6
      RESTS = 0.35
      # A layer that goes on playing thins out or swells by at least this much.
      STEP = 0.25
      # Hats are faster or slower by at least this ratio.
      RATE = 1.6
      # Hat onsets per beat under which there is no rate.
      SLOWEST = 0.7

      # @param layers [Array<Layers::Layer>]
      # @param sections [Array<Section>]
      # @param hat_rates [Array<Float>] hat onsets per beat in each bar
      def initialize(layers, sections, hat_rates)
        @layers = layers.to_h { |layer| [layer.name, layer.activity] }
        @sections = sections
        @hat_rates = hat_rates
      end

      # @return [Array<Change>] only boundaries at which something changes, in order
      def list = boundaries.map { |bar| change(bar) }.reject { |change| (change.enters + change.leaves + change.thins + change.swells).empty? && change.hats.nil? }

      # @param changes [Array<Change>]
      # @return [Integer, nil] bars between changes that are most common, nil when there are fewer than two
      def self.phrase(changes) = changes.map(&:bar).each_cons(2).map { |a, b| b - a }.tally.max_by { |bars, count| [count, bars] }&.first

      private

      # Every fourth bar of every section, but for the first bar of the song.
      def boundaries
        @sections.flat_map { |section| (section.first_bar..section.last_bar).step(PHRASE).to_a }.reject { |bar| bar == 1 }
      end

      def change(bar)
        levels = @layers.transform_values { |activity| levels(activity, bar) }
        pick = ->(&test) { levels.select { |_, pair| test.call(*pair) }.keys }
        Change.new(bar:, enters: pick.call { |before, after| before < RESTS && after > PLAYS },
          leaves: pick.call { |before, after| before > PLAYS && after < RESTS },
          thins: pick.call { |before, after| before > PLAYS && after.between?(RESTS, before - STEP) },
          swells: pick.call { |before, after| after > PLAYS && before.between?(RESTS, after - STEP) }, hats: hats(bar))
      end

      # Means over the phrase before the boundary and the one after it.
      def levels(values, bar)
        before = values[[bar - 1 - PHRASE, 0].max...(bar - 1)]
        after = values[(bar - 1)...(bar - 1 + PHRASE)]
        [before.sum / before.size, after.sum / after.size]
      end

      def hats(bar)
        before, after = levels(@hat_rates, bar)
        return nil if [before, after].min < SLOWEST

        if after / before >= RATE then "faster"
        elsif before / after >= RATE then "slower"
        end
      end
    end
  end
end
