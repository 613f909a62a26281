# frozen_string_literal: true

module Api
  # Songs that come without a mix: files are added one by one, then the song is put together.
  class Assemblies < Base
    helpers Uploads

    post "/studies/:id/assemblies" do |id|
      study = library.studies.find(number(id))
      answer({ assembly: library.assemblies.create(study[:id], input(Schemas::NewAssembly)[:title].strip) }, 201)
    end

    post "/assemblies/:id/files" do |id|
      assembly = library.assemblies.find(number(id))
      check_size(Store::Intake.midi?(upload_name) ? Ethoscope::Midi::ScoreReader::MAX_BYTES : MAX_UPLOAD)
      answer({ assembly: library.add_to_assembly(assembly, request.body, upload_name) }, 201)
    end

    post "/assemblies/:id/start" do |id|
      assembly = library.assemblies.queue(number(id))
      settings.bulletin.publish
      answer({ assembly: }, 202)
    end

    delete "/assemblies/:id" do |id|
      library.remove { library.assemblies.delete(number(id)) }
      answer({})
    end
  end
end
