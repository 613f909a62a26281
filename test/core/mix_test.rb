# frozen_string_literal: true

require_relative "../test_helper"

# Loudness range, true peak, width by register and spectrum.
class MixTest < Ethoscope::TestCase
  Audio = Ethoscope::Audio
  RATE = 44_100

  def test_range_and_true_peak_agree_with_the_meter_of_ffmpeg
    recording = Fixture.band.recording
    summary = meter(SoundFile.write(recording, File.join(folder, "band.wav")))

    assert_in_delta summary[/LRA:\s+([-\d.]+)/, 1].to_f, Audio::Loudness.new(Audio::SoundField.of(recording)).range, 0.11
    assert_in_delta summary[/Peak:\s+([-\d.]+)/, 1].to_f, Audio::TruePeak.measure(recording), 0.11
  end

  def test_a_peak_between_samples_is_found
    quarter = Numo::SFloat[[1, 1, -1, -1] * 6000].reshape(1, 24_000) * 0.5
    recording = Audio::Recording.new(channels: quarter, rate: RATE)

    assert_in_delta 20 * Math.log10(0.5 * Math.sqrt(2)), Audio::TruePeak.measure(recording), 0.2
  end

  def test_width_is_told_register_by_register
    low, high = [60, 9000].map { |hertz| Numo::NMath.sin(Numo::SFloat.new(RATE * 5).seq * (2 * Math::PI * hertz / RATE)) * 0.3 }
    field = field(low + high, low - high)
    registers = Audio::Width.new(field).registers(0, 5).to_h { |register| [register.name, register] }

    assert_in_delta 0.0, registers["low end"].side, 0.01
    assert_in_delta 1.0, registers["top"].side, 0.01
    assert_in_delta(-1.0, registers["top"].correlation, 0.02)
    assert_operator registers["top"].mono_loss_db, :<, -20
    assert_in_delta 0.0, registers["low end"].mono_loss_db, 0.1
  end

  def test_a_stretch_is_held_against_the_mean_spectrum
    time = Numo::SFloat.new(RATE * 8).seq / RATE
    low, high = [200, 4000].map { |hertz| Numo::NMath.sin(time * (2 * Math::PI * hertz)) * 0.3 }
    first_half = Numo::SFloat.cast(time < 4)
    balance = Audio::Balance.new(field(*([(low * first_half) + (high * (1 - first_half))] * 2)))
    against = balance.against_mean(0, 3.5)

    assert_in_delta 3.0, against[Audio::SoundField::CENTRES.index(200)], 0.5
    assert_operator against[Audio::SoundField::CENTRES.index(4000)], :<, -15
    assert_in_delta 0.0, balance.long_term.max, 0.01
  end

  private

  def field(left, right) = Audio::SoundField.of(Audio::Recording.new(channels: Numo::SFloat.vstack([left, right]), rate: RATE))

  def meter(path)
    _, text, = Open3.capture3("ffmpeg", "-nostats", "-i", path, "-filter_complex", "ebur128=peak=true", "-f", "null", "-")
    text[text.rindex("Summary:")..]
  end
end
