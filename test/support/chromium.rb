# frozen_string_literal: true

require "capybara"
require "selenium-webdriver"

# Debian's own headless Chromium; nothing is downloaded.
Capybara.register_driver(:chromium) do |app|
  options = Selenium::WebDriver::Chrome::Options.new(binary: "/usr/bin/chromium")
  %w[--headless=new --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update
     --disable-sync --disable-dev-shm-usage --force-device-scale-factor=1 --hide-scrollbars
     --autoplay-policy=no-user-gesture-required
     --disable-features=BackForwardCache,SpareRendererForSitePerProcess,Translate,OptimizationHints,MediaRouter].each { |flag| options.add_argument(flag) }
  options.add_option("goog:loggingPrefs", { browser: "ALL" })
  service = Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
  Capybara::Selenium::Driver.new(app, browser: :chrome, options:, service:)
end
Capybara.server = :puma, { Silent: true, Threads: "2:12" }
Capybara.default_max_wait_time = 30
# Asking less often leaves the processor to the page that is asked.
Capybara.default_retry_interval = 0.05
Capybara.enable_aria_label = true
