# frozen_string_literal: true

require "json"

namespace :demo do
  desc "Load the demo scores"
  task :load do
    %w[songs attempts score renderer truth].each { |file| require_relative "../demo/#{file}" }
  end

  desc "Render the demo songs anew (needs Debian's fluidsynth and fluid-soundfont-gm)"
  task render: :load do
    Demo::Songs::ALL.each do |song|
      Demo::Renderer.new(song, File.expand_path("../demo", __dir__)).render
      puts song[:title]
    end
  end

  desc "Render the two tries at one of the demo songs (needs fluidsynth likewise)"
  task attempts: :load do
    mkdir_p File.expand_path("../demo/attempts", __dir__)
    Demo::Attempts::ALL.each { |song| Demo::Renderer.new(song, File.expand_path("../demo", __dir__)).render(into: "attempts") }
  end

  desc "Render the stems of one demo song and write another one as MIDI (needs fluidsynth likewise)"
  task sources: :load do
    folder = File.expand_path("../demo", __dir__)
    mkdir_p File.join(folder, "scores")
    songs = Demo::Songs::ALL.to_h { |song| [song[:name], Demo::Renderer.new(song, folder)] }
    songs.fetch("marsh_telephone").render_stems
    songs.fetch("nine_buckets_down").write_score
  end

  desc "Analyse the songs of the example, so that it opens at once; to be done after every change of the engine"
  task :analyses do
    Work::Example.files.each do |path|
      mkdir_p Work::Example::ANALYSES
      recording = Ethoscope::Audio::Decoder.new(path).decode
      json = JSON.generate(Ethoscope::Analysis.of(recording).to_h)
      File.binwrite(Work::Example.beside(path, "json.gz"), Zlib.gzip(json, level: 9))
      File.binwrite(Work::Example.beside(path, "peaks"), Ethoscope::Audio::Peaks.of(recording))
    end
  end

  desc "Write the truth of the demo songs from their scores"
  task truth: :load do
    Demo::Songs::ALL.each do |song|
      File.write(File.expand_path("../demo/truth/#{song[:name]}.json", __dir__), "#{JSON.pretty_generate(Demo::Truth.new(song).to_h)}\n")
    end
  end
end
