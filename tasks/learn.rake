# frozen_string_literal: true

require "yaml"

# Learns the small tables of the engine from songs with known truth: rake learn:bars[FOLDER]. The tables are only
# printed; whoever learns them compares with what is shipped (docs/accuracy.md says how) before replacing anything.
namespace :learn do
  desc "Load the learners"
  task :load do
    ENV["OPENBLAS_NUM_THREADS"] ||= "1"
    %w[corpus bar_learner layer_learner].each { |file| require_relative "learning/#{file}" }
  end

  desc "Weights of Rhythm::BarModel, with the share of left-out songs that they judge rightly"
  task :bars, [:folder] => :load do |_, arguments|
    corpus = Learning::Corpus.new(arguments.fetch(:folder, "../shared/corpus/train"))
    learner = Learning::BarLearner.new(corpus.map { |song| Learning::BarLearner.measure(song) })
    shipped = Numo::DFloat[*YAML.safe_load_file(Ethoscope::Rhythm::BarModel::WEIGHTS_FILE).values]
    weights = learner.learn
    warn format("%<songs>d songs; right: shipped %<shipped>.3f, learnt %<learnt>.3f, left out %<out>.3f",
      songs: learner.size, shipped: learner.accuracy(weights: shipped), learnt: learner.accuracy(weights:), out: learner.cross_validate)
    puts YAML.dump(Ethoscope::Rhythm::BarFeatures::NAMES.map(&:to_s).zip(weights.to_a.map { |weight| weight.round(3) }).to_h)
  end

  desc "Curves of Layers::Activity, with the share of bars that they judge rightly"
  task :layers, [:folder] => :load do |_, arguments|
    corpus = Learning::Corpus.new(arguments.fetch(:folder, "../shared/corpus/train"))
    learner = Learning::LayerLearner.new(corpus.map { |song| Learning::LayerLearner.measure(song) })
    curves = learner.learn
    warn "shipped #{learner.accuracy(Ethoscope::Layers::Activity.curves)}"
    warn "learnt  #{learner.accuracy(curves)}"
    puts YAML.dump(curves)
  end
end
