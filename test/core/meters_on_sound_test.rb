# frozen_string_literal: true

require_relative "../test_helper"

# Meters, pickups and moving tempos on sound.
class MetersOnSoundTest < Ethoscope::TestCase
  def test_five_beats
    analysis = analysed(Band.new(bpm: 132, beats: 5).bars(16, chords: %w[Dm Bb], kick: [0, 3], snare: [2, 4], hats: [0, 1, 2, 3, 4]))

    assert_equal "5/4", analysis.fetch(:meter)
    assert_in_delta 132, analysis.fetch(:tempo)[:bpm], 0.1
  end

  def test_half_time_drums_leave_their_octave_among_the_rivals
    analysis = analysed(Band.new(bpm: 140).bars(16, chords: %w[Am F], kick: [0], snare: [2], hats: [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5]))
    tempos = analysis.fetch(:tempo)[:candidates].map { |candidate| candidate[:bpm] }

    [70, 140].each { |wanted| assert_operator tempos.map { |bpm| (bpm - wanted).abs }.min, :<, 0.2 }
  end

  def test_notes_before_the_first_bar_are_a_pickup
    band = Band.new(bpm: 100, lead_in: 0.9)
    band.bars(12, chords: %w[C F G C], **Band::BACKBEAT)
    samples = band.recording.channels.dup
    # A snare one beat before the first bar.
    samples[true, 13_230...21_230] += Band.new(bpm: 100, lead_in: 0).bars(1, snare: [0]).recording.channels[true, 0...8000]
    analysis = Ethoscope::Analysis.of(Ethoscope::Audio::Recording.new(channels: samples, rate: 44_100))

    assert_equal 1, analysis.fetch(:pickup_beats)
    assert_in_delta band.time_of_bar(1), analysis.fetch(:downbeats).first, 0.06
  end

  def test_a_tempo_that_moves_has_a_map_by_bar
    recording = slowing
    analysis = Ethoscope::Analysis.of(recording)
    map = analysis.fetch(:tempo_map)

    refute analysis.fetch(:tempo)[:constant]
    assert_equal analysis.bars, map.size
    assert_operator map.first[:bpm], :>, map.last[:bpm] + 4
  end

  private

  def analysed(band) = Ethoscope::Analysis.of(band.recording)

  # A steady song played back ever more slowly, by up to nine per cent.
  def slowing
    channels = Band.new(bpm: 110).bars(28, chords: %w[Am F C G], **Band::BACKBEAT).recording.channels
    size = channels.shape[1]
    pace = 1 - (Numo::DFloat.new((size * 1.03).floor).seq * (0.09 / size))
    at = pace.cumsum
    at = at[(at < size - 1).where]
    rows = [0, 1].map { |channel| Numo::SFloat.cast(Ethoscope::Signal::Series.sample(channels[channel, true].dup, at)) }
    Ethoscope::Audio::Recording.new(channels: Numo::SFloat.vstack(rows), rate: 44_100)
  end
end
