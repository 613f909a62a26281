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
    POLL = 0.05
    # A page that does not show what it is about for so long never will, seconds.
    PATIENCE = 60
    WATCH = <<~JS
      const look = () => {
        const there = [...document.querySelectorAll(%<place>s)].some((part) => part.textContent.includes(%<text>s));
        requestAnimationFrame(() => (there ? (window.shownAt = performance.now()) : look()));
      };
      look();
    JS

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
      library.song(reference)
    end

    def speak(library, reference)
      library.journal.record(reference[:id], "Confirm tempo") { |readings| readings.mark(library.readings.current(reference[:id])["tempo"][:id], "confirmed") }
      library.journal.record(reference[:id], "Mark") do |readings|
        readings.note(reference[:id], { aspect: "mark", value: { type: "idea", text: "a bell here" }, statement: "a bell here", source: "heard", starts_at: 4.0, ends_at: 8.0 })
      end
    end

    # First: what was never asked before. Restarted: what a server that was just started answers when it was. Then again, and after an edit.
    def data(home)
      Ethoscope::Profile::Baseline.shipped
      puts "| data of #{@count} references | first, ms | restarted, ms | again, ms | after an edit, ms | kB |", "|---|---|---|---|---|---|"
      { "study" => "/api/studies/#{@study}", "profile" => "/api/studies/#{@study}/profile", "sheet" => "/api/references/#{@reference}" }.each do |name, path|
        first = asked(home, path).first
        restarted, again, edited, size = asked(home, path)
        puts "| #{name} | #{[first, restarted, again, edited, size].join(" | ")} |"
      end
    end

    # By a server of its own: the first time, the median of more, the time after an edit, and the size.
    def asked(home, path)
      library = Store::Library.new(home)
      app = Rack::MockRequest.new(Api::Server.app(library, Jobs::Bulletin.new))
      times = [timed { app.get(path, HOST) }, Array.new(ROUNDS) { timed { app.get(path, HOST) } }.sort[ROUNDS / 2]]
      speak(library, library.references.find(@reference))
      library.follow(library.references.find(@reference))
      edited = timed { app.get(path, HOST) }
      [*times, edited, app.get(path, HOST).body.bytesize / 1024]
    ensure
      library.db.disconnect
    end

    def pages(home)
      require_relative "../../test/support/chromium"
      library = Store::Library.new(home)
      Capybara.app = Api::Server.app(library, Jobs::Bulletin.new)
      browser = Capybara::Session.new(:chromium, Capybara.app)
      browser.visit("/")
      puts "", "| page | first, ms | again, ms |", "|---|---|---|"
      { "study" => ["/studies/#{@study}", "main table", "Song 1"], "profile" => ["/studies/#{@study}/profile", "main table", "of #{@count}"],
        "sheet" => ["/studies/#{@study}/references/#{@reference}", "[data-testid=sheet]", "Energy"] }.each do |name, place|
        first = shown(browser, *place)
        puts "| #{name} | #{first} | #{Array.new(ROUNDS) { shown(browser, *place) }.sort[ROUNDS / 2]} |"
      end
      library.db.disconnect
    end

    # From asking for the page until what it is about can be read and a frame with it is drawn, by the page's own clock.
    def shown(browser, path, place, text)
      watch = browser.driver.browser.execute_cdp("Page.addScriptToEvaluateOnNewDocument", source: format(WATCH, place: JSON.generate(place), text: JSON.generate(text)))
      browser.visit(path)
      at = seen(browser) or raise "#{path} shows no “#{text}” in #{place} after #{PATIENCE} s."
      browser.driver.browser.execute_cdp("Page.removeScriptToEvaluateOnNewDocument", identifier: watch["identifier"])
      at.round
    end

    def seen(browser)
      (PATIENCE / POLL).to_i.times { browser.evaluate_script("window.shownAt")&.then { |at| return at } || sleep(POLL) }
      nil
    end

    def timed
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      yield
      ((Process.clock_gettime(Process::CLOCK_MONOTONIC) - started) * 1000).round
    end
  end
end
