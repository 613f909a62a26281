# frozen_string_literal: true

module Api
  # Studies, their references, profile and checklists.
  class Studies < Base
    HEARTBEAT_SECONDS = 10

    helpers Uploads

    helpers do
      def reference_rows(study_id)
        rows = library.references.of_study(study_id)
        runs = library.analyses.latest_of(rows.map { |row| row[:recording_id] })
        rows.map do |row|
          row.merge(analysis: runs[row[:recording_id]], marks: View.marks(library, row), summary: View.summary(library, row))
        end
      end

      def target_key(study)
        study[:target_tonic] && study[:target_mode] && Ethoscope::Harmony::Key.named(study[:target_tonic], study[:target_mode])
      end
    end

    get("/studies") { answer(studies: library.studies.all) }

    post "/studies" do
      answer({ study: library.studies.create(input(Schemas::NewStudy)) }, 201)
    end

    get("/studies/:id") do |id|
      study = library.studies.find(id.to_i)
      answer(study:, references: reference_rows(study[:id]), checklists: library.checklists.of_study(study[:id]), assemblies: library.assemblies.of_study(study[:id]))
    end

    patch("/studies/:id") { |id| answer(study: library.studies.update(id.to_i, input(Schemas::StudyChange))) }

    delete "/studies/:id" do |id|
      library.studies.delete(id.to_i)
      answer({})
    end

    post "/studies/:id/references" do |id|
      check_size
      reference = library.import(id.to_i, request.body, upload_name)
      settings.bulletin.publish
      answer({ reference: }, 201)
    end

    # Streams the state of a study's analyses until none is waiting or running.
    get "/studies/:id/events" do |id|
      study_id = library.studies.find(id.to_i)[:id]
      content_type "text/event-stream"
      headers "cache-control" => "no-store", "x-accel-buffering" => "no"
      stream do |out|
        seen = nil
        loop do
          seen = seen ? settings.bulletin.wait(seen, HEARTBEAT_SECONDS) : settings.bulletin.edition
          rows = library.references.of_study(study_id)
          runs = library.analyses.latest_of(rows.map { |row| row[:recording_id] })
          state = rows.to_h { |row| [row[:id], runs[row[:recording_id]]] }
          out << "event: progress\ndata: #{JSON.generate(state)}\n\n"
          next if state.values.compact.any? { |run| %w[queued running].include?(run[:state]) }

          out << "event: idle\ndata: {}\n\n"
          break
        end
      end
    end

    get "/studies/:id/profile" do |id|
      study = library.studies.find(id.to_i)
      songs = library.songs(study[:id])
      if songs.empty?
        raise Problem.new(409, "nothing_analysed",
          "No reference is analysed yet. Add one, or wait until its analysis is done.")
      end

      answer(study:, profile: Ethoscope::Plain.frozen(Ethoscope::Profile::Builder.new(songs).profile))
    end

    post "/studies/:id/checklists" do |id|
      study = library.studies.find(id.to_i)
      wanted = input(Schemas::NewChecklist)
      answer({ checklist: Planning.new(library, study, target_key(study)).create(wanted) }, 201)
    end

    get("/schools") { answer(schools: Ethoscope::Checklist::Schools::ALL.map(&:to_h)) }
  end
end
