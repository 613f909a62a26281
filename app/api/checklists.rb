# frozen_string_literal: true

module Api
  # Checklists and their items.
  class Checklists < Base
    helpers Targets

    helpers do
      def planning(checklist)
        study = library.studies.find(checklist[:study_id])
        Work::Planning.new(library, study, target_key(study), kept)
      end

      # Each item with what it would say if it were made now, where that differs.
      def with_changes(checklist)
        changes = planning(checklist).changes(checklist)
        checklist.merge(items: checklist[:items].map { |item| item.merge(now: changes[item[:id]]) })
      end
    end

    get("/checklists/:id") { |id| answer(checklist: with_changes(library.checklists.find(number(id)))) }

    # What of it fits into the time that one has.
    get "/checklists/:id/session" do |id|
      answer(session: Ethoscope::Checklist::Session.new(library.checklists.find(number(id))[:items], asked(Schemas::SessionQuestion)[:minutes]).to_h)
    end

    # Takes the target that follows from the reading as it is now.
    post "/items/:id/target" do |id|
      checklist = library.checklists.find(library.checklists.item(number(id))[:checklist_id])
      now = planning(checklist).item_now(checklist, number(id)) or raise Problem.new(409, "gone", "The readings say nothing of this any more. Skip the item, or keep it as it is.")
      answer(item: library.checklists.retarget(number(id), now))
    end

    patch "/checklists/:id" do |id|
      school = Ethoscope::Checklist::Schools.find(input(Schemas::ChecklistChange)[:school])
      answer(checklist: with_changes(library.checklists.reorder(number(id), school)))
    end

    delete "/checklists/:id" do |id|
      library.checklists.delete(number(id))
      answer({})
    end

    Ethoscope::Export::Formats.of(:checklist).each do |format|
      get "/checklists/:id/#{format.file}" do |id|
        checklist = library.checklists.find(number(id))
        text = format.writer.write(checklist)
        download("#{checklist[:title]}#{format.suffix}", format.extension)
        content_type format.type
        text
      end
    end

    post "/checklists/:id/items" do |id|
      answer({ item: library.checklists.add_item(number(id), input(Schemas::NewItem)) }, 201)
    end

    delete "/items/:id" do |id|
      library.checklists.delete_item(number(id))
      answer({})
    end

    patch("/items/:id") { |id| answer(item: library.checklists.update_item(number(id), input(Schemas::ItemChange))) }
  end
end
