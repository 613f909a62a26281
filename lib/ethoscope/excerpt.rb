# frozen_string_literal: true

module Ethoscope
  # The first bars of an analysis, for work that stops before the song does. Whatever has bars is cut, by one table; what holds for the
  # whole song (tempo, key, loudness) stays.
  module Excerpt
    # What is done with each part of the schema, and of a sheet, that has bars: how it is cut, given the part, how many bars are kept,
    # and where the last of them ends.
    CUTS = {
      bars: ->(list, bars, _) { list.first(bars) },
      novelty: ->(list, bars, _) { list.first(bars) },
      beats: ->(list, _, stop) { before(list, stop) },
      downbeats: ->(list, _, stop) { before(list, stop) },
      tempo_map: ->(list, bars, _) { list.select { |entry| entry[:bar] <= bars } },
      cadences: ->(list, bars, _) { list.select { |cadence| cadence[:bar] <= bars } },
      changes: ->(list, bars, _) { list.select { |change| change[:bar] <= bars } },
      chords: ->(list, _, stop) { timed(list, stop) },
      bass: ->(bass, _, stop) { bass.merge(notes: timed(bass[:notes], stop)) },
      sections: ->(list, bars, stop) { shortened(list, bars).map { |section| section.merge(end: [section[:end], stop].min) } },
      drums: ->(list, bars, _) { shortened(list, bars).map { |pattern| pattern.merge(departures: up_to(pattern[:departures], bars)) } },
      leads: ->(list, bars, _) { shortened(list, bars) },
      layers: ->(list, bars, stop) { list.map { |layer| layer.merge(activity: layer[:activity].first(bars), spans: spans(layer[:spans], stop)) } },
      heard_layers: ->(list, bars, _) { list.map { |layer| layer.merge(levels: layer[:levels].first(bars)) } },
      marks: ->(list, bars, _) { list.select { |mark| mark[:first_bar] <= bars }.map { |mark| mark.merge(last_bar: [mark[:last_bar], bars].min) } },
      techniques: ->(list, bars, _) { list.select { |sighting| sighting[:last_bar] <= bars } },
      loop: ->(found, bars, _) { repeated(found, bars) },
      loops: ->(list, bars, _) { list.filter_map { |found| repeated(found, bars) } },
      key: ->(key, bars, _) { key.merge(stretches: stretches(key[:stretches], bars), outside: outside(key[:outside], bars)) },
      mix: ->(mix, bars, _) { mix.merge(sections: mix[:sections].select { |section| section[:first_bar] <= bars }) },
      end: ->(_, _, stop) { stop }
    }.freeze
    # Times are rounded, notes to the millisecond: what starts this close to the end starts behind it.
    EPSILON = 2e-3

    # @param analysis [Analysis]
    # @param bars [Integer] how many bars are kept; more than the song has change nothing
    # @return [Analysis]
    # @raise [ArgumentError] when no bar would be left
    def self.of(analysis, bars)
      raise ArgumentError, "an excerpt needs at least one bar" if bars < 1

      data = analysis.to_h
      return analysis if bars >= data[:bars].size

      stop = data[:bars][bars - 1][:end]
      Analysis.new(data.to_h { |name, part| [name, CUTS.key?(name) && !part.nil? ? CUTS[name].call(part, bars, stop) : part] })
    end

    class << self
      private

      def before(times, stop) = times.select { |time| time < stop - EPSILON }

      # The last one ends with the excerpt, in seconds and in beats.
      def timed(list, stop)
        list.select { |entry| entry[:start] < stop - EPSILON }.map do |entry|
          next entry if entry[:end] <= stop + EPSILON

          entry.merge(end: stop, beats: (entry[:beats] * (stop - entry[:start]) / (entry[:end] - entry[:start]) * 2).round / 2.0)
        end
      end

      def shortened(list, bars)
        list.select { |part| part[:first_bar] <= bars }.map { |part| part.merge(bars: [part[:bars], bars - part[:first_bar] + 1].min) }
      end

      def up_to(list, bars) = list.select { |entry| entry[:bar] <= bars }

      def spans(list, stop) = list.select { |from, _| from < stop }.map { |from, to| [from, [to, stop].min] }

      def repeated(found, bars)
        starts = found[:starts].select { |start| start + found[:bars] - 1 <= bars }
        starts.empty? ? nil : found.merge(starts:)
      end

      def stretches(list, bars) = list.select { |stretch| stretch[:first_bar] <= bars }.map { |stretch| stretch.merge(last_bar: [stretch[:last_bar], bars].min) }

      def outside(notes, bars) = notes.map { |note| note.merge(bars: note[:bars].select { |bar| bar <= bars }) }.reject { |note| note[:bars].empty? }
    end
  end
end
