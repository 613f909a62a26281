# frozen_string_literal: true

require_relative "../test_helper"

# What is measured on a stem, on sound that is drawn so.
class StemMeasuresTest < Ethoscope::TestCase
  ALL = (0...64).to_a.freeze
  TUNE = [220, 247, 262, 330].freeze
  ECHOES = [[0, 0.4], [0.75, 0.15], [1.5, 0.05]].freeze

  def facts(sketch, role) = sketch.sound(role).to_h(sections: Stage.sections(["verse", "A", 8], ["verse", "A", 8]), whole: [1.0] * 16)

  def test_place_and_width
    left = facts(Sketch.new.tone(0, 64, 220, gain: [0.9, 0.3]), "chords")

    assert_equal "mono", left[:image]
    assert_operator left[:pan], :<, -0.5
    wide = Sketch.new.tap { |sketch| ALL.each { |beat| sketch.noise(beat, 1, gain: [1, 0]).noise(beat, 1, gain: [0, 1]) } }

    assert_equal "wide", facts(wide, "texture")[:image]
  end

  def test_frequencies_and_brightness
    low = facts(Sketch.new.tone(0, 64, 110), "bass")
    high = facts(Sketch.new.tone(0, 64, 880), "lead")

    assert_operator low[:bandwidth].last, :<, 700
    assert_operator high[:bandwidth].first, :>, 600
    assert_operator high[:brightness], :>, low[:brightness] * 2
  end

  def test_attack_and_decay_in_words
    pluck = Sketch.new.tap { |sketch| ALL.each { |beat| sketch.tone(beat, 0.9, 330) { |time| Numo::NMath.exp(time * -14) } } }
    swell = Sketch.new.tap { |sketch| (0...32).each { |i| sketch.tone(i * 2, 1.8, 330) { |time| (time / 0.25).clip(0, 1) * ((0.9 - time) / 0.3).clip(0, 1) } } }

    assert_equal %w[sharp short], facts(pluck, "chords")[:shape].values_at(:attack, :decay)
    assert_equal "slow", facts(swell, "chords")[:shape][:attack]
  end

  def test_a_gate_and_what_is_none
    gated = Sketch.new.pad(ALL, level: 0.2) { |time| Numo::DFloat.cast(((time / 0.125) % 1) < 0.6) }

    assert_equal 4, facts(gated, "pad")[:gating][:steps]
    assert_nil facts(Sketch.new.pad(ALL, level: 0.2), "pad")[:gating]
  end

  def test_a_delay_is_named_by_its_note_value
    echoed = Sketch.new.tap do |sketch|
      (0...16).each { |bar| ECHOES.each { |late, level| sketch.tone((bar * 4) + late, 1, 440, level:) { |time| Numo::NMath.exp(time * -12) } } }
    end
    found = facts(echoed, "lead")[:echo]

    assert_equal ["dotted eighth", 375, false], found.values_at(:unit, :ms, :alternates)
    assert_in_delta 8.5, found[:under_db], 2
    assert_nil facts(Sketch.new.tap { |sketch| (0...16).each { |bar| sketch.tone(bar * 4, 1, 440) { |time| Numo::NMath.exp(time * -12) } } }, "lead")[:echo]
  end

  def test_how_long_it_rings_on
    ringing = ->(seconds) { Sketch.new.tap { |sketch| (0...16).each { |bar| sketch.noise(bar * 4, 3.9, level: 0.4) { |time| Numo::NMath.exp(time * (-6.9 / seconds)) } } } }

    assert_in_delta 1.5, facts(ringing.call(1.5), "snare")[:tail_s], 0.4
    assert_in_delta 0.5, facts(ringing.call(0.5), "snare")[:tail_s], 0.2
  end

  def test_pitches_of_a_line_and_of_chords
    line = facts(Sketch.new.tap { |sketch| (0...32).each { |i| sketch.tone(i * 2, 1.9, TUNE[i % 4]) } }, "lead")[:pitch]
    chords = facts(Sketch.new.pad(ALL, level: 0.2), "chords")[:pitch]

    assert line[:line]
    assert_equal [57, 64], line.values_at(:low, :high)
    refute chords[:line]
    assert_in_delta 3, chords[:polyphony], 0.6
  end

  def test_repeats_and_what_differs_the_second_time
    same = facts(Sketch.new.tap { |sketch| (0...32).each { |i| sketch.tone(i * 2, 1.9, [220, 262][i % 2]) } }, "lead")
    other = facts(Sketch.new.tap { |sketch| (0...32).each { |i| sketch.tone(i * 2, 1.9, i < 16 ? [220, 262][i % 2] : [175, 294][i % 2]) } }, "lead")

    assert_equal [1, %w[A A]], same.values_at(:period, :variations)
    refute_equal(*other[:variations])
  end

  def test_late_strokes_against_the_grid
    late = facts(Sketch.new.tap { |sketch| ALL.each { |beat| sketch.noise(beat + 0.04, 0.2, level: 0.4) { |time| Numo::NMath.exp(time * -40) } } }, "snare")

    assert_in_delta 20, late[:timing][:late_ms], 8
    assert_in_delta 1.0, late[:density], 0.05
  end
end
