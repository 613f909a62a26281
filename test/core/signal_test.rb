# frozen_string_literal: true

require_relative "../test_helper"

class SignalTest < Ethoscope::TestCase
  Frames = Ethoscope::Signal::Frames
  Series = Ethoscope::Signal::Series

  def test_each_frame_has_the_spectrum_of_its_own_samples
    time = Numo::SFloat.new(512).seq
    samples = Numo::SFloat.zeros(1024)
    samples[0...512] = Numo::NMath.sin(time * (2 * Math::PI * 8 / 256))
    samples[512...1024] = Numo::NMath.sin(time * (2 * Math::PI * 32 / 256))
    power = Frames.each_power_block(samples, Frames.hann(256), 128).first

    assert_equal [8, 129], power.shape
    assert_equal([8, 32], [1, 6].map { |row| power[row, true].max_index })
  end

  def test_frames_are_centred_on_their_hop
    samples = Numo::SFloat.zeros(64)
    samples[32] = 1
    energy = Frames.each_power_block(samples, Frames.hann(16), 8).first.sum(axis: 1)

    assert_equal 4, energy.max_index
  end

  def test_blocks_hold_all_frames_once
    samples = Numo::SFloat.zeros(8 * 300)

    assert_equal([128, 128, 44], Frames.each_power_block(samples, Frames.hann(16), 8).map { |block| block.shape[0] })
    assert_equal 300, Frames.count(samples.size, 8)
  end

  def test_reading_between_two_values
    series = Numo::DFloat[0, 10, 20]

    assert_equal [0.0, 5.0, 20.0], Series.sample(series, Numo::DFloat[-3, 0.5, 9]).to_a
  end

  def test_running_means_and_maxima
    series = Numo::DFloat[0, 0, 9, 0, 0]

    assert_equal [0.0, 3.0, 3.0, 3.0, 0.0], Series.running_mean(series, 3).to_a
    assert_equal [0.0, 9.0, 9.0, 9.0, 0.0], Series.running_max(series, 1).to_a
  end

  def test_autocorrelation_peaks_at_the_period
    series = Numo::DFloat[*Array.new(200) { |i| (i % 20).zero? ? 1.0 : 0.0 }]
    correlation = Series.autocorrelation(series - series.mean, 60)

    assert_in_delta 1.0, correlation[0]
    assert_includes Series.peaks(correlation.to_a), 20
  end

  def test_frames_between_two_moments_are_never_none
    assert_equal 10...20, Series.frames(1.0, 2.0, 10, 100)
    assert_equal 99...100, Series.frames(50.0, 60.0, 10, 100)
    assert_equal 5...6, Series.frames(0.5, 0.5, 10, 100)
  end

  def test_a_constant_series_is_not_divided_by_nothing
    assert_equal [0.0, 0.0, 0.0], Series.standardize(Numo::DFloat[4, 4, 4]).to_a
  end

  def test_an_onset_is_strong_where_a_sound_starts
    samples = Numo::SFloat.zeros(3 * 22_050)
    samples[22_050...(22_050 + 4000)] = Numo::NMath.sin(Numo::SFloat.new(4000).seq * 0.3) * 0.5
    onset = Ethoscope::Signal::OnsetStrength.new(Ethoscope::Signal::ShortTime.of(samples, 22_050))

    assert_in_delta 1.0, onset.total.max_index / onset.rate, 0.05
    assert_in_delta 3.0, onset.duration, 0.05
  end

  def test_a_note_falls_into_its_own_third_of_a_semitone
    bank = Ethoscope::Signal::LogFrequency.new(bin_width: 2.7, bins: 2048)
    spectrum = Numo::SFloat.zeros(1, 2048)
    spectrum[0, (440 / 2.7).round] = 1

    assert_in_delta 36 * 4, bank.map(spectrum)[0, true].max_index - 1, 1
    assert_in_delta 440.0, Ethoscope::Signal::LogFrequency.frequency((36 * 4) + 1), 1e-6
  end

  def test_change_is_largest_where_one_sound_turns_into_another
    rows = Numo::DFloat.zeros(40, 3)
    rows[0...20, 0] = 1
    rows[20..., 1] = 1
    curve = Ethoscope::Signal::SpectralChange.curve(rows, 5)

    assert_equal 20, curve.max_index
    assert_in_delta 1.0, curve[20]
    assert_in_delta 0.0, curve[10]
  end
end
