# frozen_string_literal: true

require "rack/mock"
require "stringio"
require "tmpdir"

module Bench
  # How long a study of many references takes: its data, its profile's and a sheet's, first and again, and until their pages show in headless Chromium.
  class Catalogue
    HOST = { "HTTP_HOST" => "127.0.0.1" }.freeze
    SONGS = File.expand_path("../../demo/audio/*.ogg", __dir__)
    # Every so many songs somebody confirmed the tempo and pinned a mark.
    SPOKEN_OF = 4
    # Asked so often; the median counts.
    ROUNDS = 5
    POLL = 0.005

    # @param count [Integer] references
    def initialize(count)
      @count = count
    end

    # Prints a table.
    def run
      Dir.mktmpdir("ethoscope-bench") do |home|
        fill(home)
        data(home)
        pages(home)
      end
    end

    private

    def fill(home)
      library = Store::Library.new(home)
      analyses = Dir.glob(SONGS).map { |path| Ethoscope::Analysis.of(Ethoscope::Audio::Decoder.new(path).decode) }
      study = library.studies.create(title: "Catalogue", aim: "style")
      @count.times { |i| add(library, study, analyses[i % analyses.size], i) }
      @study = study[:id]
      @reference = library.references.of_study(study[:id]).last[:id]
      library.db.disconnect
    end

    def add(library, study, analysis, number)
      recording = library.recordings.keep(StringIO.new("song #{number}")) { { format: "ogg", duration: analysis.fetch(:duration) } }
      reference = library.references.create(study_id: study[:id], recording:, title: "Song #{number + 1}", artist: nil, original_name: "song.ogg")
      library.analyses.finish(library.analyses.queue(recording[:id])[:id], JSON.generate(analysis.to_h))
      speak(library, reference) if (number % SPOKEN_OF).zero?
      library.follow(reference)
    end

    def speak(library, reference)
      library.journal.record(reference[:id], "Confirm tempo") { |readings| readings.mark(library.readings.current(reference[:id])["tempo"][:id], "confirmed") }
      library.journal.record(reference[:id], "Mark") do |readings|
        readings.note(reference[:id], { aspect: "mark", value: { type: "idea", text: "a bell here" }, statement: "a bell here", source: "heard", starts_at: 4.0, ends_at: 8.0 })
      end
    end

    # First: what a server that was just started answers; again: what it answers then.
    def data(home)
      puts "| data of #{@count} references | first, ms | again, ms | after an edit, ms | kB |", "|---|---|---|---|---|"
      { "study" => "/api/studies/#{@study}", "profile" => "/api/studies/#{@study}/profile", "sheet" => "/api/references/#{@reference}" }.each do |name, path|
        library = Store::Library.new(home)
        app = Rack::MockRequest.new(Api::Server.app(library, Jobs::Bulletin.new))
        first = timed { app.get(path, HOST) }
        again = Array.new(ROUNDS) { timed { app.get(path, HOST) } }.sort[ROUNDS / 2]
        speak(library, library.references.find(@reference))
        library.follow(library.references.find(@reference))
        puts "| #{name} | #{first} | #{again} | #{timed { app.get(path, HOST) }} | #{app.get(path, HOST).body.bytesize / 1024} |"
        library.db.disconnect
      end
    end

    def pages(home)
      require_relative "../../test/support/chromium"
      library = Store::Library.new(home)
      Capybara.app = Api::Server.app(library, Jobs::Bulletin.new)
      browser = Capybara::Session.new(:chromium, Capybara.app)
      browser.visit("/")
      puts "", "| page | first, ms | again, ms |", "|---|---|---|"
      { "study" => ["/studies/#{@study}", "main table", "Song #{@count}"], "profile" => ["/studies/#{@study}/profile", "main ol", "Song #{@count}"],
        "sheet" => ["/studies/#{@study}/references/#{@reference}", "[data-testid=sheet]", "Energy"] }.each do |name, place|
        first = shown(browser, *place)
        puts "| #{name} | #{first} | #{Array.new(ROUNDS) { shown(browser, *place) }.sort[ROUNDS / 2]} |"
      end
      library.db.disconnect
    end

    # From asking for the page until what it is about can be read and a frame with it is drawn.
    def shown(browser, path, place, text)
      browser.visit("about:blank")
      timed do
        browser.visit(path)
        sleep POLL until browser.evaluate_script("[...document.querySelectorAll(#{JSON.generate(place)})].some((part) => part.innerText.includes(#{JSON.generate(text)}))")
        browser.evaluate_async_script("const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => done(true)))")
      end
    end

    def timed
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      yield
      ((Process.clock_gettime(Process::CLOCK_MONOTONIC) - started) * 1000).round
    end
  end
end
