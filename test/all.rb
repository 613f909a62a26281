# frozen_string_literal: true

# Runs every test: ruby test/all.rb, or only those whose path holds a word: ruby test/all.rb browser.
require_relative "test_helper"

words = ARGV.grep_v(/\A-/)
files = Dir.glob(File.join(__dir__, "**", "*_test.rb"))
files.select { |file| words.empty? || words.any? { |word| file.include?(word) } }.each { |file| require file }
ARGV.replace(ARGV.grep(/\A-/))
