# frozen_string_literal: true

module Ethoscope
  class Ensemble
    # Who plays, each part as the best source tells it: notes of a MIDI file, else a stem, else what can be told of the mix. The method is our own.
    class Players
      MIX = %w[kick snare hats bass].freeze
      # Notes that are shown one by one are at least so sure.
      SURE = 0.8

      # @param played [Rhythm::StrokesInContext]
      # @param steps [Rhythm::StepGrid]
      # @param bass [Array<Harmony::BassNote>]
      # @param told [Array<String>] roles of which another source tells
      # @return [Array<Player>] what the mix tells of the others, stroke by stroke in their context
      def self.of_mix(played, steps, bass, told)
        struck = (Rhythm::StrokeModel::PIECES - told).map do |piece|
          places = (played.likely(piece) > Rhythm::DrumSteps::LIKELY).where.to_a
          Player.new(name: piece, role: piece, source: "mix", events: places.map do |step|
            Played.new(beat: step.fdiv(steps.per_beat), beats: 1.0 / steps.per_beat, pitch: nil, velocity: 1.0)
          end)
        end
        line = told.include?("bass") ? [] : bass.select { |note| note.sure >= SURE }.map { |note| Played.new(beat: note.beat, beats: note.beats, pitch: note.pitch, velocity: 1.0) }
        [*struck, Player.new(name: "bass", role: "bass", source: "mix", events: line)].reject { |player| player.events.empty? }
      end

      # @param grid [Rhythm::BeatGrid]
      # @param drums [Rhythm::DrumSteps, nil]
      # @param bass [Array<Harmony::BassNote>]
      # @param sounds [Array<Stems::Sound>]
      # @param parts [Array<Midi::Part>]
      # @param placement [Midi::Placement, nil]
      def initialize(grid:, drums: nil, bass: [], sounds: [], parts: [], placement: nil)
        @grid = grid
        @drums = drums
        @bass = bass
        @sounds = sounds
        @parts = parts
        @placement = placement
      end

      # @return [Array<Player>] of all roles
      def all
        written = @parts.map { |part| Player.of_part(part, @placement, @grid, @sounds.find { |sound| sound.role == part.role }) }
        sounding = @sounds.reject { |sound| written.any? { |player| player.role == sound.role } }.map { |sound| Player.of_stem(sound, @grid) }
        known = written + sounding
        known + MIX.reject { |role| known.any? { |player| player.role == role } }.filter_map { |role| of_mix(role) }
      end

      private

      def of_mix(role)
        events = role == "bass" ? bass_events : strokes(role)
        events.empty? ? nil : Player.new(name: role, role:, source: "mix", events:)
      end

      def bass_events
        @bass.map { |note| Played.new(beat: note.beat, beats: note.beats, pitch: note.pitch, velocity: 1.0) }
      end

      def strokes(piece)
        return [] unless @drums

        likely = @drums.likely(piece)
        steps = likely.shape[1] / @grid.meter.beats
        (likely > Rhythm::DrumSteps::LIKELY).where.to_a.map { |index| Played.new(beat: index.fdiv(steps), beats: Player::STROKE_BEATS, pitch: nil, velocity: 1.0) }
      end
    end
  end
end
