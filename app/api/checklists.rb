# frozen_string_literal: true

module Api
  # Checklists and their items.
  class Checklists < Base
    helpers do
      def planning(checklist)
        Work::Planning.new(library, library.studies.find(checklist[:study_id]), kept)
      end

      # Each item with what it would say if it were made now, where that differs; asked for as theirs, in the tempo and key of the reference.
      def with_changes(checklist)
        changes = planning(checklist).changes(checklist)
        framed(checklist).then { |told| told.merge(items: told[:items].map { |item| item.merge(now: changes[item[:id]]) }) }
      end

      def framed(checklist)
        return checklist unless asked(Schemas::FrameQuestion)[:as] == "theirs"

        study = library.studies.find(checklist[:study_id])
        checklist.merge(items: Work::Planning.new(library, study, kept, wanted: Work::Wanted.theirs).told(checklist, planning(checklist)))
      end

      def whole(id, status = 200) = answer({ checklist: with_changes(library.checklists.find(id)) }, status)

      # The list of an item after something was done with it.
      def list_after(item)
        yield item
        whole(item[:checklist_id])
      end

      def item(id) = library.items.find(number(id))

      def step_back(id, way, word)
        label = library.list_edits.public_send(way, number(id))
        library.logbook.again(library.checklists.find(number(id)), label, word) if label
        whole(number(id))
      end
    end

    get("/checklists/:id") { |id| whole(number(id)) }

    # What of it fits into the time that one has.
    get "/checklists/:id/session" do |id|
      answer(session: Ethoscope::Checklist::Session.new(library.checklists.find(number(id))[:items], asked(PlanSchemas::SessionQuestion)[:minutes]).to_h)
    end

    patch "/checklists/:id" do |id|
      wanted = input(PlanSchemas::ChecklistChange)
      library.checklists.rename(number(id), wanted[:title]) if wanted[:title]
      library.checklists.reorder(number(id), Ethoscope::Checklist::Schools.find(wanted[:school])) if wanted[:school]
      whole(number(id))
    end

    delete("/checklists/:id") { |id| thrown_away(library.checklists, id) }

    post("/checklists/:id/bring-back") { |id| answer(checklist: with_changes(brought_back(library.checklists, id))) }

    post("/checklists/:id/copies") { |id| whole(library.checklists.copy(number(id))[:id], 201) }

    post("/checklists/:id/undo") { |id| step_back(id, :undo, "undone") }

    post("/checklists/:id/redo") { |id| step_back(id, :redo, "done again") }

    Ethoscope::Export::Formats.of(:checklist).each do |format|
      get "/checklists/:id/#{format.file}" do |id|
        checklist = framed(library.checklists.find(number(id)))
        text = format.writer.write(checklist)
        download("#{checklist[:title]}#{format.suffix}", format.extension)
        content_type format.type
        text
      end
    end

    post "/checklists/:id/items" do |id|
      answer({ item: library.items.add(number(id), input(PlanSchemas::NewItem)) }, 201)
    end

    patch("/items/:id") { |id| answer(item: library.items.update(number(id), input(PlanSchemas::ItemChange))) }

    # What was reckoned, kept with an item.
    post "/items/:id/pins" do |id|
      pinned = input(PlanSchemas::NewPin)
      calculator = Ethoscope::Calculators::Reckoner.find(pinned[:calculator])
      written = pinned[:written].transform_keys(&:to_s).transform_values(&:to_s)
      pin = { calculator: calculator::ID, name: calculator::NAME, written:, text: calculator.answer(written).summary }
      answer({ item: library.items.update(number(id), { pins: [*item(id)[:pins], pin] }) }, 201)
    end

    delete "/items/:id/pins/:place" do |id, place|
      pins = item(id)[:pins]
      raise Store::Missing, "There is no such pin." unless place.match?(/\A\d{1,3}\z/) && pins[place.to_i]

      answer(item: library.items.update(number(id), { pins: pins.each_with_index.reject { |_, i| i == place.to_i }.map(&:first) }))
    end

    delete("/items/:id") { |id| list_after(item(id)) { |item| library.items.delete(item[:id]) } }

    # Takes the target that follows from the reading as it is now.
    post "/items/:id/target" do |id|
      checklist = library.checklists.find(item(id)[:checklist_id])
      now = planning(checklist).item_now(checklist,
        number(id)) or raise Problem.new(409, "gone", "The readings say nothing of this now. Skip the item, keep it as it is, or " \
                                                      "ask again once your correction is analysed.")
      answer(item: library.items.retarget(number(id), now))
    end

    post("/items/:id/move") { |id| list_after(item(id)) { |item| library.items.move(item[:id], input(PlanSchemas::ItemPlace)[:to]) } }

    post("/items/:id/split") { |id| list_after(item(id)) { |item| library.items.split(item[:id], input(PlanSchemas::ItemSplit)[:at]) } }

    post("/items/:id/join") { |id| list_after(item(id)) { |item| library.items.join(item[:id]) } }

    post "/items/:id/clock" do |id|
      list_after(item(id)) { |item| input(PlanSchemas::Clock)[:action] == "start" ? library.logbook.start(item) : library.logbook.stop(item) }
    end
  end
end
