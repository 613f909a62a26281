# frozen_string_literal: true

module Api
  # What helps to decide: reading a chord symbol, a tempo from taps, the struck and steady parts of a recording.
  class Tools < Base
    helpers do
      def recording_of(id) = library.recordings.find(reference_of(id)[:recording_id])

      def separation(recording)
        run = library.separations.find(recording[:id])
        { state: run&.fetch(:state) || "none", progress: run&.fetch(:progress) || 0.0, error: run&.fetch(:error) }
      end
    end

    # Asked with every letter that is typed, so what can't be read yet is an answer, not an error.
    get "/references/:id/chord" do |id|
      wanted = asked(Schemas::ChordQuestion)
      key = Ethoscope::Sheet::LocalKeys.new(sheet_of(reference_of(id)).analysis.to_h).at(wanted[:bar] || 1)
      answer(chord: Ethoscope::Sheet::ChordReading.of(wanted[:symbol], key), problem: nil)
    rescue Ethoscope::Errors::UnreadableChord => e
      answer(chord: nil, problem: "#{e.message[0].upcase}#{e.message[1..]}.")
    end

    get "/references/:id/scale" do |id|
      key = Ethoscope::Harmony::Key.named(*asked(Schemas::KeyQuestion).values_at(:tonic, :mode))
      answer(scale: Ethoscope::Sheet::ScaleUse.new(sheet_of(reference_of(id)).analysis.to_h, key).to_h)
    end

    post "/references/:id/taps" do |id|
      tapped = Ethoscope::Calculators::TapTempo.fit(input(Schemas::Taps)[:times])
      candidates = sheet_of(reference_of(id)).analysis.fetch(:tempo)[:candidates]
      nearest = candidates.min_by { |candidate| Math.log(candidate[:bpm] / tapped.bpm).abs }
      answer(tapped: tapped.to_h.merge(nearest: nearest && nearest[:bpm]))
    end

    get("/references/:id/parts") { |id| answer(separation: separation(recording_of(id))) }

    post "/references/:id/parts" do |id|
      recording = recording_of(id)
      library.separations.queue(recording[:id])
      settings.bulletin.publish
      answer({ separation: separation(recording) }, 202)
    end

    get "/references/:id/parts/:part" do |id, part|
      path = library.recordings.part_path(recording_of(id), Store::Separations::PARTS.find { |name| name == part } || raise(Store::Missing, "There is no such part."))
      raise Store::Missing, "This part is not separated yet." unless File.exist?(path)

      send_sound path, "audio/flac"
    end
  end
end
