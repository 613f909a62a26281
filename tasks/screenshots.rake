# frozen_string_literal: true

require "fileutils"

# Pictures of every main view from the demo data, as the README shows them.
class Screenshots
  FOLDER = File.expand_path("../docs/screenshots", __dir__)
  SHEET = "/studies/1/references/1"
  # Name, path, size, theme, and what is clicked first.
  VIEWS = [
    ["studies", "/"], ["study", "/studies/1"], ["sheet", "#{SHEET}?reading=key"],
    ["sheet-night", "#{SHEET}?reading=tempo", [1280, 800], "night"],
    ["sheet-bar", "/studies/1/references/2?zoom=bar", [1280, 800], "night", ["bridge"]],
    ["sheet-layer", SHEET, [1280, 800], "day", %w[echo whole]],
    ["layers", "/studies/1/references/2/layers", [1280, 800], "day", ["organ"]], ["sounds", "/studies/1/sounds"],
    ["techniques", "/studies/1/techniques", [1280, 800], "day", ["Half-time backbeat"]],
    ["profile", "/studies/1/profile"], ["comparison-night", "/studies/1/comparison", [1280, 800], "night"],
    ["logbook-night", "/studies/1/logbook", [1280, 800], "night"], ["paper", "#{SHEET}/paper"],
    ["checklist", "/studies/1/checklists/1", [1280, 800], "day", ["Bass in the verse"]],
    ["as-mine", SHEET, [1280, 800], "day", ["as mine"]], ["reckoner", "/studies/1/reckoner?from=1&sentence=sample_to_track"],
    ["attempt", "/studies/1/attempts", [1280, 800], "day"], ["attempt-night", "/studies/1/attempts/1", [1280, 800], "night", ["The bass is missing"]]
  ].freeze

  # @param home [String] a seeded data directory
  def initialize(home)
    require_relative "../test/support/chromium"
    @library = Store::Library.new(home)
    Capybara.app = Api::Server.app(@library, Jobs::Bulletin.new)
    @browser = Capybara::Session.new(:chromium, Capybara.app)
  end

  # Takes them all.
  def take
    FileUtils.mkdir_p(FOLDER)
    VIEWS.each { |name, path, size, theme, clicks| view(name, path, size || [1280, 800], theme || "day", clicks || []) }
  end

  # Takes one.
  def view(name, path, (width, height), theme, clicks)
    @browser.driver.browser.execute_cdp("Emulation.setDeviceMetricsOverride", width:, height:, deviceScaleFactor: 1, mobile: false)
    @browser.visit("/")
    @browser.execute_script("localStorage.clear(); localStorage.setItem('ethoscope-theme', arguments[0])", theme)
    @browser.visit(path)
    # By what they show: a box to tick has a name too, but shows nothing.
    clicks.each { |text| @browser.first("button", text:, minimum: 1).click }
    @browser.find("h1", text: /./)
    # What is still on its way is drawn as an ellipsis of its own.
    raise "#{name} is not loaded" unless @browser.has_no_text?(/^…$/, wait: 20)

    @browser.evaluate_async_script("document.fonts.ready.then(() => setTimeout(arguments[0], 400))")
    @browser.save_screenshot(File.join(FOLDER, "#{name}.png"))
  end
end

namespace :docs do
  desc "Take the pictures in docs/screenshots anew, from a demo data directory: rake docs:screenshots[tmp/demo]"
  task :screenshots, [:home] do |_, arguments|
    Screenshots.new(File.expand_path(arguments.fetch(:home, "tmp/demo"))).take
    empty = File.expand_path("tmp/empty")
    FileUtils.rm_rf(empty)
    Screenshots.new(empty).view("first-start", "/", [1280, 800], "day", [])
    FileUtils.rm_rf(empty)
  end
end
