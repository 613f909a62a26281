# frozen_string_literal: true

require_relative "../test_helper"

# Tempo, meter and beats measured on sound with a known grid.
class RhythmOnSoundTest < Ethoscope::TestCase
  def test_a_programmed_tempo_is_right_to_a_few_hundredths
    [84.37, 120.0].each do |bpm|
      tempo = analysed(Band.new(bpm:).bars(12, chords: %w[Am F C G], **Band::BACKBEAT)).fetch(:tempo)

      assert_in_delta bpm, tempo[:bpm], 0.05
      assert tempo[:constant]
    end
  end

  def test_rivals_are_ranked_and_their_odds_add_up
    candidates = analysed(Band.new(bpm: 100).bars(10, chords: %w[C G], **Band::BACKBEAT)).fetch(:tempo)[:candidates]

    assert_equal "chosen", candidates.first[:relation]
    assert_in_delta 1.0, candidates.sum { |candidate| candidate[:odds] }, 0.05
    assert_equal(candidates.drop(1).map { |candidate| -candidate[:odds] }.sort, candidates.drop(1).map { |candidate| -candidate[:odds] })
  end

  def test_downbeats_lie_where_bars_start
    band = Band.new(bpm: 110, lead_in: 0.7).bars(12, chords: %w[C Am F G], **Band::BACKBEAT)
    downbeats = analysed(band).fetch(:downbeats)

    (1..12).each { |bar| assert(downbeats.any? { |time| (time - band.time_of_bar(bar)).abs < 0.05 }, "bar #{bar}") }
  end

  def test_a_waltz_has_three_beats
    band = Band.new(bpm: 126, beats: 3).bars(20, chords: %w[C F G C], kick: [0], snare: [1, 2], hats: [0, 1, 2])

    assert_equal "3/4", analysed(band).fetch(:meter)
  end

  def test_a_song_ends_where_its_last_bar_ends
    band = Band.new(bpm: 90).bars(10, chords: %w[Dm G], **Band::BACKBEAT)
    analysis = analysed(band)

    assert_equal 10, analysis.bars
    assert_in_delta band.time_of_bar(11), analysis.fetch(:end), 0.1
  end

  def test_late_off_beats_are_swing
    hats = [0, 0.64, 1, 1.64, 2, 2.64, 3, 3.64]
    groove = analysed(Band.new(bpm: 92).bars(12, chords: %w[C F], kick: [0, 2], snare: [1, 3], hats:)).fetch(:groove)

    assert_in_delta 0.64, groove[:swing_ratio], 0.03
    assert_equal "8th", groove[:swing_unit]
  end

  def test_even_off_beats_are_straight
    groove = analysed(Band.new(bpm: 92).bars(12, chords: %w[C F], **Band::BACKBEAT)).fetch(:groove)

    assert_in_delta 0.5, groove[:swing_ratio], 0.02
  end

  def test_a_steady_chord_without_a_pulse_has_no_tempo_but_bars
    analysis = Ethoscope::Analysis.of(SoundFile.sine(220, 12))

    assert_nil analysis.fetch(:tempo)[:bpm]
    assert_operator analysis.bars, :>, 1
  end

  private

  def analysed(band) = Ethoscope::Analysis.of(band.recording)
end
