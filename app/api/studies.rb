# frozen_string_literal: true

module Api
  # Studies, their references and checklists.
  class Studies < Base
    helpers Uploads

    helpers do
      def reference_rows(study)
        rows = library.references.of_study(study[:id])
        runs = library.analyses.latest_of(rows.map { |row| row[:recording_id] })
        view = View.new(library, rows, wanted_in(study))
        rows.map { |row| row.merge(analysis: runs[row[:recording_id]], **view.of(row)) }
      end
    end

    get "/studies" do
      cards = Work::StudyCards.new(library)
      answer(studies: library.studies.all.map { |study| study.merge(cards.of(study)) }, thrown_away: library.studies.thrown_away)
    end

    post "/studies" do
      answer({ study: library.studies.create(input(Schemas::NewStudy)) }, 201)
    end

    get("/studies/:id") do |id|
      study = library.studies.find(number(id))
      answer(study:, references: reference_rows(study), checklists: library.checklists.of_study(study[:id]), assemblies: library.assemblies.of_study(study[:id]),
        thrown_away: { references: library.references.thrown_away(study[:id]), checklists: library.checklists.thrown_away(study[:id]) })
    end

    # What lists say follows the tempo and key that are wanted.
    patch "/studies/:id" do |id|
      study = library.studies.find(number(id))
      changed = library.studies.update(study[:id], input(Schemas::StudyChange))
      Work::Reframing.new(library, study, changed, kept).follow
      answer(study: changed)
    end

    # A study taken away whole.
    get "/studies/:id/study.zip" do |id|
      study = library.studies.find(number(id))
      hand_over(study[:title]) { |path| Store::StudyFile.new(library).save(study, path) }
    end

    # All its songs in every format, its lists and its logbook.
    get "/studies/:id/all.zip" do |id|
      study = library.studies.find(number(id))
      hand_over("#{study[:title]} all formats") { |path| File.binwrite(path, Work::HandOver.new(library, wanted_in(study)).study(study)) }
    end

    post "/studies/example" do
      study = Work::Example.new(library).start
      settings.bulletin.publish
      answer({ study: }, 201)
    end

    post "/studies/file" do
      check_size
      study = with_file { |path| Store::StudyFile.new(library).open(path) }
      settings.bulletin.publish
      answer({ study: }, 201)
    end

    delete("/studies/:id") { |id| thrown_away(library.studies, id) }

    post("/studies/:id/bring-back") { |id| answer(study: brought_back(library.studies, id)) }

    post "/studies/:id/references" do |id|
      check_size
      reference = library.import(number(id), request.body, upload_name)
      settings.bulletin.publish
      answer({ reference: }, 201)
    end

    # One thing done with many songs at once.
    post "/studies/:id/many" do |id|
      study = library.studies.find(number(id))
      wanted = input(Schemas::ManySongs)
      left = Work::Many.new(library, study[:id]).carry_out(wanted[:action], wanted[:ids], to: wanted[:to])
      settings.bulletin.publish
      answer(left:)
    end

    # How far the work on a study is: analyses, derivations, stems, separations, songs that are put together. Pages ask again and again while
    # something runs, with the edition that they have seen: as long as nothing has happened since, no table is read for the answer.
    get "/studies/:id/progress" do |id|
      edition = settings.bulletin.edition
      next answer(edition:) if params[:seen] == edition.to_s

      answer(edition:, runs: library.runs(library.studies.find(number(id))[:id]))
    end

    post "/studies/:id/checklists" do |id|
      study = library.studies.find(number(id))
      wanted = input(PlanSchemas::NewChecklist)
      answer({ checklist: Work::Planning.new(library, study, kept).create(wanted) }, 201)
    end

    # What was done on its checklists, and how long things take.
    get "/studies/:id/logbook" do |id|
      study = library.studies.find(number(id))
      answer(study:, entries: library.logbook.of_study(study[:id]), pace: library.logbook.pace.map(&:to_h))
    end

    Ethoscope::Export::Formats.of(:logbook).each do |format|
      get "/studies/:id/#{format.file}" do |id|
        study = library.studies.find(number(id))
        download("#{study[:title]}#{format.suffix}", format.extension)
        content_type format.type
        format.writer.write(library.logbook.of_study(study[:id]))
      end
    end

    get("/schools") { answer(schools: Ethoscope::Checklist::Schools::ALL.map(&:to_h)) }
  end
end
