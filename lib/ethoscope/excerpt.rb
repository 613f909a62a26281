# frozen_string_literal: true

module Ethoscope
  # The first bars of an analysis, for work that stops before the song does.
  module Excerpt
    # @param analysis [Analysis]
    # @param bars [Integer] how many bars are kept; more than the song has change nothing
    # @return [Analysis] with bars, beats, chords, sections, layers, loop and techniques up to there; what holds for the
    #   whole song (tempo, key, loudness) stays
    # @raise [ArgumentError] when no bar would be left
    def self.of(analysis, bars)
      raise ArgumentError, "an excerpt needs at least one bar" if bars < 1

      data = analysis.to_h
      return analysis if bars >= data[:bars].size

      kept = data[:bars].first(bars)
      Analysis.new(data.merge(timed(data, kept.last[:end]), barred(data, bars), bars: kept, end: kept.last[:end]))
    end

    def self.timed(data, stop)
      chords = data[:chords].select { |chord| chord[:start] < stop - 1e-6 }
      { beats: data[:beats].select { |time| time < stop - 1e-6 }, downbeats: data[:downbeats].select { |time| time < stop - 1e-6 },
        chords: chords.map { |chord| chord.merge(end: [chord[:end], stop].min) } }
    end
    private_class_method :timed

    def self.barred(data, bars)
      { sections: sections(data, bars), layers: layers(data, bars), loop: loop_within(data[:loop], bars),
        tempo_map: data[:tempo_map].select { |entry| entry[:bar] <= bars },
        techniques: data[:techniques].select { |sighting| sighting[:last_bar] <= bars } }
    end
    private_class_method :barred

    def self.sections(data, bars)
      data[:sections].select { |section| section[:first_bar] <= bars }.map do |section|
        length = [section[:bars], bars - section[:first_bar] + 1].min
        section.merge(bars: length, end: data[:bars][section[:first_bar] + length - 2][:end])
      end
    end
    private_class_method :sections

    def self.layers(data, bars)
      stop = data[:bars][bars - 1][:end]
      data[:layers].map do |layer|
        spans = layer[:spans].select { |from, _| from < stop }.map { |from, to| [from, [to, stop].min] }
        layer.merge(activity: layer[:activity].first(bars), spans:)
      end
    end
    private_class_method :layers

    def self.loop_within(found, bars)
      starts = found ? found[:starts].select { |start| start + found[:bars] - 1 <= bars } : []
      starts.empty? ? nil : found.merge(starts:)
    end
    private_class_method :loop_within
  end
end
