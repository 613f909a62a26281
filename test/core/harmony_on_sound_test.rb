# frozen_string_literal: true

require_relative "../test_helper"

# Harmony measured on sound with known chords and tuning.
class HarmonyOnSoundTest < Ethoscope::TestCase
  def test_triads_and_sevenths_are_named_from_sound
    analysis = analysed(%w[C Am7 Dm G7], bars: 8)

    assert_operator share_right(analysis, %w[C:maj A:min7 D:min G:7]), :>=, 0.9
    assert_equal %w[C major], analysis.fetch(:key).values_at(:tonic, :mode)
  end

  def test_a_minor_loop_is_not_taken_for_its_relative_major
    analysis = analysed(%w[Am F C G], bars: 12)

    assert_equal %w[A minor], analysis.fetch(:key).values_at(:tonic, :mode)
    assert_equal %w[i ♭VI ♭III ♭VII], Fixture.song_of(analysis).loop_degrees
    assert_includes(analysis.fetch(:key)[:rivals].map { |rival| rival.values_at(:tonic, :mode) }, %w[C major])
  end

  def test_a_major_fourth_in_minor_all_the_time_is_dorian
    analysis = analysed(%w[Dm G Dm G], bars: 12)

    assert_equal %w[D dorian], analysis.fetch(:key).values_at(:tonic, :mode)
  end

  def test_tuning_is_read_to_a_few_cents
    [-30, 12].each do |cents|
      analysis = analysed(%w[C F G C], bars: 6, cents:)

      assert_in_delta cents, analysis.fetch(:tuning_cents), 4
    end
  end

  def test_every_chord_has_a_confidence_and_they_leave_no_gap
    chords = analysed(%w[C F G C], bars: 6).fetch(:chords)

    assert(chords.all? { |chord| chord[:confidence].between?(0, 1) })
    chords.each_cons(2) { |a, b| assert_in_delta a[:end], b[:start], 1e-4 }
  end

  private

  def analysed(chords, bars:, cents: 0)
    Ethoscope::Analysis.of(Band.new(bpm: 96, cents:).bars(bars, chords:, **Band::BACKBEAT).recording)
  end

  # The share of time whose label, without the bass, is the wanted one.
  def share_right(analysis, wanted)
    right = analysis.fetch(:chords).sum do |chord|
      label = chord[:label].split("/").first
      chord[:bar].positive? && label == wanted[(chord[:bar] - 1) % wanted.size] ? chord[:end] - chord[:start] : 0
    end
    right / (analysis.fetch(:bars).last[:end] - analysis.fetch(:bars).first[:start])
  end
end
