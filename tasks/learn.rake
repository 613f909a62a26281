# frozen_string_literal: true

require "yaml"

# Learns the tables of the engine from songs with known truth: rake learn:chords[FOLDER,FOLDER] and so on, in the order in which
# they stand here, for each builds on the tables before it. The tables are only printed; whoever learns them measures
# what they do to songs that they were not learnt from (docs/accuracy.md) before replacing anything.
namespace :learn do
  desc "Load the learners"
  task :load do
    ENV["OPENBLAS_NUM_THREADS"] ||= "1"
    Dir[File.join(__dir__, "learning", "*.rb")].each { |file| require file }
  end

  learn = lambda do |learner, arguments, **before|
    measured = Learning::Corpus.new(*arguments.to_a).map { |song| learner.measure(song) }
    warn "#{measured.size} songs"
    learner.new(measured.compact, **before).learn
  end

  desc "Network of Harmony::ChordModel, going on from the one that ships"
  task(:chords, [:folder] => :load) do |_, arguments|
    puts learn.call(Learning::ChordLearner, arguments, from: Ethoscope::Signal::WeightTable.read(Ethoscope::Harmony::ChordModel::WEIGHTS_FILE)).to_csv
  end

  {
    bars: ["Weights of Rhythm::BarModel", -> { Learning::BarLearner }],
    keys: ["Weights of Harmony::KeyModel", -> { Learning::KeyLearner }],
    strokes: ["Network of Rhythm::StrokeModel", -> { Learning::StrokeLearner }],
    attacks: ["Network of Rhythm::BassAttacks; of songs with NAME.mid beside them", -> { Learning::AttackLearner }],
    context: ["Network of Rhythm::StrokeContext; of songs with NAME.mid beside them", -> { Learning::ContextLearner }],
    boundaries: ["Network of Form::BoundaryModel", -> { Learning::BoundaryLearner }],
    labels: ["Weights of Form::Likeness", -> { Learning::LabelLearner }],
    voice: ["Network of Layers::VoiceModel", -> { Learning::VoiceLearner }],
    octaves: ["Weights of Techniques::OctaveModel", -> { Learning::OctaveLearner }]
  }.each do |name, (table, learner)|
    desc table
    task(name, [:folder] => :load) { |_, arguments| puts learn.call(learner.call, arguments).to_csv }
  end

  desc "Curves of Layers::Activity"
  task(:layers, [:folder] => :load) { |_, arguments| puts YAML.dump(learn.call(Learning::LayerLearner, arguments)) }

  desc "Curves of Engine::Confidence; from songs that taught nothing else"
  task(:confidence, [:folder] => :load) { |_, arguments| puts YAML.dump(learn.call(Learning::ConfidenceLearner, arguments)) }

  traits = ->(arguments) { Learning::TraitLearner.new(Learning::Corpus.new(*arguments.to_a).map { |song| Learning::TraitLearner.measure(song) }) }

  desc "Other music, beside which a profile is told (lib/ethoscope/profile/baseline.csv)"
  task(:baseline, [:folder] => :load) { |_, arguments| puts traits.call(arguments).baseline }

  desc "How often what is heard of a trait is so (lib/ethoscope/profile/reliability.csv)"
  task(:traits, [:folder] => :load) { |_, arguments| puts traits.call(arguments).reliability }
end
