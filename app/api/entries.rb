# frozen_string_literal: true

module Api
  # The technique library as a study sees it: known entries with its own words, and entries of its own.
  class Entries < Base
    get("/techniques") { answer(techniques: Ethoscope::Techniques::Library.entries.map(&:to_h)) }

    get("/studies/:id/techniques") { |id| answer(techniques: library.entries.library(library.studies.find(number(id))[:id])) }

    post "/studies/:id/techniques" do |id|
      study = library.studies.find(number(id))
      texts = input(Schemas::NewEntry)
      kind = library.entries.create(study[:id], texts)[:kind]
      answer({ technique: library.entries.library(study[:id]).find { |entry| entry[:kind] == kind } }, 201)
    end

    patch "/studies/:id/techniques/:kind" do |id, kind|
      study = library.studies.find(number(id))
      raise Problem.new(404, "missing", "There is no such technique.") unless library.entries.library(study[:id]).any? { |entry| entry[:kind] == kind }

      library.entries.write(study[:id], kind, input(Schemas::EntryTexts))
      answer(technique: library.entries.library(study[:id]).find { |entry| entry[:kind] == kind })
    end

    delete "/studies/:id/techniques/:kind" do |id, kind|
      library.entries.delete(library.studies.find(number(id))[:id], kind)
      answer({})
    end

    # How a technique is done, with the figures of its sightings here, in the tempo and key of the new track unless asked for as theirs.
    get "/references/:id/how-to/:kind" do |id, kind|
      reference = reference_of(id)
      study = library.studies.find(reference[:study_id])
      entry = library.entries.library(study[:id]).find { |candidate| candidate[:kind] == kind } or raise Problem.new(404, "missing", "There is no such technique.")
      answer(entry:, steps: HowTo.new(sheet_of(reference).analysis, wanted_in(study, "mine").restatement(library.song(reference).vector)).steps(entry))
    end
  end
end
