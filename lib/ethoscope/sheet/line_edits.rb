# frozen_string_literal: true

module Ethoscope
  module Sheet
    # Edits of what a layer plays: each gives the new value of the layer's reading, which strokes and notes a person added and took away, in seconds, so that
    # they keep their places when bars are counted anew.
    class LineEdits
      # A person points at a note of the line that begins within so many beats.
      NEAR_BEATS = 0.07
      # Strokes last as long as a sixteenth.
      STROKE_BEATS = 0.25
      MIDDLE_VELOCITY = 0.8

      # @param data [Hash] the schema of a sheet, what a person said before laid over it
      # @param layer [String]
      # @param before [Hash, nil] the value of the layer's reading so far
      # @raise [Errors::Unfit] when nothing is told of that layer, or more than one piece of a kit under one name
      def initialize(data, layer, before)
        @line = data[:lines].find { |line| line[:layer] == layer } or raise Errors::Unfit, "nothing is told of what #{layer} plays"
        raise Errors::Unfit, "#{layer} plays several pieces of a kit: write each in a layer of its own, or correct the MIDI file" if kit?(data, layer)

        @timeline = Timeline.new(data)
        @before = before || { layer:, added: [], taken: [] }
      end

      # @param bar [Integer]
      # @param beat [Float] from 1
      # @param pitch [Integer, nil] MIDI; nil for a stroke
      # @param beats [Float, nil] how long it lasts
      # @param velocity [Float, nil] 0 to 1
      # @return [Hash] the value
      # @raise [Errors::Unfit] when that stroke stands there already, or a note of a line of notes has no pitch
      def add(bar:, beat:, pitch: nil, beats: nil, velocity: nil)
        place = place(bar, beat)
        raise Errors::Unfit, "say which note: this layer plays notes" if pitch.nil? && pitched?
        raise Errors::Unfit, "that is played there already" if near(place, pitch)

        with_added(@before, note(place, pitch, beats || STROKE_BEATS, velocity || MIDDLE_VELOCITY))
      end

      # @param bar [Integer]
      # @param beat [Float]
      # @param pitch [Integer, nil]
      # @return [Hash] the value
      # @raise [Errors::Unfit] when nothing is played there
      def take(bar:, beat:, pitch: nil) = without(standing(place(bar, beat), pitch))

      # @param bar [Integer]
      # @param beat [Float]
      # @param pitch [Integer, nil]
      # @param change [Hash] what is other now: to_bar, to_beat, to_pitch, beats, velocity
      # @return [Hash] the value
      # @raise [Errors::Unfit] when nothing is played there
      def move(bar:, beat:, pitch: nil, **change)
        old = standing(place(bar, beat), pitch)
        at = change[:to_beat] || change[:to_bar] ? place(change[:to_bar] || bar, change[:to_beat] || beat) : old[0]
        wanted = change[:to_pitch] || old[2]
        raise Errors::Unfit, "that is played there already" if [nil, old].none?(near(at, wanted))

        with_added(without(old), note(at, wanted, change[:beats] || old[1], change[:velocity] || old[3]))
      end

      private

      def kit?(data, layer) = data[:drums].any? { |pattern| pattern[:rows].count { |row| row[:layer] == layer } > 1 }

      def pitched? = @line[:notes].any? { |note| note[2] }

      # Beats from the start of bar 1.
      def place(bar, beat)
        @timeline.seconds(bar)
        ((bar - 1) * @timeline.beats_per_bar) + beat - 1
      end

      def near(place, pitch)
        nearest = @line[:notes].select { |note| note[2] == pitch }.min_by { |note| (note[0] - place).abs }
        nearest if nearest && (nearest[0] - place).abs <= NEAR_BEATS
      end

      def standing(place, pitch) = near(place, pitch) || raise(Errors::Unfit, "nothing is played there")

      def note(place, pitch, beats, velocity) = [*[place, place + beats].map { |at| @timeline.seconds_at(at).round(4) }, pitch, velocity.to_f.round(2)]

      def with_added(value, note) = value.merge(added: (value[:added] + [note]).sort_by { |one| [one[0], one[2] || 0] })

      # What a person added is simply gone, what was measured is taken.
      def without(note)
        at = @timeline.seconds_at(note[0])
        own = @before[:added].find { |one| one[2] == note[2] && (one[0] - at).abs < EditedLine::SAME_SECONDS }
        own ? @before.merge(added: @before[:added] - [own]) : @before.merge(taken: @before[:taken] + [[at.round(4), note[2]]])
      end
    end
  end
end
