# frozen_string_literal: true

require_relative "../../test_helper"

# Detectors of sound, space, dynamics and transitions on sound that is drawn: present, absent and a near miss each.
class SoundDetectorsTest < Ethoscope::TestCase
  Detectors = Ethoscope::Techniques::Detectors
  ALL = (0...64).to_a.freeze
  ROUND = [220, 262, 330, 294].freeze

  # What most tests start from: drums and a pad through all bars.
  def self.plain = @plain ||= band.features

  def self.band = Sketch.new.drums(ALL).pad(ALL)

  def test_noise_that_sweeps_up_to_a_section_is_a_riser
    swept = self.class.band
    [60, 40, 26, 16, 10, 6, 3, 1].each_with_index { |width, i| swept.band_noise(24 + i, 1, width:, level: 0.02 + (0.02 * i)) }
    sighting = find(Detectors::Riser, swept.features).first

    assert_equal 8, sighting.last_bar
    assert_operator sighting.detail[:rises_by_db], :>, 7
    assert_empty find(Detectors::ReverseSwell, swept.features)
    none(Detectors::Riser, self.class.plain)
    none(Detectors::Riser, self.class.band.noise(24, 40, level: 0.3) { |time| (time / 4).clip(0, 1) }.features)
  end

  def test_a_swell_of_one_sound_that_stops_on_the_one
    swell = self.class.band.noise(28, 4, level: 0.5) { |time| (time / 2)**3 }
    sighting = find(Detectors::ReverseSwell, swell.features).first

    assert_equal [8, "reverse_swell"], [sighting.last_bar, sighting.kind]
    none(Detectors::ReverseSwell, self.class.plain)
    none(Detectors::ReverseSwell, self.class.band.noise(28, 4, level: 0.5) { |time| Numo::NMath.exp(time * -2) }.features)
  end

  def test_held_chords_that_dip_with_the_beat
    ducked = Sketch.new.pad(ALL, level: 0.2) { |time| (time / 0.4).clip(0.2, 1) }
    struck = Sketch.new.pad(ALL, level: 0.2) { |time| Numo::NMath.exp(time * -6) }
    sighting = find(Detectors::Pumping, ducked.features).first

    assert_equal [1, 16], [sighting.first_bar, sighting.last_bar]
    assert_operator sighting.detail[:depth_db], :>, 4
    none(Detectors::Pumping, self.class.plain)
    none(Detectors::Pumping, struck.features)
  end

  def test_a_stem_that_dips_with_the_beat_says_how_deep
    ducked = Sketch.new.pad(ALL, level: 0.2) { |time| (time / 0.4).clip(0.25, 1) }
    steady = Sketch.new.pad(ALL, level: 0.2)
    seen = ->(sketch) { Detectors::Pumping.find(Stage.scene(players: [player(sketch, "pad")])) }

    assert_in_delta 10, seen.call(ducked).first.detail[:depth_db], 3
    assert_empty seen.call(steady)
  end

  def test_echoes_that_change_sides
    pinged, repeated, one_sided = [[0.0, 1.0], [1.0, 1.0], [0.0, 0.0]].map { |first| echoes(first) }
    sighting = find(Detectors::PingpongDelay, pinged.features).first

    assert_equal ["dotted eighth", 375], [sighting.detail[:unit], sighting.detail[:delay_ms]]
    none(Detectors::PingpongDelay, repeated.features)
    none(Detectors::PingpongDelay, one_sided.features)
  end

  def test_everything_stops_before_a_section
    gap = ALL - [30, 31]
    sighting = find(Detectors::SilenceBeforeDrop, Sketch.new.drums(gap).pad(gap).features).first

    assert_equal [8, 8], [sighting.first_bar, sighting.last_bar]
    assert_in_delta 2.0, sighting.detail[:beats], 0.5
    none(Detectors::SilenceBeforeDrop, self.class.plain)
    none(Detectors::SilenceBeforeDrop, Sketch.new.drums(gap).pad(ALL).features)
  end

  def test_a_large_hit_that_rings_on
    hit = self.class.band.noise(32, 4, level: 2.0) { |time| Numo::NMath.exp(time * -1.5) }.tone(32, 4, 60, level: 2.0) { |time| Numo::NMath.exp(time * -1.5) }

    assert_equal([9, 9], find(Detectors::Impact, hit.features).first.then { |sighting| [sighting.first_bar, sighting.last_bar] })
    none(Detectors::Impact, self.class.plain)
    none(Detectors::Impact, self.class.band.noise(32, 1, level: 2.0) { |time| Numo::NMath.exp(time * -60) }.features)
  end

  def test_a_low_tone_that_falls_from_the_first_beat
    fall = glide(110, 40)
    sighting = find(Detectors::FallingSub, fall.features).first

    assert_equal 9, sighting.first_bar
    assert_operator sighting.detail[:semitones], :>=, 6
    none(Detectors::FallingSub, glide(80, 80).features)
    none(Detectors::FallingSub, glide(80, 70).features)
  end

  def test_nothing_over_some_frequency_is_a_low_rate
    full = self.class.plain
    limited = cut(self.class.band.band_noise(0, 64, width: 2, level: 0.3), 5000)

    assert_in_delta 5000, find(Detectors::LowRate, limited).first.detail[:cutoff_hz], 1300
    none(Detectors::LowRate, full)
    none(Detectors::LowRate, Sketch.new.pad(ALL).features)
  end

  def test_a_stem_that_wanders_from_side_to_side
    wander = ->(bars) { Sketch.new.tap { |sketch| ALL.each { |beat| side = 0.5 + (0.45 * Math.sin(2 * Math::PI * beat / (bars * 4.0))) and sketch.tone(beat, 1, 220, gain: [1 - side, side]) } } }
    sighting = seen(Detectors::AutoPan, wander.call(2), "chords").first

    assert_in_delta 2.0, sighting.detail[:turn_bars], 0.3
    assert_empty seen(Detectors::AutoPan, Sketch.new.tone(0, 64, 220, gain: [0.3, 0.7]), "chords")
    assert_empty seen(Detectors::AutoPan, Sketch.new.tap { |sketch| ALL.each { |beat| sketch.tone(beat, 1, 220, gain: beat.even? ? [0.48, 0.52] : [0.52, 0.48]) } }, "chords")
  end

  def test_a_recording_that_is_cut_every_two_beats
    chopped = Sketch.new.tap { |sketch| (0...32).each { |i| sketch.tone(i * 2, 2, 220) { |time| ((0.96 - time) * 200).clip(0, 1) } } }

    assert_equal 2, seen(Detectors::Chopped, chopped, "vocal").first.detail[:beats]
    assert_empty seen(Detectors::Chopped, Sketch.new.tone(0, 64, 220), "vocal")
    assert_empty seen(Detectors::Chopped, Sketch.new.tap { |sketch| (0...32).each { |i| sketch.tone((i * 2) + 0.7, 1.9, 220) } }, "vocal")
  end

  def test_a_sub_under_a_body_without_lows
    sub = Sketch.new.tap { |sketch| ALL.each { |beat| sketch.add(beat, 0.9) { |time| Numo::NMath.sin(time * (2 * Math::PI * 56)) * 0.4 } } }
    body = Sketch.new.tap { |sketch| ALL.each { |beat| sketch.tone(beat, 0.9, 330) } }
    full = Sketch.new.tap { |sketch| ALL.each { |beat| sketch.tone(beat, 0.9, 56) } }
    both = ->(one, other) { Detectors::SubAndBody.find(Stage.scene(players: [player(one, "bass", "sub"), player(other, "bass", "body")])) }

    assert_equal 1, both.call(sub, body).size
    assert_empty both.call(sub, full)
    assert_empty both.call(body, full)
  end

  private

  # A pluck every bar whose echo comes on one side after a dotted eighth, and on the other after two.
  def echoes(first)
    Sketch.new.tap do |sketch|
      (0...16).each do |bar|
        pitch = ROUND[bar % 4] * (1 + (bar * 0.013))
        [[0.0, [1.0, 1.0], 1.0], [0.75, first, 0.6], [1.5, first.reverse, 0.4]].each do |late, gain, level|
          sketch.tone((bar * 4) + late, 2, pitch, level: 0.3 * level, gain:) { |time| Numo::NMath.exp(time * -8) }
        end
      end
    end
  end

  def glide(from, to)
    Sketch.new.drums((0...32).to_a).pad(ALL, level: 0.02).add(32, 8) do |time|
      pitch = (time * ((to - from) / 4.0)) + from
      Numo::NMath.sin((pitch / Sketch::RATE).cumsum * (2 * Math::PI)) * 0.6
    end
  end

  # Everything over a frequency taken away.
  def cut(sketch, hertz)
    recording = sketch.recording
    channels = (0..1).map do |side|
      spectrum = Numo::Pocketfft.rfft(Numo::DFloat.cast(recording.channels[side, true]))
      spectrum[(hertz * recording.channels.shape[1] / Sketch::RATE)..] = 0
      Numo::SFloat.cast(Numo::Pocketfft.irfft(spectrum))
    end
    size = channels.map(&:size).min
    Ethoscope::Engine::Features.of(Ethoscope::Audio::Recording.new(channels: Numo::SFloat.vstack(channels.map { |channel| channel[0...size] }), rate: Sketch::RATE))
  end

  def player(sketch, role, name = role) = Ethoscope::Ensemble::Player.new(name:, role:, source: "stem", events: [], sound: sketch.sound(role, name))

  def seen(detector, sketch, role) = detector.find(Stage.scene(players: [player(sketch, role)]))

  def find(detector, features) = detector.find(Stage.scene(features:))

  def none(detector, features) = assert_empty(find(detector, features), detector.name)
end
