# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The drums stop for half a bar to two bars before a section begins, and come back on its first beat. How it is recognised is our own.
      module DrumDrop
        KIND = "drum_drop"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.95
        # Pieces struck on a beat of the section, in the middle, from which it has drums.
        PLAYING = 1.0
        # The gap has less than this share of that, the first bar after it more than that one.
        SILENT = 0.47
        # Where stems or notes tell the strokes the gap holds hardly any.
        SILENT_TOLD = 0.15
        BACK = 0.55
        LONGEST_BARS = 2
        # Where the top has less than this share of its usual onsets no kit plays, whatever bass and chords strike.
        DEAD = 0.1

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene) = scene.sections.each_cons(2).filter_map { |before, after| at_joint(scene, before, after) }

        def self.at_joint(scene, before, after)
          bar = scene.bar_beats
          joint = scene.beats_in(after).begin
          first = scene.beats_in(before).begin
          body = first...[joint - bar, first + 1].max
          strokes = struck(scene, body)
          usual = middle(strokes[body])
          return nil if usual < PLAYING || joint - first < 2 * bar || mean(strokes[joint, bar]) < usual * BACK

          most = usual * (mix?(scene) ? SILENT : SILENT_TOLD)
          beats = gap(strokes, joint, most, bar)
          beats && sighting(scene, before, joint, beats, strokes, usual, most)
        end
        private_class_method :at_joint

        # Pieces struck on each beat, none where the top is dead.
        def self.struck(scene, body)
          return scene.strokes unless scene.features && mix?(scene)

          top = scene.beats[:high]
          dead = middle(top[body]) * DEAD
          scene.strokes.each_with_index.map { |count, beat| top[beat] && top[beat] < dead ? 0.0 : count }
        end
        private_class_method :struck

        def self.mix?(scene) = scene.source_of(Rhythm::DrumSteps::PIECES) == "mix"
        private_class_method :mix?

        def self.middle(values) = Signal::Middle.of(values) || 0
        private_class_method :middle

        # Beats of the gap: as many whole bars as are silent, or else half a bar of true silence.
        def self.gap(strokes, joint, most, bar)
          bars = (1..LONGEST_BARS).take_while { |count| mean(strokes[joint - (count * bar), bar]) < most }.size
          return bars * bar if bars.between?(1, LONGEST_BARS)

          half = (bar / 2.0).ceil
          bars.zero? && half < bar && mean(strokes[joint - half, half]) < most / 2 ? half : nil
        end
        private_class_method :gap

        def self.mean(values) = values.empty? ? 0.0 : values.sum / values.size
        private_class_method :mean

        def self.sighting(scene, before, joint, beats, strokes, usual, most)
          bar = scene.bar_beats
          bars = ((joint - beats).div(bar) + 1)..joint.div(bar)
          shown = ([before.last_bar - 7, before.first_bar].max - 1) * bar
          left = mean(strokes[joint - beats, beats]) / usual
          scene.sighting(KIND, bars, start: scene.grid.edges[scene.grid.pickup + joint - beats], confidence: SURE - left, detail: { beats: }, source: scene.source_of(Rhythm::DrumSteps::PIECES),
            evidence: scene.evidence("pieces of the kit struck, by beat", strokes[shown...[joint + bar, strokes.size].min], unit: "pieces",
              threshold: most, first_bar: shown.div(bar) + 1, step: 1.0 / bar))
        end
        private_class_method :sighting
      end
    end
  end
end
