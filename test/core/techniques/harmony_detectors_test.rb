# frozen_string_literal: true

require_relative "../../test_helper"

# Detectors of harmony on chords that are given: present, absent and a near miss each.
class HarmonyDetectorsTest < Ethoscope::TestCase
  Detectors = Ethoscope::Techniques::Detectors
  Harmony = Ethoscope::Harmony

  def test_two_chords_a_fourth_apart_that_tell_the_song
    assert_equal "i and iv", find(Detectors::TwoChordLoop, "A minor", loop: looping("Am", "Dm")).first.detail[:chords]
    none(Detectors::TwoChordLoop, "A minor", loop: looping("Am", "Em", "Dm"))
    none(Detectors::TwoChordLoop, "A minor", loop: looping("Am", "G"))
    none(Detectors::TwoChordLoop, "A minor", loop: nil)
  end

  def test_a_chord_a_semitone_over_the_tonic_again_and_again
    found = find(Detectors::TonicSemitone, "E minor", spans: Stage.spans(*[["Em", 1.5], ["F", 0.5]] * 8))

    assert_equal ["tonic_semitone", "♭II"], [found.first.kind, found.first.detail[:chord]]
    none(Detectors::TonicSemitone, "E minor", spans: Stage.spans(*[["Em", 1.5], ["F#m", 0.5]] * 8))
    none(Detectors::TonicSemitone, "E minor", spans: Stage.spans(["Em", 7.5], ["F", 0.5], ["Em", 8]))
  end

  def test_minor_ninths_need_written_notes
    spans = Stage.spans(*[["Am7", 1], ["Dm7", 1]] * 8)
    notes = (0...16).flat_map { |bar| (bar.even? ? [60, 64, 67, 71] : [65, 69, 72, 76]).map { |pitch| [bar * 4, pitch, 0.7, 4] } }
    plain = notes.reject { |_, pitch,| [71, 76].include?(pitch) }

    assert_equal 100, find(Detectors::MinorNinths, "A minor", spans:, players: [Stage.player("chords", notes)]).first.detail[:share]
    none(Detectors::MinorNinths, "A minor", spans:, players: [Stage.player("chords", plain)])
    none(Detectors::MinorNinths, "A minor", spans:, players: [Stage.player("chords", notes, source: "stem")])
  end

  def test_one_shape_that_leaves_the_scale
    assert_equal "minor", find(Detectors::ParallelChords, "A minor", spans: Stage.spans(["Am", 2], ["Cm", 2], ["Bbm", 2], ["Gm", 2])).first.detail[:quality]
    none(Detectors::ParallelChords, "A minor", spans: Stage.spans(["Am", 2], ["Dm", 2], ["Em", 2], ["Am", 2]))
    none(Detectors::ParallelChords, "A minor", spans: Stage.spans(["Am", 2], ["Cm", 2], ["Bb", 2], ["Gm", 2]))
  end

  def test_a_bass_that_stays_under_moving_chords
    chords = Stage.spans(*[["C", 1], ["F", 1], ["G", 1], ["Am", 1]] * 4)
    bass = ->(pitches) { Stage.player("bass", (0...16).map { |bar| [bar * 4, pitches[bar % pitches.size], 0.8, 4] }) }
    sighting = find(Detectors::Pedal, "C major", spans: chords, players: [bass.call([36])]).first

    assert_equal ["C", 1, 16], [sighting.detail[:note], sighting.first_bar, sighting.last_bar]
    none(Detectors::Pedal, "C major", spans: chords, players: [bass.call([36, 41, 43, 45])])
    none(Detectors::Pedal, "C major", spans: Stage.spans(["C", 12], ["F", 4]), players: [bass.call([36])])

    refute_empty find(Detectors::Pedal, "C major", spans: Stage.spans(*[["C", 2], ["F", 2]] * 4), players: [bass.call([36])])
  end

  def test_dominants_that_lead_into_one_another
    found = find(Detectors::SecondaryDominantChain, "C major", spans: Stage.spans(["C", 4], ["E7", 2], ["A7", 2], ["D7", 2], ["G", 2], ["C", 4]))

    assert_equal 4, found.first.detail[:count]
    none(Detectors::SecondaryDominantChain, "C major", spans: Stage.spans(["C", 4], ["D7", 2], ["G7", 2], ["C", 8]))
    none(Detectors::SecondaryDominantChain, "C major", spans: Stage.spans(["C", 4], ["E7", 2], ["D7", 2], ["G7", 2], ["C", 6]))
  end

  def test_a_chord_from_the_parallel_key_that_comes_back
    sighting = find(Detectors::BorrowedChord, "C major", spans: Stage.spans(*[["C", 2], ["F", 1], ["Fm", 1]] * 4)).first

    assert_equal({ chord: "iv", from: "C minor" }, sighting.detail.transform_values(&:to_s))
    none(Detectors::BorrowedChord, "C major", spans: Stage.spans(*[["C", 2], ["F", 1], ["Dm", 1]] * 4))
    none(Detectors::BorrowedChord, "C major", spans: Stage.spans(["C", 8], ["Fm", 1], ["C", 7]))
  end

  def test_the_raised_seventh_that_leads_home_in_a_natural_minor
    sighting = find(Detectors::OutsideLeadingTone, "A minor", spans: Stage.spans(*[["Am", 2], ["F", 1], ["E", 1]] * 4)).first

    assert_equal "G#", sighting.detail[:note]
    none(Detectors::OutsideLeadingTone, "A minor", spans: Stage.spans(*[["Am", 2], ["F", 1], ["Em", 1]] * 4))
    none(Detectors::OutsideLeadingTone, "A minor", spans: Stage.spans(*[["Am", 2], ["E", 1], ["F", 1]] * 4))
    none(Detectors::OutsideLeadingTone, "A major", spans: Stage.spans(*[["A", 2], ["E", 2]] * 4))
  end

  def test_a_late_lift_and_a_late_fall_of_the_key
    assert_equal 2, find(Detectors::KeyLift, "C major", stretches: stretches("C major", "D major")).first.detail[:semitones]
    assert_equal(-2, find(Detectors::LoopToneDown, "D major", stretches: stretches("D major", "C major")).first.detail[:semitones])
    none(Detectors::KeyLift, "D major", stretches: stretches("D major", "C major"))
    none(Detectors::KeyLift, "C major", stretches: stretches("C major", "G major"))
    none(Detectors::KeyLift, "C major", stretches: stretches("C major", "D major", change: 5))
    none(Detectors::LoopToneDown, "D major", stretches: stretches("D major", "C minor"))
  end

  def test_a_part_that_comes_back_an_octave_higher
    tune = [[0, 60], [1, 64], [2, 67], [3, 65]]
    twice = ->(move) { Stage.player("lead", (0...16).flat_map { |bar| tune.map { |beat, pitch| [(bar * 4) + beat, pitch + (bar < 8 ? 0 : move), 0.8, 1] } }) }
    parts = [["verse", "A", 8], ["verse", "A'", 8]]
    sighting = find(Detectors::OctaveShift, "C major", parts:, players: [twice.call(12)]).first

    assert_equal [9, 16, 12], [sighting.first_bar, sighting.last_bar, sighting.detail[:semitones]]
    none(Detectors::OctaveShift, "C major", parts:, players: [twice.call(7)])
    none(Detectors::OctaveShift, "C major", parts:, players: [twice.call(0)])
    none(Detectors::OctaveShift, "C major", parts: [["verse", "A", 8], ["chorus", "B", 8]], players: [twice.call(12)])
  end

  def test_chords_that_are_joined_by_their_octave
    chords = lambda { |octave|
      (0...16).flat_map do |bar|
        [60, 64, 67].flat_map do |pitch|
          bar < 8 || !octave ? [[bar * 4, pitch, 0.8, 4]] : [[bar * 4, pitch, 0.8, 4], [bar * 4, pitch + octave, 0.7, 4]]
        end
      end
    }

    assert_equal 9, find(Detectors::OctaveDoubling, "C major", players: [Stage.player("chords", chords.call(12))]).first.first_bar
    none(Detectors::OctaveDoubling, "C major", players: [Stage.player("chords", chords.call(nil))])
    none(Detectors::OctaveDoubling, "C major", players: [Stage.player("chords", chords.call(16))])
  end

  private

  def looping(*chords)
    Harmony::Loop.new(bars: chords.size, chords: chords.map do |symbol|
      [Stage.spans([symbol, 1]).first.chord] * 2
    end, degrees: [], starts: (1..(17 - chords.size)).step(chords.size).to_a, confidence: 0.8)
  end

  def stretches(first, second, change: 11)
    [[first, 1, change - 1], [second, change, 16]].map { |name, from, to| Harmony::KeyFinder::Stretch.new(key: Stage.key(name), first_bar: from, last_bar: to, confidence: 0.9) }
  end

  def find(detector, key, **given) = detector.find(Stage.scene(key: Stage.key(key), **given))

  def none(detector, key, **given) = assert_empty(find(detector, key, **given), detector.name)
end
