# frozen_string_literal: true

require_relative "../../test_helper"

# Passages of notes that are given, and the same an octave away.
class RegisterFeaturesTest < Ethoscope::TestCase
  Techniques = Ethoscope::Techniques
  Features = Techniques::RegisterFeatures
  Harmony = Ethoscope::Harmony

  CHORDS = [[48, 52, 55], [53, 57, 60], [55, 59, 62], [57, 60, 64]].freeze
  TUNE = [64, 67, 69, 71, 67, 65].freeze

  def test_a_tune_that_moves_an_octave_is_new_where_it_is_lost
    up = named(passage(0), passage(12))
    down = named(passage(12), passage(0))
    other = named(passage(0), passage(5))

    assert_operator up["new is lost, an octave up"], :>, 0.9
    assert_operator down["new is lost, an octave down"], :>, 0.9
    assert_operator other["new is lost, an octave up"], :<, 0.5
    assert_operator other["new is lost, elsewhere at best"], :>, 0.9
  end

  def test_a_passage_that_comes_back_as_it_was_has_nothing_new
    same = named(passage(0), passage(0))

    assert_equal([0.0, 0.0, 1.0], same.values_at("new", "lost", "alike").map { |value| value.round(3) })
    assert(same.values.all?(&:finite?))
  end

  def test_passages_are_compared_as_far_as_the_shorter_one_goes
    assert_equal named(passage(0, 24), passage(12, 24)), named(passage(0, 24), passage(12, 48))
  end

  def test_what_ships_tells_an_octave_from_what_stays
    model = Techniques::OctaveModel.shipped

    assert_operator model.log_odds(passage(0), passage(12)), :>, model.log_odds(passage(0), passage(0)) + 3
    assert_operator model.log_odds(passage(0), passage(12)), :>, model.log_odds(passage(12), passage(0)) + 3
  end

  def test_the_mix_of_a_song_whose_tune_comes_back_an_octave_higher
    found = heard(12)

    assert_equal([[9, 16, 12, "mix"]], found.map { |one| [one.first_bar, one.last_bar, one.detail[:semitones], one.source] })
    assert_operator found.first.confidence, :>, Techniques::Detectors::OctaveShift::LIKELY
    assert_empty heard(0)
  end

  private

  # Sixteen bars of one part twice, eight half beats a bar, the tune moved the second time.
  def heard(move)
    rows = Numo::DFloat.vstack([passage(0, 64), passage(move, 64)])
    activation = Numo::SFloat.zeros(rows.shape[0], Harmony::NoteActivation::NOTES)
    activation[true, (Features::LOWEST - Harmony::NoteActivation::LOWEST)..] = rows
    notes = Harmony::NoteActivation.new(activation:, level: Numo::SFloat.ones(rows.shape[0]))
    Techniques::Detectors::OctaveShift.find(Stage.scene(parts: [["verse", "A", 8], ["verse", "A", 8]], notes:))
  end

  # Shape [half beats, pitches]: chords that stay, and a tune that is louder than they are.
  def passage(move, size = 64)
    pitches = Harmony::NoteActivation::NOTES - (Features::LOWEST - Harmony::NoteActivation::LOWEST)
    Numo::DFloat.zeros(size, pitches).tap do |rows|
      size.times do |i|
        CHORDS[(i / 8) % CHORDS.size].each { |pitch| rows[i, pitch - Features::LOWEST] = 0.4 }
        rows[i, TUNE[i % TUNE.size] + move - Features::LOWEST] = 1.0
      end
    end
  end

  def named(was, is) = Features::NAMES.zip(Features.new(was, is).to_a).to_h
end
