# frozen_string_literal: true

module Api
  # What a person writes over the sheet: chords, sections, layers, marks, techniques, changes, the count of bars.
  class Markup < Base
    helpers do
      def bar_run(timeline, wanted)
        last = timeline.bars
        unless wanted[:first_bar].between?(1, wanted[:last_bar]) && wanted[:last_bar] <= last
          raise Problem.new(422, "invalid", "Bars run from 1 to #{last}, the first before the last.", "last_bar")
        end

        { starts_at: timeline.seconds(wanted[:first_bar]), ends_at: timeline.seconds(wanted[:last_bar] + 1) }.merge(wanted.slice(:first_bar, :last_bar))
      end

      # What the action takes of what was sent.
      def arguments(wanted, fields)
        needed, allowed = fields.fetch(wanted[:action])
        missing = needed.find { |name| wanted[name].nil? }
        raise Problem.new(422, "invalid", "#{missing.to_s.tr("_", " ").capitalize} is missing.", missing.to_s) if missing

        wanted.slice(*needed, *allowed)
      end

      # An edit of the count gives one aspect with its value, or several.
      def each_aspect(changed) = changed.first.is_a?(Array) ? changed : [changed]

      def noted(reference, label, attributes)
        edit(reference, label, 201) { |readings| readings.note(reference[:id], { source: "heard" }.merge(attributes)) }
      end

      def line_reading(reference, layer) = library.readings.of_aspect(reference[:id], "line").reverse.find { |reading| reading[:value][:layer] == layer }

      def known_kinds(reference) = library.entries.library(reference[:study_id]).map { |entry| entry[:kind] }

      # A technique that neither the library nor the study knows would be kept and never shown.
      def check_kind(kind, kinds)
        raise Problem.new(422, "unknown_kind", "There is no technique of the kind “#{kind}” here.", "kind") unless kind.nil? || kinds.include?(kind)
      end

      def check_layer(reference, id)
        return if id.nil?

        layers = library.readings.of_aspect(reference[:id], "layer").map { |layer| layer[:id] }
        raise Problem.new(422, "unknown_layer", "There is no layer with the number #{id} on this sheet.", "layer_id") unless layers.include?(id)
      end

      def layer_reading(id)
        reading = library.readings.find(number(id))
        raise Problem.new(422, "invalid", "Only layers that you added can be painted.") unless reading[:aspect] == "layer"

        [reading, reference_of(reading[:reference_id])]
      end

      def painted(timeline, reading)
        note = Ethoscope::Sheet::SheetNote.new(from: nil, to: nil, **reading.slice(:id, :aspect, :value, :source, :state, :note))
        Ethoscope::Sheet::PaintedLayer.new(note, timeline)
      end
    end

    post "/references/:id/chords" do |id|
      reference = reference_of(id)
      wanted = input(Schemas::ChordEdit)
      entries = Ethoscope::Sheet::ChordEdits.new(sheet_of(reference).analysis.to_h).public_send(wanted[:action], **arguments(wanted, Schemas::CHORD_FIELDS))
      edit(reference, "#{wanted[:action].capitalize} #{wanted[:action] == "repeat" ? "loop" : "chord"} at bar #{wanted[:bar]}", 201) do |readings|
        entries.map { |entry| Work::Chords.new(readings).write(reference[:id], entry) }.first
      end
    end

    post "/references/:id/lines" do |id|
      reference = reference_of(id)
      wanted = input(Schemas::LineEdit)
      old = line_reading(reference, wanted[:layer])
      data = sheet_of(reference).analysis.to_h
      value = Ethoscope::Sheet::LineEdits.new(data, wanted[:layer], old&.fetch(:value)).public_send(wanted[:action], **arguments(wanted, Schemas::LINE_FIELDS))
      edit(reference, "#{Schemas::LINE_LABELS.fetch(wanted[:action])} in #{wanted[:layer]}, bar #{wanted[:bar]}", 201) do |readings|
        next readings.revise(old[:id], value:) if old

        readings.note(reference[:id], { aspect: "line", value:, statement: wanted[:layer], source: "heard" })
      end
    end

    post "/references/:id/sections" do |id|
      reference = reference_of(id)
      wanted = input(Schemas::SectionEdit)
      entries = sheet_of(reference).section_list.public_send(wanted[:action], *arguments(wanted, Schemas::SECTION_FIELDS).values)
      form = library.readings.current(reference[:id]).fetch("form")
      edit(reference, "#{wanted[:action].capitalize} section #{wanted[:index] + 1}", 201) do |readings|
        readings.correct(form[:id], value: { entries: }, source: "heard", note: "#{wanted[:action]} section #{wanted[:index] + 1}")
      end
    end

    post "/references/:id/count" do |id|
      reference = reference_of(id)
      wanted = input(Schemas::CountEdit)
      current = library.readings.current(reference[:id])
      edits = Ethoscope::Sheet::CountEdits.new(sheet_of(reference).analysis.to_h, current)
      changed = edits.public_send(wanted[:action], **arguments(wanted, Schemas::COUNT_FIELDS))
      label = Schemas::COUNT_LABELS.fetch(wanted[:action])
      edit(reference, label, 201) do |readings|
        each_aspect(changed).map { |aspect, value| readings.correct(current.fetch(aspect)[:id], value:, source: "heard", note: label) }.first
      end
    end

    post "/references/:id/layers" do |id|
      reference = reference_of(id)
      wanted = input(Schemas::NewLayer)
      analysis = sheet_of(reference).analysis.to_h
      card = wanted[:from] ? Ethoscope::Sheet::MeasuredCard.new(analysis, wanted[:from]).to_h : {}
      name = wanted[:from] || wanted[:name].strip
      filled = wanted[:from] && library.readings.of_aspect(reference[:id], "layer").reverse.find { |layer| layer[:value][:name] == name && layer[:state] != "refuted" }
      next answer({ reading: filled, revision: reference[:revision] }) if filled

      noted(reference, "Add layer #{name}", aspect: "layer", value: { name:, role: wanted[:role], spans: [], card: }, statement: name)
    end

    post "/readings/:id/cells" do |id|
      reading, reference = layer_reading(id)
      paint = input(Schemas::Paint)
      timeline = timeline_of(reference)
      bar_run(timeline, paint)
      spans = painted(timeline, reading).painted(paint[:first_bar], paint[:last_bar], paint[:level])
      edit(reference, "Paint #{reading[:statement]}") { |readings| readings.revise(reading[:id], value: reading[:value].except(:cells).merge(spans:)) }
    end

    patch "/readings/:id/card" do |id|
      reading, reference = layer_reading(id)
      wanted = input(Schemas::LayerCard)
      name = wanted[:name] || reading[:value][:name]
      value = reading[:value].merge({ name:, role: wanted[:role] || reading[:value][:role], card: wanted[:card] || reading[:value][:card] })
      edit(reference, "Card of #{reading[:statement]}") { |readings| readings.revise(reading[:id], value:, statement: name) }
    end

    post "/references/:id/techniques" do |id|
      reference = reference_of(id)
      wanted = input(Schemas::NewTechnique)
      check_kind(wanted[:kind], known_kinds(reference))
      place = bar_run(timeline_of(reference), wanted)
      noted(reference, "Note #{wanted[:name]}", aspect: "technique", value: wanted.slice(:name, :kind).compact, statement: wanted[:name], note: wanted[:note].to_s, **place)
    end

    post "/references/:id/sightings" do |id|
      reference = reference_of(id)
      wanted = input(Schemas::SightingDecision)
      check_kind(wanted[:kind], known_kinds(reference))
      place = bar_run(timeline_of(reference), wanted)
      edit(reference, format(Decisions::DECIDED.fetch(wanted[:state]), wanted[:kind].tr("_", " ")), 201) do |readings|
        readings.note(reference[:id], aspect: "sighting", value: { kind: wanted[:kind] }, statement: wanted[:kind].tr("_", " "), source: "measured",
          state: wanted[:state], **place)
      end
    end

    post "/references/:id/marks" do |id|
      reference = reference_of(id)
      wanted = input(Schemas::NewMark)
      check_layer(reference, wanted[:layer_id])
      place = bar_run(timeline_of(reference), wanted)
      noted(reference, "Mark bar #{wanted[:first_bar]}", aspect: "mark", value: wanted.slice(:type, :text, :layer_id), statement: wanted[:text],
        **wanted.slice(:source), **place)
    end

    post "/references/:id/changes" do |id|
      reference = reference_of(id)
      wanted = input(Schemas::ChangeEdit)
      place = bar_run(timeline_of(reference), { first_bar: wanted[:bar], last_bar: wanted[:bar] })
      value = wanted.slice(:key, :text)
      raise Problem.new(422, "invalid", "Say what changes.", "text") if value.values.all? { |text| text.to_s.strip.empty? }

      noted(reference, "#{wanted[:key] ? "Strike" : "Add"} a change at bar #{wanted[:bar]}", aspect: "change", value:, statement: value.values.first, **place)
    end
  end
end
