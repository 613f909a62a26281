# frozen_string_literal: true

module Api
  # Stems and MIDI of a reference: what tells of it besides the mix.
  class Sources < Base
    helpers Uploads

    helpers do
      def stem_and_reference(id)
        stem = library.stems.find(number(id))
        [stem, reference_of(stem[:reference_id])]
      end

      # Has the song derived anew, and answers.
      def derived(reference, data, status_code = 200)
        library.follow(reference)
        settings.bulletin.publish
        answer(data, status_code)
      end
    end

    post "/references/:id/stems" do |id|
      reference = reference_of(id)
      check_size
      stem = library.import_stem(reference, request.body, upload_name)
      settings.bulletin.publish
      answer({ stem: }, 201)
    end

    patch "/stems/:id" do |id|
      stem, reference = stem_and_reference(id)
      derived(reference, stem: library.stems.update(stem[:id], input(Schemas::StemChange)))
    end

    delete "/stems/:id" do |id|
      stem, reference = stem_and_reference(id)
      library.remove { library.stems.delete(stem[:id]) }
      derived(reference, {})
    end

    post "/stems/:id/retry" do |id|
      stem, = stem_and_reference(id)
      settings.bulletin.publish
      answer({ stem: library.stems.retry(stem[:id]) }, 202)
    end

    get "/stems/:id/audio" do |id|
      stem, = stem_and_reference(id)
      path, format = library.recordings.playable(library.recordings.find(stem[:recording_id]))
      send_sound path, References::AUDIO_TYPES.fetch(format, "application/octet-stream")
    end

    post "/references/:id/score" do |id|
      reference = reference_of(id)
      check_size(Ethoscope::Midi::ScoreReader::MAX_BYTES)
      score = library.import_score(reference, request.body.read.to_s, upload_name)
      derived(reference, { score: }, 201)
    end

    patch "/references/:id/score" do |id|
      reference = reference_of(id)
      derived(reference, score: library.scores.update(reference[:id], input(Schemas::ScoreRoles)[:roles].to_h { |entry| [entry[:name], entry[:role]] }))
    end

    post "/references/:id/score/place" do |id|
      reference = reference_of(id)
      wanted = input(Schemas::ScorePlace)
      at = wanted[:at] || (wanted[:bar] && timeline_of(reference).seconds(wanted[:bar]))
      raise Problem.new(422, "invalid", "Say at which bar or second of the song that bar lies.", "bar") unless at

      derived(reference, score: library.scores.lay(reference[:id], { file_bar: wanted[:file_bar], at: at.round(4) }))
    end

    delete "/references/:id/score/place" do |id|
      reference = reference_of(id)
      library.scores.lay(reference[:id], nil)
      derived(reference, {})
    end

    delete "/references/:id/score" do |id|
      reference = reference_of(id)
      library.remove { library.scores.delete(reference[:id]) }
      derived(reference, {})
    end
  end
end
