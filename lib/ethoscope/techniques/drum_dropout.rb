# frozen_string_literal: true

module Ethoscope
  module Techniques
    # The drums stop for half a bar to two bars before a section begins, and come back on its first beat. They are heard by
    # their top, above 4 kHz: below it bass and chords start notes too.
    module DrumDropout
      KIND = "drum_drop"
      # Struck strength must fall below this share of what the section had.
      SILENT = 0.45
      LONGEST_BARS = 2

      # @param scene [Scene]
      # @return [Array<Sighting>]
      def self.find(scene)
        scene.sections.each_cons(2).filter_map { |before, after| at_joint(scene, before, after) }
      end

      def self.at_joint(scene, before, after)
        struck = scene.beats[:high]
        joint = scene.beats_of(after.first_bar).begin
        span = scene.grid.meter.beats * LONGEST_BARS
        body = struck[scene.beats_of(before.first_bar).begin...[joint - span, scene.beats_of(before.first_bar).end].max]
        usual = body.sum / body.size
        back = struck[joint, scene.grid.meter.beats]
        return nil if usual < 0.8 || back.sum / back.size < usual * 0.6

        silent = (1..span).take_while { |beat| joint - beat >= 0 && struck[joint - beat] < usual * SILENT }.size
        return nil if silent < [scene.grid.meter.beats / 2, 1].max || silent == span

        sighting(scene, after, joint - silent, silent)
      end
      private_class_method :at_joint

      def self.sighting(scene, after, beat, count)
        bars = (after.first_bar - (count / scene.grid.meter.beats.to_f).ceil)..(after.first_bar - 1)
        scene.sighting(KIND, bars, start: scene.grid.edges[beat], confidence: 0.55 + (0.1 * count), detail: { beats: count })
      end
      private_class_method :sighting
    end
  end
end
