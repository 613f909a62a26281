# frozen_string_literal: true

module Ethoscope
  module Layers
    # Layers from all sources: notes of a score lead, then stems, then the mix. What the weaker sources say of a role stays beside as
    # rivals of its first layer. The method is our own.
    class Roster
      CONFIDENCE = { "midi" => 0.98, "stem" => 0.95 }.freeze
      # The pieces of a kit that one stem of all drums holds.
      KIT = Rhythm::DrumSteps::PIECES

      # @param mix [Array<Layer>]
      # @param sounds [Array<Stems::Sound>]
      # @param parts [Array<Midi::Part>]
      # @param placement [Midi::Placement, nil]
      # @param grid [Rhythm::BeatGrid]
      def initialize(mix, sounds, parts, placement, grid)
        @grid = grid
        written = parts.map { |part| of_part(part, placement) }
        heard = sounds.flat_map { |sound| sound.role == Role::DRUMS ? kit(sound) : [of_stem(sound)] }
        @by_source = [written, heard, mix]
      end

      # @return [Array<Layer>] in the order of the roles
      def layers
        roles = @by_source.flatten.map(&:role).uniq
        roles.sort_by { |role| Role::ALL.index(role) || Role::ALL.size }.flat_map { |role| of_role(role) }
      end

      private

      def of_role(role)
        told = @by_source.map { |layers| layers.select { |layer| layer.role == role } }.reject(&:empty?)
        first, *rest = told.first
        rivals = told.drop(1).map { |layers| { source: layers.first.source, activity: layers.map(&:activity).transpose.map(&:max), spans: layers.flat_map(&:spans).sort } }
        [Layer.new(**first.to_h, rivals:), *rest]
      end

      def of_stem(sound)
        presence = sound.presence
        Layer.new(role: sound.role, activity: presence.activity, confidence: CONFIDENCE["stem"], spans: presence.spans, name: sound.stem.name, source: "stem", rivals: [])
      end

      # The pieces of a kit by the strokes that are heard on its stem.
      def kit(sound)
        steps = Rhythm::StepGrid.new(sound.grid, nil)
        drums = Rhythm::DrumSteps.of(sound.features.short, steps)
        KIT.map do |piece|
          struck = drums.likely(piece).to_a.flat_map { |bar| bar.each_slice(steps.per_beat).map { |beat| beat.max > Rhythm::DrumSteps::LIKELY ? 1.0 : 0.0 } }
          presence = Presence.new(struck, @grid)
          Layer.new(role: piece, activity: presence.activity, confidence: 0.85, spans: presence.spans, name: "#{sound.stem.name} #{piece}", source: "stem", rivals: [])
        end
      end

      def of_part(part, placement)
        presence = Presence.new(sounding(part, placement), @grid)
        Layer.new(role: part.role, activity: presence.activity, confidence: CONFIDENCE["midi"], spans: presence.spans, name: part.name, source: "midi", rivals: [])
      end

      # How much of each beat is filled by notes; a stroke fills its beat, and no note less than half of one.
      def sounding(part, placement)
        beats = Array.new(@grid.bars * @grid.meter.beats, 0.0)
        part.notes.each do |note|
          from = @grid.position(placement.seconds(note.start))
          if Role::STRUCK.include?(part.role) || note.drum?
            fill(beats, (from + 0.05).floor, 1.0)
          else
            spread(beats, from, [@grid.position(placement.seconds(note.end)), from + 0.5].max)
          end
        end
        beats
      end

      def spread(beats, from, to)
        ((from + 0.05).floor..(to - 0.05).floor).each { |beat| fill(beats, beat, [to, beat + 1].min - [from, beat].max) }
      end

      def fill(beats, beat, share)
        beats[beat] = [beats[beat] + share, 1.0].min if beat.between?(0, beats.size - 1)
      end
    end
  end
end
