# frozen_string_literal: true

require_relative "../test_helper"
%w[corpus adam bar_learner key_learner chord_learner boundary_learner label_learner network_learner stroke_learner voice_learner written attack_learner context_learner judge
   layer_learner confidence_learner logistic_learner octave_learner].each do |file|
  require_relative "../../tasks/learning/#{file}"
end

# The learners find weights that are known, and judges judge rightly.
class LearningTest < Ethoscope::TestCase
  Rhythm = Ethoscope::Rhythm
  Harmony = Ethoscope::Harmony

  def test_adam_walks_to_the_lowest_point
    weights = { place: Numo::DFloat[5.0, -3.0] }
    adam = Learning::Adam.new(weights, penalty: 0.0)
    400.times { adam.step({ place: (weights[:place] - Numo::DFloat[1.0, 2.0]) * 2 }, 0.05) }

    assert_in_delta 1.0, weights[:place][0], 0.01
    assert_in_delta 2.0, weights[:place][1], 0.01
  end

  def test_the_bar_learner_finds_the_feature_that_tells_right_from_wrong
    learner = Learning::BarLearner.new(songs(150))
    model = Rhythm::BarModel.new(learner.learn)
    right = songs(10, seed: 77).count do |_, binary, marks|
      rows = Numo::SFloat.from_binary(binary).reshape(marks.size, bar_features).to_a
      hypotheses = rows.each_with_index.map { |features, i| Rhythm::BarHypothesis.new(period: i, meter: nil, first_downbeat: 0.0, features:) }
      marks[model.weigh(hypotheses).first.hypothesis.period]
    end

    assert_equal 150, learner.size
    assert_operator right, :>=, 5 # of ten, by chance one
  end

  def test_songs_without_a_right_hypothesis_teach_nothing
    wrong = songs(2).map { |name, binary, right| [name, binary, right.map { false }] }

    assert_equal 3, Learning::BarLearner.new(wrong + songs(3)).size
  end

  def test_the_key_learner_finds_keys_it_did_not_see
    table = Learning::KeyLearner.new((0..11).flat_map { |tonic| %w[major minor].map { |mode| [key_rows(tonic, mode), tonic, mode] } }).learn
    odds = Harmony::KeyModel.new(table).odds(Numo::DFloat.cast(key_rows(7, "minor", noise: 0.05)))

    assert_equal [7, 1], odds.max_index.divmod(Harmony::KeyModel::MODES.size)
  end

  def test_chords_count_as_the_qualities_that_the_model_knows
    qualities = Harmony::ChordModel::QUALITIES

    assert_equal (9 * qualities.size) + qualities.index("min7"), Learning::ChordLearner.class_of("A:min9/b3")
    assert_equal 12 * qualities.size, Learning::ChordLearner.class_of("N")
    assert_equal(-1, Learning::ChordLearner.class_of("C:5"))
  end

  def test_the_chord_learner_learns_the_notes_of_a_triad
    measured = Array.new(8) { |seed| chord_song(Random.new(seed)) }
    model = Harmony::ChordModel.new(Learning::ChordLearner.new(measured).learn)
    belief = model.log_likelihood(notes([[2, 5, 9]]))

    assert_equal (2 * Harmony::ChordModel::QUALITIES.size) + 1, belief[0, true].max_index
  end

  def test_the_chord_learner_goes_on_from_what_was_learnt_before
    before = Learning::ChordLearner.new(Array.new(8) { |seed| chord_song(Random.new(seed)) }).learn
    after = Learning::ChordLearner.new([chord_song(Random.new(99))], from: before).learn
    changed = (after.block(["bass +0"], ["maj"]) - before.block(["bass +0"], ["maj"])).abs.max

    assert_equal [before.columns, before.rows], [after.columns, after.rows]
    assert_operator changed, :>, 0
    assert_equal (2 * Harmony::ChordModel::QUALITIES.size) + 1, Harmony::ChordModel.new(after).log_likelihood(notes([[2, 5, 9]]))[0, true].max_index
  end

  def test_the_voice_learner_finds_what_tells_a_sung_beat
    names = Ethoscope::Layers::VoiceModel::INPUTS
    random = Random.new(8)
    rows = Array.new(4000) { Array.new(names.size) { random.rand(-1.0..1.0) } }
    sung = rows.map { |row| row[20] > 0.2 ? 1.0 : 0.0 }
    table = Learning::VoiceLearner.new([[rows, sung].map { |values| Numo::SFloat.cast(values).to_binary }]).learn
    likely = Ethoscope::Layers::VoiceModel.new(table).likelihood(Numo::DFloat.cast(rows)).to_a

    assert_operator likely.zip(sung).count { |share, is| (share > 0.5) == (is > 0.5) }, :>, 3400
  end

  def test_the_boundary_learner_finds_what_tells_a_boundary
    names = Ethoscope::Form::BoundaryFeatures::NAMES
    random = Random.new(2)
    rows = Array.new(300) { Array.new(names.size) { random.rand(-1.0..1.0) } }
    wanted = rows.map { |row| row[5] > 0.5 ? 1.0 : 0.0 }
    table = Learning::BoundaryLearner.new([[Numo::SFloat.cast(rows).to_binary, wanted]]).learn
    odds = Ethoscope::Form::BoundaryModel.new(table).log_odds(Numo::DFloat.cast(rows)).to_a

    assert_operator odds.zip(wanted).count { |odd, is| odd.positive? == is.positive? }, :>, 270
  end

  def test_the_label_learner_finds_what_tells_a_return
    names = Ethoscope::Form::Likeness::NAMES
    random = Random.new(3)
    pairs = Array.new(300) { Array.new(names.size) { random.rand(0.0..1.0) }.then { |row| [*row, row[3] < 0.4 ? 1.0 : 0.0] } }
    table = Learning::LabelLearner.new([pairs]).learn
    odds = ->(row) { names.zip(row).sum(table.block(["bias"], ["weight"])[0, 0]) { |name, value| table.block([name], ["weight"])[0, 0] * value } }

    assert_operator pairs.count { |row| odds.call(row).positive? == row.last.positive? }, :>, 280
  end

  def test_the_octave_learner_finds_what_tells_a_part_that_moved
    names = Ethoscope::Techniques::RegisterFeatures::NAMES
    random = Random.new(9)
    pairs = Array.new(300) { Array.new(names.size) { random.rand(0.0..1.0) }.then { |row| [*row, row[0] > 0.7 ? 1.0 : 0.0] } }
    table = Learning::OctaveLearner.new([pairs.first(150), pairs.drop(150)]).learn
    weights = table.block(names, ["weight"]).flatten
    odds = ->(row) { table.block(["bias"], ["weight"])[0, 0] + (weights * Numo::DFloat[*row.first(names.size)]).sum }

    assert_equal 0, weights.max_index
    assert_operator pairs.count { |row| odds.call(row).positive? == row.last.positive? }, :>, 270
  end

  def test_a_pattern_that_is_known_teaches_strokes
    random = Random.new(6)
    inputs = Array.new(600) { Array.new(Rhythm::StrokeModel::INPUTS.size) { random.rand(-2.0..2.0) } }
    targets = inputs.map { |row| [row[0] > 0.5 ? 1.0 : 0.0, row[7] > 0.5 ? 1.0 : 0.0, 0.0] }
    measured = [[Numo::SFloat.cast(inputs).to_binary, Numo::SFloat.cast(targets).to_binary]]
    likely = Rhythm::StrokeModel.new(Learning::StrokeLearner.new(measured).learn).likelihood(Numo::DFloat.cast(inputs))
    right = (0...600).count { |i| (likely[i, 0] > 0.5) == (targets[i][0] > 0.5) }

    assert_operator right, :>, 520
    assert_operator likely[true, 2].max, :<, 0.5
  end

  def test_the_layer_learner_finds_a_threshold
    random = Random.new(4)
    rows = Array.new(400) { random.rand(-2.0..2.0).then { |value| [value, 0.0, 0.0, value > 0.5 ? 1.0 : 0.0] } }
    curves = Learning::LayerLearner.new([Learning::Judge::ROLES.keys.to_h { |role| [role, rows] }]).learn

    assert_in_delta 0.5, -curves["kick"][0] / curves["kick"][1], 0.15
  end

  def test_confidence_is_drawn_to_the_share_that_is_right
    boastful = Array.new(200) { |i| ["key", 0.95, i % 10 < 7 ? 1.0 : 0.0] }
    learner = Learning::ConfidenceLearner.new([boastful])
    confidence = Ethoscope::Engine::Confidence.new(learner.learn)

    assert_in_delta 0.7, confidence.of(:key, 0.95), 0.05
    assert_in_delta 0.42, confidence.of(:tempo, 0.42)
    assert_equal([["key", "0.95-1.0", 200, 0.95, 0.7]], learner.reliability.map { |kind, bin, count, stated, right| [kind, bin, count, stated.round(2), right.round(2)] })
  end

  def test_the_judge_holds_statements_against_the_truth
    found = Fixture.analysis.to_h
    statements = Learning::Judge.new(found, truth(found)).statements.group_by(&:first)

    assert_equal([1.0], statements["tempo"].map(&:last))
    assert_equal([0.0], statements["meter"].map(&:last))
    assert_equal([1.0], statements["key"].map(&:last))
    assert(statements["chord"].all? { |_, _, right| right > 0.99 })
    assert_equal 6, statements.keys.grep(/layer_/).size
  end

  def test_a_corpus_is_read_in_order_and_worked_by_two
    %w[b a c].each do |name|
      File.write(File.join(folder, "#{name}.json"), JSON.generate(file: "#{name}.wav", tempo_bpm: 100))
      File.write(File.join(folder, "#{name}.wav"), "sound")
    end
    File.write(File.join(folder, "d.json"), JSON.generate(file: "d.wav"))
    corpus = Learning::Corpus.new(folder)

    assert_equal %w[a b c], corpus.songs.map(&:name)
    assert_equal %w[a b c], corpus.map(&:name)
    assert_equal 100, corpus.songs.first.truth[:tempo_bpm]
  end

  private

  def bar_features = Rhythm::HypothesisFeatures::NAMES.size

  # Ten hypotheses a song, of which the one with the largest fourth feature is right.
  def songs(count, seed: 9)
    random = Random.new(seed)
    Array.new(count) do |i|
      features = Array.new(10) { Array.new(bar_features) { random.rand(-1.0..1.0) } }
      best = features.each_index.max_by { |hypothesis| features[hypothesis][3] }
      ["song #{i}", Numo::SFloat.cast(features).to_binary, features.each_index.map { |hypothesis| hypothesis == best }]
    end
  end

  # The first inputs say where the tonic of a major key is, the next ones that of a minor key.
  def key_rows(tonic, mode, noise: 0.0)
    random = Random.new(tonic)
    (0..11).map do |candidate|
      Array.new(Harmony::KeyEvidence::NAMES.size) do |input|
        told = input == (mode == "major" ? 0 : 3) && candidate == tonic
        (told ? 1.0 : 0.0) + random.rand(-noise..noise)
      end
    end
  end

  # Stands in for NoteActivation: the same chroma in every register.
  Notes = Struct.new(:rows) do
    def chroma(_range) = rows
    def level = Numo::DFloat.ones(rows.shape[0])
    def size = rows.shape[0]
  end

  def notes(chords) = Notes.new(Numo::DFloat.cast(chords.map { |tones| (0..11).map { |note| tones.include?(note) ? 1.0 : 0.05 } }))

  def chord_song(random)
    chords = Array.new(60) { [random.rand(12), random.rand(2)] }
    sounding = notes(chords.map { |root, minor| [root, (root + 4 - minor) % 12, (root + 7) % 12] })
    inputs = Numo::SFloat.cast(Harmony::ChordModel.inputs(sounding)).to_binary
    [inputs, Numo::SFloat.ones(60).to_binary, chords.map { |root, minor| (root * Harmony::ChordModel::QUALITIES.size) + minor }]
  end

  def truth(found)
    { tempo_bpm: found[:tempo][:bpm], meter: "3/4", downbeats: found[:downbeats], chords: found[:chords].map { |chord| chord.slice(:start, :end, :label) },
      keys: [{ tonic: found[:key][:tonic], mode: "minor", start: 0.0, end: 40.0 }], sections: [], layers: [] }
  end
end
