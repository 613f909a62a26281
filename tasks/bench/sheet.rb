# frozen_string_literal: true

require "tmpdir"

module Bench
  # How smoothly the sheet of a long song moves in headless Chromium: frames while it scrolls and while it changes its zoom.
  class Sheet
    # Six minutes of 4/4: verses and choruses of eight bars.
    BARS = 200
    BPM = 133
    # Records the time of every frame while something is done for so many frames, and gives them back in milliseconds.
    FRAMES = <<~JS
      const [kind, count, done] = [arguments[0], arguments[1], arguments[arguments.length - 1]];
      const sheet = document.querySelector("[data-testid=sheet]");
      const times = [];
      const frame = (time) => {
        times.push(time);
        if (times.length > count) return done(times.slice(1).map((at, index) => at - times[index]));
        if (kind === "scroll") sheet.scrollLeft = (sheet.scrollWidth - sheet.clientWidth) * (0.5 - 0.5 * Math.cos(times.length / 20));
        if (kind === "zoom" && times.length % 10 === 0) document.body.dispatchEvent(new KeyboardEvent("keydown", { key: "z", bubbles: true }));
        requestAnimationFrame(frame);
      };
      requestAnimationFrame(frame);
    JS

    # Prints frames per second: the mean, and that of the slowest frames.
    def run
      Dir.mktmpdir("ethoscope-bench") do |home|
        @library = Store::Library.new(home)
        reference = import
        browse(reference)
        @library.db.disconnect
      end
    end

    private

    def import
      require_relative "../../test/support/band"
      require_relative "../../test/support/sound_file"
      band = Band.new(bpm: BPM)
      (BARS / 8).times { |i| band.bars(8, chords: i.even? ? %w[Am F C G] : %w[Dm E7 Am G], gain: i.even? ? 1.0 : 1.5, **Band::BACKBEAT) }
      path = SoundFile.write(band.recording, File.join(@library.home, "long.wav"))
      study = @library.studies.create(title: "Long", aim: "study")
      reference = File.open(path, "rb") { |file| @library.import(study[:id], file, "long.wav") }
      run = @library.analyses.claim
      analysis = Ethoscope::Analysis.of(band.recording)
      @library.analyses.finish(run[:id], JSON.generate(analysis.to_h))
      puts "#{analysis.bars} bars, #{analysis.fetch(:chords).size} chords, #{analysis.fetch(:sections).size} sections, #{(analysis.fetch(:duration) / 60).round(1)} minutes"
      reference
    end

    def browse(reference)
      require_relative "../../test/support/chromium"
      Capybara.app = Api::Server.app(@library, Jobs::Bulletin.new)
      browser = Capybara::Session.new(:chromium, Capybara.app)
      browser.driver.browser.execute_cdp("Emulation.setDeviceMetricsOverride", width: 1280, height: 800, deviceScaleFactor: 1, mobile: false)
      browser.driver.browser.manage.timeouts.script_timeout = 60
      browser.visit("/studies/#{reference[:study_id]}/references/#{reference[:id]}")
      browser.find("h1", text: "long")
      browser.send_keys("z")
      report("scrolling, sixteen bars to the screen", frames(browser, "scroll"))
      browser.send_keys("z")
      report("scrolling, four bars to the screen", frames(browser, "scroll"))
      report("changing the zoom every tenth frame", frames(browser, "zoom"))
    end

    def frames(browser, kind)
      browser.driver.browser.execute_async_script(FRAMES, kind, 300)
    end

    def report(name, times)
      sorted = times.sort
      puts format("%<name>-40s mean %<mean>5.1f fps, 95 %% of frames over %<most>5.1f fps, slowest frame %<worst>5.1f ms", name:, mean: 1000 * times.size / times.sum,
        most: 1000 / sorted[(sorted.size * 0.95).floor], worst: sorted.last)
    end
  end
end
