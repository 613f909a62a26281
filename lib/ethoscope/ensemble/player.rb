# frozen_string_literal: true

module Ethoscope
  class Ensemble
    # What one part of a song plays, as the best source tells it. The method is our own.
    class Player
      # MIDI velocities end here.
      LOUDEST = 127.0
      # Hertz in which a stem sounds.
      AUDIBLE = (30.0..12_000.0)
      # A stroke lasts as long as a sixteenth.
      STROKE_BEATS = 0.25
      # What comes a hair early belongs to the beat.
      EARLY_BEATS = 0.06
      # Softer than this share of its hard strokes is no stroke of a stem.
      STRUCK = 0.12
      # Frames after an onset in which its level is read.
      LEVEL_FRAMES = 4
      # Roles that are read as one note at a time, whatever rings on.
      LINES = %w[bass lead counter-melody vocal].freeze

      # @return [String]
      attr_reader :name, :role
      # @return [String] "mix", "stem" or "midi"
      attr_reader :source
      # @return [Array<Played>] in order
      attr_reader :events
      # @return [Stems::Sound, nil] its own sound, where there is a stem
      attr_reader :sound

      # @param part [Midi::Part]
      # @param placement [Midi::Placement]
      # @param grid [Rhythm::BeatGrid]
      # @param sound [Stems::Sound, nil] the stem of the same part
      # @return [Player]
      def self.of_part(part, placement, grid, sound = nil)
        events = part.notes.map do |note|
          from = grid.position(placement.seconds(note.start))
          Played.new(beat: from.round(4), beats: (grid.position(placement.seconds(note.end)) - from).round(4), pitch: note.pitch, velocity: note.velocity / LOUDEST)
        end
        new(name: part.name, role: part.role, source: "midi", events:, sound:, drums: part.notes.any?(&:drum?))
      end

      # @param sound [Stems::Sound]
      # @param grid [Rhythm::BeatGrid]
      # @return [Player]
      def self.of_stem(sound, grid)
        new(name: sound.stem.name, role: sound.role, source: "stem", events: line?(sound) ? line(sound, grid) : strokes(sound, grid), sound:)
      end

      def self.line?(sound) = sound.notes && (LINES.include?(sound.role) || sound.notes.line?)
      private_class_method :line?

      def self.line(sound, grid)
        sound.line.notes.map do |note|
          from, to = [note.start, note.end].map { |time| grid.position(sound.stem.in_mix(time)) }
          Played.new(beat: from.round(4), beats: (to - from).round(4), pitch: note.pitch, velocity: note.velocity)
        end
      end
      private_class_method :line

      def self.strokes(sound, grid)
        short = sound.features.short
        level = Signal::Series.running_max(short.level(AUDIBLE), LEVEL_FRAMES)
        times = sound.envelope.onsets
        heights = times.map { |time| level[((time * short.rate).round + LEVEL_FRAMES).clamp(0, level.size - 1)] }
        hard = [heights.sort[(heights.size * 9) / 10] || 1.0, 1e-9].max
        times.zip(heights).filter_map do |time, height|
          velocity = (height / hard).clamp(0.0, 1.0)
          velocity >= STRUCK ? Played.new(beat: grid.position(sound.stem.in_mix(time)).round(3), beats: STROKE_BEATS, pitch: nil, velocity: velocity.round(2)) : nil
        end
      end
      private_class_method :strokes

      # @param attributes [Hash] name, role, source, events, sound, and whether pitches are keys of a kit
      def initialize(name:, role:, source:, events:, sound: nil, drums: false)
        @name = name
        @role = role
        @source = source
        @events = events.sort_by { |event| [event.beat, event.pitch || 0] }.freeze
        @sound = sound
        @drums = drums
        freeze
      end

      # @return [Boolean] whether its pitches are keys of a kit
      def drums? = @drums

      # @param beats [Range<Numeric>] since the start of bar 1, end exclusive
      # @return [Array<Played>] that begin there; what comes a hair early belongs to the beat
      def within(beats, early: EARLY_BEATS)
        first = events.bsearch_index { |event| event.beat >= beats.begin - early } || events.size
        events.drop(first).take_while { |event| event.beat < beats.end - early }
      end

      # @return [Hash{String => Array<Played>}] of a struck part, what each piece of the kit plays: by its key where a score writes it, else all as its role
      def pieces
        return { role => events } unless source == "midi" && drums?

        events.group_by { |event| Midi::Kit.piece(event.pitch) || role }
      end

      # @return [Array<Integer>] pitches in order, without repeated chords' inner notes left out
      def pitches = events.filter_map(&:pitch)
    end
  end
end
