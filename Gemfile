# frozen_string_literal: true

# The gem registry that this Ruby was built to use, so that its address stands in the lock file alone.
source Gem.default_sources.first

# 1.14 is not parsed by Ruby 3.1.2.
gem "dry-schema", "~> 1.13.0"
gem "midilib", "~> 4.0"
gem "nokogiri", "~> 1.17.2"
gem "numo-linalg-alt", "~> 0.10.0"
gem "numo-narray-alt", "~> 0.9.14"
gem "numo-pocketfft", "~> 0.7.0"
gem "puma", "~> 6.6"
gem "rackup", "~> 2.2"
gem "rake", "~> 13.0"
gem "rubyzip", "< 3"
gem "sequel", "~> 5.110"
gem "sinatra", "~> 4.1"
gem "sqlite3", "~> 1.7.3"
gem "zeitwerk", "~> 2.6.0"

group :development, :test do
  gem "capybara", "~> 3.40"
  gem "minitest", "~> 5.25"
  gem "rack-test", "~> 2.2"
  gem "rubocop", "~> 1.80"
  gem "rubocop-minitest", "~> 0.38"
  gem "rubocop-performance", "~> 1.26"
  gem "rubocop-rake", "~> 0.7"
  gem "rubocop-sequel", "~> 0.4"
  gem "selenium-webdriver", ">= 4.20"
end
