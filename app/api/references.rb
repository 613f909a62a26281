# frozen_string_literal: true

module Api
  # One reference: its analysis, readings, notes, sound and exports.
  class References < Base
    helpers do
      def reference_of(id) = library.references.find(id.to_i)

      def analysis_of(reference)
        _, analysis = library.analyses.finished(reference[:recording_id])
        analysis || raise(Problem.new(409, "not_analysed", "This reference has no finished analysis yet."))
      end

      def current_ids(reference) = library.readings.current(reference[:id]).transform_values { |reading| reading[:id] }

      def download(name, extension)
        plain = name.unicode_normalize(:nfkd).encode("US-ASCII", invalid: :replace, undef: :replace, replace: "")
        base = plain.gsub(/[^\w -]/, "").strip
        attachment("#{base.empty? ? "ethoscope" : base}.#{extension}")
      end

      def bars_in_song(reference, wanted)
        last = analysis_of(reference).bars
        return wanted if wanted[:last_bar].between?(wanted[:first_bar], last)

        raise Problem.new(422, "invalid", "Bars run from 1 to #{last}, the first before the last.", "last_bar")
      end
    end

    get "/references/:id" do |id|
      reference = reference_of(id)
      _, analysis = library.analyses.finished(reference[:recording_id])
      answer(reference: reference.merge(run: library.analyses.latest(reference[:recording_id])), analysis: analysis&.to_h,
        readings: library.readings.of_reference(reference[:id]), current: current_ids(reference))
    end

    patch("/references/:id") { |id| answer(reference: library.references.update(id.to_i, input(Schemas::ReferenceChange))) }

    delete "/references/:id" do |id|
      library.references.delete(id.to_i)
      answer({})
    end

    post "/references/:id/analyses" do |id|
      run = library.analyses.queue(reference_of(id)[:recording_id])
      settings.bulletin.publish
      answer({ analysis: run }, 202)
    end

    get "/references/:id/audio" do |id|
      path, format = library.recordings.playable(library.recordings.find(reference_of(id)[:recording_id]))
      send_file path, type: AUDIO_TYPES.fetch(format, "application/octet-stream"), disposition: :inline
    end

    AUDIO_TYPES = { "wav" => "audio/wav", "flac" => "audio/flac", "mp3" => "audio/mpeg", "ogg" => "audio/ogg", "mov" => "audio/mp4",
                    "aac" => "audio/aac", "aiff" => "audio/aiff" }.freeze

    get "/references/:id/analysis.json" do |id|
      reference = reference_of(id)
      analysis = analysis_of(reference)
      download(reference[:title], "json")
      content_type :json
      JSON.pretty_generate(analysis.to_h)
    end

    get "/references/:id/song.mid" do |id|
      reference = reference_of(id)
      bytes = Ethoscope::Midi::SongFile.new(analysis_of(reference), reference[:title]).to_s
      download(reference[:title], "mid")
      content_type "audio/midi"
      bytes
    end

    get "/references/:id/sections.csv" do |id|
      reference = reference_of(id)
      text = Ethoscope::Export::SectionsCsv.write(analysis_of(reference))
      download("#{reference[:title]} sections", "csv")
      content_type "text/csv", charset: "utf-8"
      text
    end

    post "/references/:id/layers" do |id|
      reference = reference_of(id)
      name = input(Schemas::NewLayer)[:name].strip
      value = { name:, cells: [0] * analysis_of(reference).bars }
      reading = library.readings.note(reference[:id], aspect: "layer", value:, statement: name, source: "heard")
      answer({ reading: }, 201)
    end

    post "/readings/:id/cells" do |id|
      reading = library.readings.find(id.to_i)
      raise Problem.new(422, "invalid", "Only layers that you added can be painted.") unless reading[:aspect] == "layer"

      paint = bars_in_song(library.references.find(reading[:reference_id]), input(Schemas::Paint))
      cells = reading[:value][:cells].dup
      (paint[:first_bar]..paint[:last_bar]).each { |bar| cells[bar - 1] = paint[:level] }
      answer(reading: library.readings.revise(reading[:id], reading[:value].merge(cells:)))
    end

    post "/references/:id/techniques" do |id|
      reference = reference_of(id)
      wanted = bars_in_song(reference, input(Schemas::NewTechnique))
      reading = library.readings.note(reference[:id], aspect: "technique", value: { name: wanted[:name] }, statement: wanted[:name], source: "heard",
        note: wanted[:note].to_s, **wanted.slice(:first_bar, :last_bar))
      answer({ reading: }, 201)
    end

    patch("/readings/:id") { |id| answer(reading: library.readings.mark(id.to_i, input(Schemas::ReadingState)[:state])) }

    delete "/readings/:id" do |id|
      library.readings.delete(id.to_i)
      answer({})
    end

    post "/readings/:id/corrections" do |id|
      wanted = input(Schemas::Correction)
      value = wanted[:value].transform_keys(&:to_sym)
      answer(
        { reading: library.readings.correct(id.to_i, value:, source: wanted[:source] || "heard", note: wanted[:note].to_s) }, 201
      )
    end
  end
end
