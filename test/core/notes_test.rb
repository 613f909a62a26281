# frozen_string_literal: true

require_relative "../test_helper"

# Notes and tuning from spectra of tones that are known.
class NotesTest < Ethoscope::TestCase
  Harmony = Ethoscope::Harmony
  RATE = 22_050

  def test_a_tone_activates_its_own_note_more_than_its_octaves_and_fifth
    activation = notes_of([[57, 0, 2]]).activation[1, true].to_a
    strongest = activation.each_with_index.max_by(&:first).last + lowest

    assert_equal 57, strongest
    assert_operator activation[57 - lowest], :>, 2 * activation[69 - lowest]
    assert_operator activation[57 - lowest], :>, 2 * activation[64 - lowest]
  end

  def test_a_chord_fills_its_pitch_classes
    chroma = notes_of([[60, 0, 2], [64, 0, 2], [67, 0, 2]]).chroma(51..86)[1, true].to_a

    assert_equal [0, 4, 7], chroma.each_with_index.max_by(3, &:first).map(&:last).sort
  end

  def test_bass_and_treble_are_kept_apart
    notes = notes_of([[33, 0, 2], [72, 0, 2]])

    assert_equal 9, notes.chroma(28..50)[1, true].max_index
    assert_equal 0, notes.chroma(60..86)[1, true].max_index
  end

  def test_a_detuned_recording_is_read_with_its_own_tuning
    long = long_time([[57, 0, 4], [64, 0, 4]], cents: -35)
    tuning = Harmony::Tuning.measure(long)

    assert_in_delta(-35, tuning.cents, 4)
    assert_in_delta 1.0, tuning.histogram.sum, 0.01
    activation = Harmony::NoteActivation.of(Ethoscope::Signal::LogSpectra.of(long, tuning.cents), [0.0, 1.0, 2.0]).activation[1, true].to_a

    assert_includes [57, 64], activation.each_with_index.max_by(&:first).last + lowest
  end

  def test_silence_has_no_tuning_and_no_confidence
    tuning = Harmony::Tuning.measure(Ethoscope::Signal::LongTime.new(Numo::SFloat.zeros(RATE * 3), RATE))

    assert_equal [0.0, 0.0], tuning.to_h.values_at(:cents, :confidence)
  end

  def test_level_says_where_it_is_quiet
    level = notes_of([[57, 0, 1]], edges: [0.0, 0.5, 1.0, 1.5, 2.0]).level.to_a

    assert_in_delta 1.0, level.max
    assert_operator level.last, :<, 0.05
  end

  def test_harmonic_change_peaks_where_the_chord_turns
    long = long_time([[60, 0, 2], [64, 0, 2], [65, 2, 4], [69, 2, 4]])
    change = Harmony::HarmonicChange.new(Ethoscope::Signal::LogSpectra.of(long, 0.0))

    assert_in_delta 2.0, change.treble.max_index / long.rate, 0.2
    assert_operator change.treble[(1.0 * long.rate).round], :<, change.treble.max / 3
  end

  def test_profiles_are_unit_rows
    matrix = Harmony::Profiles.matrix

    assert_equal [Harmony::NoteActivation::NOTES, Ethoscope::Signal::LogFrequency::BINS], matrix.shape
    (matrix**2).sum(axis: 1).to_a.each { |length| assert_in_delta 1.0, length, 1e-4 }
  end

  private

  def lowest = Harmony::NoteActivation::LOWEST

  def notes_of(tones, edges: [0.0, 0.5, 1.0, 1.5])
    Harmony::NoteActivation.of(Ethoscope::Signal::LogSpectra.of(long_time(tones), 0.0), edges)
  end

  # Tones as [MIDI number, from, to], each with eight overtones.
  def long_time(tones, cents: 0)
    samples = Numo::DFloat.zeros(RATE * 4)
    time = Numo::DFloat.new(samples.size).seq / RATE
    tones.each do |note, from, to|
      pitch = 440.0 * (2**((note - 69 + (cents / 100.0)) / 12.0))
      sound = (1..8).sum { |k| Numo::NMath.sin(time * (2 * Math::PI * pitch * k)) * (0.7**k) }
      samples += sound * Numo::DFloat.cast((time >= from) & (time < to)) * 0.1
    end
    Ethoscope::Signal::LongTime.new(Numo::SFloat.cast(samples), RATE)
  end
end
