# frozen_string_literal: true

# Learns the tables of attempts from pairs of songs into which known differences were planted: rake learn:differences[FOLDER,FOLDER]. Like those of the engine they are only
# printed (see learn.rake).
namespace :learn do
  pairs = lambda do |arguments|
    ENV["OPENBLAS_NUM_THREADS"] ||= "1"
    Learning::PlantedPairs.new(*arguments.to_a).all
  end

  desc "Networks of Attempts::Odds, from folders of pairs with planted differences (lib/ethoscope/attempts/odds_*.csv)"
  task(:differences, [:folder] => :load) do |_, arguments|
    learner = Learning::DifferenceLearner.new(pairs.call(arguments))
    Ethoscope::Attempts::Odds::STATES.each_key { |name| puts "# odds_#{name}.csv", learner.learn(name).to_csv }
  end

  desc "What measures repeat to, from folders of pairs, and from twelve songs of them against their copies (lib/ethoscope/attempts/repeatability.csv)"
  task(:repeatability, [:folder] => :load) do |_, arguments|
    songs = Learning::PlantedPairs.new(*arguments.to_a).references.first(12)
    puts Learning::RepeatabilityLearner.new(pairs.call(arguments), songs.map { |path, analysis| [analysis, Learning::RepeatabilityLearner.copied(path)] }).to_csv
  end
end
