# frozen_string_literal: true

require_relative "../test_helper"

# What songs without a mix are put together from: stems summed, notes played plainly, rates reduced.
class RenditionTest < Ethoscope::TestCase
  RATE = 22_050

  def test_a_note_sounds_at_its_pitch_and_no_longer_than_it_is_held
    recording = Ethoscope::Ensemble::Rendition.of(score([["Lead", 0, [[0, 2, 69]]]], bpm: 120))
    sound = recording.channels[0, true]

    assert_in_delta 440, loudest_hertz(sound[6000...(6000 + 8192)]), 4
    assert_operator sound[(RATE * 2)..].abs.max, :<, 1e-3
    assert_in_delta 0.8, sound.abs.max, 0.01
  end

  def test_drums_sound_and_the_same_score_sounds_the_same_twice
    kit = score([["Kit", 9, [[0, 0.2, 36], [1, 0.2, 38], [2, 0.2, 42]]]], bpm: 120)
    once, again = Array.new(2) { Ethoscope::Ensemble::Rendition.of(kit).channels[0, true] }

    assert_equal once.to_binary, again.to_binary
    [0.25, 0.75, 1.25].each { |second| assert_operator once[(second * RATE).round...((second * RATE).round + 400)].abs.max, :>, 0.01, second }
  end

  def test_a_score_that_would_last_longer_than_a_recording_may_is_refused
    long = score([["Pad", 0, [[0, 1, 60], [1198, 1, 60]]]], bpm: 60)
    error = assert_raises(Ethoscope::Errors::UnusableAudio) { Ethoscope::Ensemble::Rendition.of(long) }

    assert_match(/at most 20 can be looked at/, error.message)
  end

  def test_stems_are_summed_to_the_longest_and_turned_down_before_they_clip
    short = stem([0.5] * 4)
    long = stem([0.25] * 8)

    assert_equal [0.75, 0.25], Ethoscope::Audio::Sum.of([short, long]).channels[0, true].to_a.values_at(0, 7)
    loud = Ethoscope::Audio::Sum.of([stem([0.9] * 4), stem([0.9] * 4)])

    assert_in_delta 0.98, loud.channels.abs.max, 1e-5
    assert_raises(Ethoscope::Errors::UnusableAudio) { Ethoscope::Audio::Sum.of([stem([0.0] * 4)]) }
  end

  def test_a_quarter_of_a_rate_keeps_what_lies_below_it_in_its_place_and_nothing_above
    time = Numo::DFloat.new(200_000).seq / 44_100
    low, high = [500, 9000].map { |hertz| Ethoscope::Audio::Resampler.quarter(Numo::SFloat.cast(Numo::NMath.sin(time * (2 * Math::PI * hertz)))) }
    expected = Numo::NMath.sin(Numo::DFloat.new(50_000).seq * (4 * 2 * Math::PI * 500 / 44_100))

    assert_equal 50_000, low.size
    assert_operator (low - expected)[1000...-1000].abs.max, :<, 1e-3
    assert_operator high[1000...-1000].abs.max, :<, 1e-3
  end

  private

  def score(tracks, **options) = Ethoscope::Midi::ScoreReader.read(MidiFile.bytes(tracks, **options))

  def stem(samples) = Ethoscope::Audio::Recording.new(channels: Numo::SFloat[samples], rate: 44_100)

  def loudest_hertz(samples)
    power = Numo::Pocketfft.rfft(Numo::DFloat.cast(samples)).abs
    power.max_index * RATE / samples.size.to_f
  end
end
