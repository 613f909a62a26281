# frozen_string_literal: true

module Api
  # One reference: its sheet, sound and exports.
  class References < Base
    helpers do
      def exported(reference) = Work::HandOver.new(library, wanted_of(reference)).song(reference)

      def wanted_of(reference) = wanted_in(library.studies.find(reference[:study_id]))
    end

    # A derivation that is missing (another window asked for another one meanwhile, or the engine is newer) is asked for again.
    get "/references/:id" do |id|
      reference = reference_of(id)
      Store::Database.at_leisure { settings.bulletin.publish if library.derivation(reference).nil? && library.follow(reference) }
      page = SheetPage.new(library, reference, wanted_of(reference))
      content_type :json
      kept.keep(page.stamp) { JSON.generate(page.to_h) }
    end

    patch("/references/:id") { |id| answer(reference: library.references.update(number(id), input(Schemas::ReferenceChange))) }

    delete("/references/:id") { |id| thrown_away(library.references, id) }

    post("/references/:id/bring-back") { |id| answer(reference: brought_back(library.references, id)) }

    post "/references/:id/place" do |id|
      library.references.place(number(id), input(Schemas::ReferencePlace)[:to])
      settings.bulletin.publish
      answer({})
    end

    # Into another study: the song itself, or a copy of it with all that was said.
    post "/references/:id/moves" do |id|
      wanted = input(Schemas::ReferenceMove)
      study = library.studies.find(wanted[:study_id])
      moved = wanted[:copy] ? Store::Copying.new(library).copy(reference_of(id), study[:id]) : library.references.move(number(id), study[:id])
      settings.bulletin.publish
      answer({ reference: moved }, 201)
    end

    post "/references/:id/analyses" do |id|
      run = library.analyses.queue(reference_of(id)[:recording_id])
      settings.bulletin.publish
      answer({ analysis: run }, 202)
    end

    get "/references/:id/audio" do |id|
      path, format = library.recordings.playable(library.recordings.find(reference_of(id)[:recording_id]))
      send_sound path, AUDIO_TYPES.fetch(format, "application/octet-stream")
    end

    # The outline of the waveform, as bytes; none where an older Ethoscope analysed it.
    get "/references/:id/peaks" do |id|
      path = library.recordings.peaks_path(library.recordings.find(reference_of(id)[:recording_id]))
      next status(204) unless File.exist?(path)

      cache_control :private, max_age: 31_536_000
      send_file path, type: "application/octet-stream"
    end

    AUDIO_TYPES = { "wav" => "audio/wav", "flac" => "audio/flac", "mp3" => "audio/mpeg", "ogg" => "audio/ogg", "mov" => "audio/mp4",
                    "aac" => "audio/aac", "aiff" => "audio/aiff" }.freeze

    Ethoscope::Export::Formats.of(:song).each do |format|
      get "/references/:id/#{format.file}" do |id|
        reference = reference_of(id)
        text = format.writer.write(exported(reference))
        download("#{reference[:title]}#{format.suffix}", format.extension)
        content_type format.type
        text
      end
    end
  end
end
