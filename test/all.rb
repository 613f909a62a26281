# frozen_string_literal: true

# Runs every test: ruby test/all.rb, or only those whose path holds a word: ruby test/all.rb browser. With 1/2 every second file of those,
# with 2/2 the others, so that two processes share them.
require_relative "test_helper"

PART = %r{\A(\d)/(\d)\z}
words = ARGV.grep_v(/\A-/).grep_v(PART)
part, parts = ARGV.filter_map { |word| word.match(PART) }.first&.captures&.map(&:to_i) || [1, 1]
files = Dir.glob(File.join(__dir__, "**", "*_test.rb")).select { |file| words.empty? || words.any? { |word| file.include?(word) } }
files.each_with_index { |file, place| require file if place % parts == part - 1 }
ARGV.replace(ARGV.grep(/\A-/))
