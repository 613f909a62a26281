# frozen_string_literal: true

module Api
  # One reference: its sheet, sound and exports.
  class References < Base
    helpers do
      def settled(reference) = sheet_of(reference).settled

      def download(name, extension)
        plain = name.unicode_normalize(:nfkd).encode("US-ASCII", invalid: :replace, undef: :replace, replace: "")
        base = plain.gsub(/[^\w -]/, "").strip
        attachment("#{base.empty? ? "ethoscope" : base}.#{extension}")
      end
    end

    # A derivation that is missing (another window asked for another one meanwhile, or the engine is newer) is asked for again.
    get "/references/:id" do |id|
      reference = reference_of(id)
      settings.bulletin.publish if library.derivation(reference).nil? && library.derive(reference)
      page = SheetPage.new(library, reference)
      content_type :json
      kept.keep(page.stamp) { JSON.generate(page.to_h) }
    end

    patch("/references/:id") { |id| answer(reference: library.references.update(number(id), input(Schemas::ReferenceChange))) }

    delete "/references/:id" do |id|
      library.remove { library.references.delete(number(id)) }
      settings.bulletin.publish
      answer({})
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

    AUDIO_TYPES = { "wav" => "audio/wav", "flac" => "audio/flac", "mp3" => "audio/mpeg", "ogg" => "audio/ogg", "mov" => "audio/mp4",
                    "aac" => "audio/aac", "aiff" => "audio/aiff" }.freeze

    get "/references/:id/analysis.json" do |id|
      reference = reference_of(id)
      analysis = settled(reference)
      download(reference[:title], "json")
      content_type :json
      JSON.pretty_generate(analysis.to_h)
    end

    get "/references/:id/song.mid" do |id|
      reference = reference_of(id)
      bytes = Ethoscope::Midi::SongFile.new(settled(reference), reference[:title]).to_s
      download(reference[:title], "mid")
      content_type "audio/midi"
      bytes
    end

    get "/references/:id/sections.csv" do |id|
      reference = reference_of(id)
      text = Ethoscope::Export::SectionsCsv.write(settled(reference))
      download("#{reference[:title]} sections", "csv")
      content_type "text/csv", charset: "utf-8"
      text
    end
  end
end
