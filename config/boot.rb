# frozen_string_literal: true

# Loads the core and makes the application's classes known; nothing is started here.
ENV["BUNDLE_GEMFILE"] ||= File.expand_path("../Gemfile", __dir__)
require "bundler/setup"
$LOAD_PATH.unshift(File.expand_path("../lib", __dir__))
require "ethoscope"

APP_LOADER = Zeitwerk::Loader.new.tap do |loader|
  loader.push_dir(File.expand_path("../app", __dir__))
  loader.inflector.inflect("cli" => "Cli", "api" => "Api")
  loader.setup
end
