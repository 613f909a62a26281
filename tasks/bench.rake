# frozen_string_literal: true

require_relative "bench/attempts"
require_relative "bench/catalogue"
require_relative "bench/checklists"
require_relative "bench/clock"
require_relative "bench/ear"
require_relative "bench/lines"
require_relative "bench/profiles"
require_relative "bench/rebuild"
require_relative "bench/sheet"
require_relative "bench/speed"

namespace :bench do
  desc "Score the engine on a folder of songs with known truth, beside the last figures: rake bench:ear[FOLDER]"
  task(:ear, [:folder]) { |_, arguments| Bench::Ear.new(arguments.fetch(:folder, "../shared/corpus")).run }

  desc "The same with stems and MIDI where they stand beside the songs: rake bench:ensemble[FOLDER]"
  task(:ensemble, [:folder]) { |_, arguments| Bench::Ear.new(arguments.fetch(:folder, "../shared/corpus"), beside: true).run }

  desc "Notes of the bass on the mix, and of monophonic stems, against the MIDI files of a corpus folder: rake bench:lines[FOLDER]"
  task(:lines, [:folder] => "learn:load") { |_, arguments| Bench::Lines.new(arguments.fetch(:folder, "../shared/corpus")).run }

  desc "Profiles of four generated songs of one style beside four of another, against their truth: rake bench:profile[FOLDER]"
  task(:profile, [:folder] => "learn:load") { |_, arguments| Bench::Profiles.new(arguments.fetch(:folder)).run }

  desc "Comparisons of a folder of pairs (NAME.ref.*, NAME.try.*), for the corpus' scorer: rake bench:attempts[PAIRS,RESULTS]"
  task(:attempts, %i[pairs results]) { |_, arguments| Bench::Attempts.new(arguments.fetch(:pairs), arguments.fetch(:results)).run }

  desc "Processor seconds by stage against decoding and one transform, on one thread: rake bench:speed[FILE]"
  task(:speed, [:file]) { |_, arguments| Bench::Speed.new(arguments[:file]).run }

  desc "Frames per second of the sheet of a song of 200 bars, while it scrolls and zooms, in headless Chromium"
  task(:sheet) { Bench::Sheet.new.run }

  desc "Study, profile and sheet of a study of many references, data and pages: rake bench:catalogue[COUNT]"
  task(:catalogue, [:count]) { |_, arguments| Bench::Catalogue.new(Integer(arguments.fetch(:count, 200))).run }

  desc "Of statements made at some confidence, how many are right: rake bench:reliability[FOLDER]"
  task(:reliability, [:folder] => "learn:load") do |_, arguments|
    measured = Learning::Corpus.new(*arguments.to_a).map { |song| Learning::ConfidenceLearner.measure(song, confidence: Ethoscope::Engine::Confidence.shipped) }
    puts "| statement | stated | how many | mean stated | right |", "|---|---|---|---|---|"
    Learning::ConfidenceLearner.new(measured).reliability.each { |row| puts "| #{row.map { |cell| cell.is_a?(Float) ? cell.round(2) : cell }.join(" | ")} |" }
  end

  desc "How much faster a folder is on two cores than on one: rake bench:cores[FOLDER]"
  task(:cores, [:folder]) { |_, arguments| Bench::Ear.new(arguments.fetch(:folder, "demo/audio")).cores }
end
