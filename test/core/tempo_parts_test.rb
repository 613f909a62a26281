# frozen_string_literal: true

require_relative "../test_helper"

# Songs that change their tempo at once fall into parts; those that drift or move do not.
class TempoPartsTest < Ethoscope::TestCase
  Parts = Ethoscope::Rhythm::TempoParts

  def parts(tempos) = Parts.of(tempos).map { |part| [part.first_bar, part.last_bar, part.bpm] }

  def test_two_songs_in_one
    assert_equal [[1, 32, 97.25], [33, 64, 121.0]], parts(([97.25] * 32) + ([121.0] * 32))
  end

  def test_half_the_tempo_and_back
    assert_equal [[1, 8, 140.0], [9, 16, 70.0], [17, 24, 140.0]], parts(([140.0] * 8) + ([70.0] * 8) + ([140.0] * 8))
  end

  def test_a_bar_in_which_the_change_falls_belongs_to_what_follows
    assert_equal [[1, 8, 90.0], [9, 17, 120.0]], parts(([90.0] * 8) + [104.0] + ([120.0] * 8))
  end

  def test_the_last_bars_make_no_part
    assert_equal [[1, 16, 97.25], [17, 32, 121.0]], parts(([97.25] * 16) + ([121.0] * 13) + ([97.0] * 3))
  end

  def test_one_tempo_a_drift_and_a_ramp_make_no_parts
    assert_empty parts([100.0] * 32)
    assert_empty parts((0...32).map { |bar| 100.0 + (Math.sin(bar / 4.0) * 2) })
    assert_empty parts(([90.0] * 8) + (1..6).map { |bar| 90 + (bar * 5.0) } + ([120.0] * 8))
  end

  def test_two_songs_in_one_are_heard_so
    band = Band.new(bpm: 97.25).bars(16, chords: %w[Am F C G], **Band::BACKBEAT).tempo(121).bars(16, chords: %w[Am F C G], **Band::BACKBEAT)
    analysis = Ethoscope::Analysis.of(band.recording)

    assert_equal([[1, 97.25], [17, 121.0]], analysis.fetch(:parts).map { |part| part.values_at(:first_bar, :bpm) })
    band.beats.first(112).each { |beat| assert_operator analysis.fetch(:beats).map { |other| (other - beat).abs }.min, :<, 0.05 }
  end

  def test_a_song_that_is_told_to_change_says_its_parts_and_no_mean
    band = Band.new(bpm: 96).bars(8, chords: %w[Am F], **Band::BACKBEAT).tempo(121).bars(8, chords: %w[Cm Fm], **Band::BACKBEAT)
    corrections = Ethoscope::Corrections.of(bpm: 96.0, first_downbeat: 0.3, tempo_changes: [{ at: band.time_of_bar(9), bpm: 121.0 }])
    analysis = Ethoscope::Analysis.of(features: Ethoscope::Engine::Features.of(band.recording), corrections:)
    tempo = Ethoscope::Readings::Reader.new(analysis).readings.find { |reading| reading.aspect == "tempo" }

    assert_equal([1, 9], analysis.fetch(:parts).map { |part| part[:first_bar] })
    assert_equal "Two parts: 96.00 BPM, then 121.00 from bar 9", tempo.statement
    assert_equal [96.0, 121.0], tempo.value[:parts]
    assert_match(/no mean/, tempo.why)
  end
end
