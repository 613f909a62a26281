# frozen_string_literal: true

module Ethoscope
  module Sheet
    # A song's sheet: what was measured with what a person says over it, in the schema of an {Analysis}.
    class SongSheet
      # @return [Timeline]
      attr_reader :timeline

      # @param analysis [Analysis]
      # @param notes [Array<SheetNote>] of a person, oldest first
      def initialize(analysis, notes)
        @data = analysis.to_h
        @notes = notes.select(&:standing?).group_by(&:aspect)
        @timeline = Timeline.new(@data)
      end

      # @return [Analysis] for the eye: what a person refuted is still there, marked so
      def analysis = @analysis ||= laid_out

      # @return [Analysis] for the work that rests on it: what was refuted is gone, what was heard counts like what was measured
      def settled = @settled ||= without_refuted

      # @return [SectionList] as they stand, ready to be edited
      def section_list = @section_list ||= SectionList.new(@data, of("form").last&.value&.fetch(:entries, nil))

      private

      def laid_out
        sections = section_list.sections
        played = @data.merge(sections:, **harmony(sections))
        played = played.merge(EditedLines.new(played, of("line"), @timeline).to_h)
        Analysis.new(played.merge(returns: Form::Returns.new(played).to_h, heard_layers: layers.map(&:to_h), marks:, techniques: sightings,
          changes: ChangeList.new(@data[:changes], layers.map(&:layer), sections, of("change"), @timeline).changes))
      end

      # Loops and cadences follow the chords that a person put right.
      def harmony(sections)
        chords = ChordLine.new(@data, of("chord")).chords
        of("chord").empty? ? { chords: } : { chords:, **HeardHarmony.new(@data.merge(chords:, sections:)).to_h }
      end

      def without_refuted
        data = analysis.to_h
        Analysis.new(data.merge(layers: settled_layers, techniques: settled_sightings(data[:techniques]),
          chords: data[:chords].reject { |chord| chord[:state] == "refuted" }, changes: data[:changes].map { |change| ChangeList.settled(change) }))
      end

      def of(aspect) = @notes.fetch(aspect, [])

      def layers = @layers ||= of("layer").map { |note| PaintedLayer.new(note, @timeline) }

      def marks = of("mark").map { |note| { reading_id: note.id, **note.value.slice(:type, :text, :layer_id), **run(note) } }

      def run(note)
        first_bar, last_bar = @timeline.bar_run(note.from, note.to)
        { first_bar:, last_bar: }
      end

      # Each with what a person decided about it.
      def sightings
        @data[:techniques].map do |sighting|
          decision = of("sighting").reverse.find { |note| note.value[:kind] == sighting[:kind] && note.from < sighting[:end] && note.to > sighting[:start] }
          sighting.merge(state: decision&.state || "open", reading_id: decision&.id)
        end
      end

      def settled_sightings(measured)
        heard = of("technique").select { |note| note.from && note.value[:name] }
        own = heard.map do |note|
          { kind: note.value[:kind] || note.value[:name].downcase, name: note.value[:name], **run(note), start: note.from, end: note.to, confidence: 1.0, detail: {} }
        end
        measured.reject { |sighting| sighting[:state] == "refuted" } + own
      end

      # What was painted takes the place of what was measured.
      def settled_layers
        overlay = LayerOverlay.new(@data[:layers], layers.map(&:to_h))
        counted = overlay.painted.map { |own| own[:reading_id] }
        overlay.measured + layers.map(&:layer).zip(layers.map(&:to_h)).filter_map { |layer, own| layer.to_h if counted.include?(own[:reading_id]) }
      end
    end
  end
end
