# frozen_string_literal: true

module Ethoscope
  class Ensemble
    # Who plays, each part as the best source tells it: notes of a MIDI file, else a stem, else what can be told of the mix. The method is our own.
    class Players
      MIX = %w[kick snare hats bass].freeze

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
        strengths = Rhythm::PieceStrokes.of_mix(piece, likely, @drums.acoustics).strengths.flatten
        (likely > Rhythm::DrumSteps::LIKELY).where.to_a.map { |index| Played.new(beat: index.fdiv(steps), beats: 1.0 / steps, pitch: nil, velocity: strengths[index]) }
      end
    end
  end
end
