# frozen_string_literal: true

module Api
  # Checklists and their items.
  class Checklists < Base
    get("/checklists/:id") { |id| answer(checklist: library.checklists.find(id.to_i)) }

    patch "/checklists/:id" do |id|
      school = Ethoscope::Checklist::Schools.find(input(Schemas::ChecklistChange)[:school])
      answer(checklist: library.checklists.reorder(id.to_i, school))
    end

    delete "/checklists/:id" do |id|
      library.checklists.delete(id.to_i)
      answer({})
    end

    get "/checklists/:id/checklist.md" do |id|
      checklist = library.checklists.find(id.to_i)
      attachment("checklist-#{checklist[:id]}.md")
      content_type "text/markdown", charset: "utf-8"
      Ethoscope::Export::ChecklistMarkdown.write(checklist[:title], checklist[:items])
    end

    patch("/items/:id") { |id| answer(item: library.checklists.update_item(id.to_i, input(Schemas::ItemChange))) }
  end
end
