# frozen_string_literal: true

require_relative "bench/clock"
require_relative "bench/ear"
require_relative "bench/speed"

namespace :bench do
  desc "Score the engine on a folder of songs with known truth, beside the last figures: rake bench:ear[FOLDER]"
  task(:ear, [:folder]) { |_, arguments| Bench::Ear.new(arguments.fetch(:folder, "../shared/corpus")).run }

  desc "Processor seconds by stage against decoding and one transform, on one thread: rake bench:speed[FILE]"
  task(:speed, [:file]) { |_, arguments| Bench::Speed.new(arguments[:file]).run }

  desc "How much faster a folder is on two processes than on one: rake bench:cores[FOLDER]"
  task(:cores, [:folder]) { |_, arguments| Bench::Ear.new(arguments.fetch(:folder, "demo/audio")).cores }
end
