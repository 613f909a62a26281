# frozen_string_literal: true

require_relative "../test_helper"

# Sound that is no ordinary song: the engine says less, never nonsense, and does not fall over.
class OddRecordingsTest < Ethoscope::TestCase
  RATE = 44_100

  def test_noise_has_no_key_that_it_is_sure_of
    random = Random.new(2)
    analysis = analysed(Numo::SFloat.cast(Array.new(RATE * 10) { random.rand(-0.5..0.5) }))

    assert_sound analysis
    assert(analysis.fetch(:key).nil? || analysis.fetch(:key)[:confidence] < 0.9)
  end

  def test_one_click_in_silence
    samples = Numo::SFloat.zeros(RATE * 8)
    samples[RATE * 4] = 0.9

    assert_sound analysed(samples)
  end

  def test_a_drone
    time = Numo::DFloat.new(RATE * 12).seq / RATE

    assert_sound analysed(Numo::SFloat.cast(Numo::NMath.sin(time * (2 * Math::PI * 110)) * 0.4))
  end

  def test_drums_alone
    analysis = Ethoscope::Analysis.of(Band.new(bpm: 104).bars(16, **Band::BACKBEAT).recording)

    assert_sound analysis
    assert(analysis.fetch(:tempo)[:candidates].any? { |candidate| (candidate[:bpm] - 104).abs < 0.1 })
  end

  def test_chords_alone
    analysis = Ethoscope::Analysis.of(Band.new(bpm: 90).bars(12, chords: %w[F C Dm Bb]).recording)

    assert_sound analysis
    assert_equal %w[F major], analysis.fetch(:key).values_at(:tonic, :mode)
  end

  def test_a_level_that_is_very_low_changes_no_reading_but_loudness
    loud = Band.new(bpm: 100).bars(8, chords: %w[Am F C G], **Band::BACKBEAT).recording
    quiet = Ethoscope::Audio::Recording.new(channels: loud.channels * 0.01, rate: RATE)
    readings = [loud, quiet].map { |recording| Ethoscope::Analysis.of(recording) }

    assert_equal(*readings.map { |analysis| analysis.fetch(:tempo)[:bpm] })
    assert_equal(*readings.map { |analysis| analysis.fetch(:key).slice(:tonic, :mode) })
    assert_in_delta 40.0, readings[0].fetch(:loudness)[:integrated] - readings[1].fetch(:loudness)[:integrated], 0.3
  end

  def test_clipping_and_an_offset_leave_tempo_and_key_alone
    clean = Band.new(bpm: 100).bars(12, chords: %w[Am F C G], **Band::BACKBEAT).recording
    harsh = Ethoscope::Audio::Recording.new(channels: ((clean.channels * 4) + 0.05).clip(-0.98, 0.98), rate: RATE)
    analysis = Ethoscope::Analysis.of(harsh)

    assert_in_delta 100, analysis.fetch(:tempo)[:bpm], 0.1
    assert_equal [9, true], [analysis.key.pitch_class, analysis.key.minor?]
  end

  def test_the_shortest_that_is_taken
    assert_sound Ethoscope::Analysis.of(Band.new(bpm: 120).bars(2, chords: %w[C], **Band::BACKBEAT).recording)
  end

  def test_silence_around_a_song_is_not_counted
    band = Band.new(bpm: 100, lead_in: 6.0).bars(10, chords: %w[C Am F G], **Band::BACKBEAT)
    song = band.recording.channels
    padded = Numo::SFloat.zeros(2, song.shape[1] + (RATE * 8))
    padded[true, 0...song.shape[1]] = song
    analysis = Ethoscope::Analysis.of(Ethoscope::Audio::Recording.new(channels: padded, rate: RATE))

    assert_includes 10..11, analysis.bars
    assert_in_delta band.time_of_bar(1), analysis.fetch(:downbeats).first, 0.1
  end

  def test_channels_in_opposite_phase_do_not_look_silent
    row = Band.new(bpm: 100).bars(6, chords: %w[C], **Band::BACKBEAT).recording.channels[0, true].dup
    recording = Ethoscope::Audio::Recording.new(channels: Numo::SFloat.vstack([row, row * -1]), rate: RATE)

    assert_sound Ethoscope::Analysis.of(recording)
  end

  def test_the_same_sound_gives_the_same_analysis
    recording = Band.new(bpm: 97).bars(6, chords: %w[Dm G], **Band::BACKBEAT).recording

    assert_equal Ethoscope::Analysis.of(recording), Ethoscope::Analysis.of(recording)
  end

  private

  def analysed(samples)
    Ethoscope::Analysis.of(Ethoscope::Audio::Recording.new(channels: Numo::SFloat.vstack([samples, samples]), rate: RATE))
  end

  # Whatever was heard: bars without gaps, figures that are figures, data that survive JSON, and readings in words.
  def assert_sound(analysis)
    bars = analysis.fetch(:bars)

    assert_operator bars.size, :>=, 1
    bars.each_cons(2) { |a, b| assert_in_delta a[:end], b[:start], 1e-3 }
    assert_equal(bars.size, analysis.fetch(:sections).sum { |section| section[:bars] })
    assert(analysis.fetch(:layers).all? { |layer| layer[:activity].size == bars.size && layer[:activity].all?(&:finite?) })
    assert_equal analysis, Ethoscope::Analysis.from_h(JSON.parse(JSON.generate(analysis.to_h)))
    assert_equal 7, Ethoscope::Readings::Reader.new(analysis).readings.size
    refute_empty Ethoscope::Export::SongMidi.write(Fixture.exported(analysis, "odd"))
    refute_empty Ethoscope::Checklist::Plan.of_song(Fixture.song_of(analysis), aim: "exact").items
    refute_empty Ethoscope::Export::SectionsCsv.write(Fixture.exported(analysis))
  end
end
