# frozen_string_literal: true

require "capybara/minitest"
require_relative "chromium"

# A person in front of the application: the whole of it, with background work, on a data directory of its own.
class BrowserCase < Ethoscope::TestCase
  include Capybara::DSL
  include Capybara::Minitest::Assertions
  include Application

  # One server and one browser for all tests: Capybara starts another of each for every application that it is given.
  class Stage
    class << self
      attr_accessor :app
    end

    def self.call(env) = app.call(env)
  end

  def setup
    Stage.app = app
    Capybara.app = Stage
    Capybara.current_driver = :chromium
    @dispatcher = Jobs::Dispatcher.new(library, bulletin).start
    size(1280, 800)
  end

  def teardown
    errors = page.driver.browser.logs.get(:browser).select { |entry| entry.level == "SEVERE" }.map(&:message)
    expected = @expected_errors || /\A\z/

    assert_empty(errors.grep_v(expected))
  ensure
    Capybara.reset_sessions!
    @dispatcher.stop
    super
  end

  WORDS = JSON.parse(File.read(File.expand_path("../../web/src/words/words.json", __dir__)))

  # What a button, a head or a field is called, by its id: words may change without a test.
  def w(id) = WORDS.fetch(id.to_s.gsub(/_(\w)/) { Regexp.last_match(1).upcase })

  # Opens a part of a card that is folded; what was opened stays open on other cards.
  def unfold(id)
    fold = find("aside details", text: w(id), match: :first)
    fold.find("summary").click unless fold.matches_css?("[open]")
  end

  # Answers that a test provokes are logged by the browser; they are no fault.
  def expect_log(pattern) = @expected_errors = pattern

  def size(width, height)
    page.driver.browser.execute_cdp("Emulation.setDeviceMetricsOverride", width:, height:, deviceScaleFactor: 1, mobile: false)
  end

  # Keys that go to whatever has the focus, one after another; several at once as a list, such as [:control, "z"].
  def press(*keys) = keys.each { |key| strike(key) }

  # What has the focus may be drawn anew before the key gets there; then nothing was struck yet.
  def strike(key, tries: 3)
    page.send_keys(key)
  rescue Selenium::WebDriver::Error::StaleElementReferenceError
    raise if (tries -= 1).zero?

    retry
  end

  def new_study(**fields) = library.studies.create({ title: "Study", aim: "style" }.merge(fields))

  # A reference in the study, with the fixture's analysis as if it had been measured.
  def analysed(study, title = "Fixture", analysis = Fixture.analysis)
    @bytes = (@bytes || 0) + 1
    sound = File.binread(Fixture.wav).tap { |bytes| bytes.setbyte(2000, @bytes) }
    recording = library.recordings.keep(StringIO.new(sound)) { { format: "wav", duration: analysis.fetch(:duration) } }
    id = library.db[:analyses].insert(recording_id: recording[:id], state: "running", created_at: "2026-01-01")
    Fixture.keep_features(library, recording) if analysis.equal?(Fixture.analysis)
    reference = library.references.create(study_id: study[:id], recording:, title:, artist: "The Fixtures", original_name: "fixture.wav")
    library.analyses.finish(id, JSON.generate(analysis.to_h))
    reference
  end

  def sheet_of(reference) = "/studies/#{reference[:study_id]}/references/#{reference[:id]}"

  # Opens the sheet of a fresh reference.
  def open_sheet
    @reference = analysed(new_study)
    visit sheet_of(@reference)
    find("h1", text: "Fixture")
    find("[data-testid=sheet]")
  end

  # As if a person had put the tempo right and it had been worked in.
  def put_tempo_right(bpm)
    id = library.readings.current(@reference[:id])["tempo"][:id]
    library.journal.record(@reference[:id], "Correct tempo") { |readings| readings.correct(id, value: { bpm: }, source: "heard") }
    analysis = Ethoscope::Analysis.of(features: Fixture.features, corrections: Ethoscope::Corrections.of(bpm:))
    terms = Store::Terms.new(corrections: Ethoscope::Corrections.arguments(library.readings.corrections(@reference[:id])), sources: {})
    run = library.db[:analyses].insert(recording_id: @reference[:recording_id], state: "running", terms: terms.key, corrections: JSON.generate(bpm:), created_at: "2026-01-01")
    library.analyses.finish(run, JSON.generate(analysis.to_h))
  end
end
