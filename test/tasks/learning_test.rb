# frozen_string_literal: true

require_relative "../test_helper"
%w[corpus bar_learner layer_learner].each { |file| require_relative "../../tasks/learning/#{file}" }

# The learners find weights that are known.
class LearningTest < Ethoscope::TestCase
  FEATURES = Ethoscope::Rhythm::BarFeatures::NAMES.size

  def test_the_bar_learner_finds_the_feature_that_tells_right_from_wrong
    learner = Learning::BarLearner.new(songs(30))
    weights = learner.learn

    assert_equal 30, learner.size
    assert_equal 3, weights.max_index
    assert_operator learner.accuracy(weights:), :>, 0.9
  end

  def test_songs_without_a_right_hypothesis_teach_nothing
    wrong = songs(3).map { |name, features, right| [name, features, right.map { false }] }

    assert_equal 0, Learning::BarLearner.new(wrong).size
  end

  def test_left_out_songs_are_judged_more_often_wrongly_than_those_learnt_from_but_better_than_by_chance
    learner = Learning::BarLearner.new(songs(40))
    left_out = learner.cross_validate

    assert_operator left_out, :<=, learner.accuracy(weights: learner.learn)
    assert_operator left_out, :>, 0.2
  end

  def test_the_layer_learner_finds_a_threshold
    random = Random.new(4)
    rows = Array.new(400) { random.rand(-2.0..2.0).then { |value| [value, 0.0, 0.0, value > 0.5 ? 1.0 : 0.0] } }
    learner = Learning::LayerLearner.new([Learning::LayerLearner::ROLES.keys.to_h { |role| [role, rows] }])
    curves = learner.learn

    assert_in_delta 0.5, -curves["kick"][0] / curves["kick"][1], 0.15
    assert_operator learner.accuracy(curves)["kick"], :>, 0.95
  end

  def test_a_corpus_is_read_in_order_and_worked_by_two
    %w[b a c].each { |name| File.write(File.join(folder, "#{name}.json"), JSON.generate(file: "#{name}.wav", tempo_bpm: 100)) }
    corpus = Learning::Corpus.new(folder)

    assert_equal %w[a b c], corpus.songs.map(&:name)
    assert_equal %w[a b c], corpus.map(&:name)
    assert_equal 100, corpus.songs.first.truth[:tempo_bpm]
  end

  private

  # Ten hypotheses a song, of which the one with the largest fourth feature is right.
  def songs(count)
    random = Random.new(9)
    Array.new(count) do |i|
      features = Array.new(10) { Array.new(FEATURES) { random.rand(-1.0..1.0) } }
      best = features.each_index.max_by { |hypothesis| features[hypothesis][3] }
      ["song #{i}", features, features.each_index.map { |hypothesis| hypothesis == best }]
    end
  end
end
