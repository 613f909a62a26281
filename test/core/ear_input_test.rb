# frozen_string_literal: true

require_relative "../test_helper"

class EarInputTest < Ethoscope::TestCase
  Ear = Ethoscope::Ear

  def test_what_a_network_is_shown_is_level_beside_the_songs_own
    shown = input(Fixture.features)
    louder = Ear::Input.of(scaled(Fixture.features.short, 4), Fixture.features.spectra)

    assert_equal [Fixture.features.short.size / 2, 150], shown.shape
    assert_in_delta 0.0, (shown - louder).abs.max, 1e-3
    assert_operator shown.min, :>=, 0
  end

  def test_silence_is_shown_as_nothing
    short = Ethoscope::Signal::ShortTime.new(Numo::SFloat.zeros(40, 66), [100.0] * 66, 86.0)
    spectra = Ethoscope::Signal::LogSpectra.new(Numo::SFloat.zeros(10, 252), 10.0)

    assert_equal [20, 150, 0.0], [*Ear::Input.of(short, spectra).shape, Ear::Input.of(short, spectra).max]
  end

  private

  def input(features) = Ear::Input.of(features.short, features.spectra)

  def scaled(short, factor) = Ethoscope::Signal::ShortTime.new(short.bands * factor, short.centres, short.rate)
end
