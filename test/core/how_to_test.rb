# frozen_string_literal: true

require_relative "../test_helper"

# How a technique is done, told in the tempo and key of the new track.
class HowToTest < Ethoscope::TestCase
  Techniques = Ethoscope::Techniques

  def how_to(bpm: 100, key: "C minor", meter: "4/4", shift: 0)
    Techniques::HowTo.new(bpm:, key: key && Stage.key(key), meter: Ethoscope::Rhythm::Meter.named(meter), shift:)
  end

  def test_steps_take_up_the_figures_of_the_sighting_and_the_tempo_of_the_track
    steps = how_to.steps(Techniques::Library.entry("pingpong_delay"), { first_bar: 9, last_bar: 16, detail: { unit: "dotted eighth", delay_ms: 402 } })

    assert_includes steps[0], "bars 9 to 16"
    assert_includes steps[1], "450 ms at your tempo (402 ms in the reference)"
  end

  def test_without_a_sighting_the_usual_figures_stand
    steps = how_to.steps(Techniques::Library.entry("pumping"))

    assert_includes steps[0], "the section"
    assert_includes steps[1], "6 dB"
    assert_includes steps[2], "450 ms"
  end

  def test_a_figure_that_was_not_measured_is_said_to_be_a_place_to_start_from
    entry = Techniques::Library.entry("filtered_section")
    sighting = { first_bar: 1, last_bar: 4, detail: { opens_by_db: 12.5 } }

    assert_includes how_to.steps(entry, sighting).join("\n"), "Close it to about 800 Hz (a place to start from; it was not measured)."
    refute_match(/12\.5 dB[^\n]*not measured/, how_to.steps(entry, sighting).join("\n"))
    refute_match(/not measured/, how_to.steps(entry).join("\n"))
  end

  def test_notes_move_with_the_key
    steps = how_to(key: "D minor", shift: 2).steps(Techniques::Library.entry("pedal"), { first_bar: 1, last_bar: 1, detail: { note: "C" } })

    assert_includes steps[0], "Hold D"
    assert_includes steps[0], "bar 1"
  end

  def test_a_beat_in_six_eight_is_a_dotted_quarter
    steps = how_to(bpm: 60, meter: "6/8").steps(Techniques::Library.entry("thrown_echo"))

    assert_includes steps[2], "667 ms"
  end

  def test_every_entry_can_be_told_without_figures_left_open
    Techniques::Library.entries.each do |entry|
      how_to(key: nil).steps(entry).each { |step| refute_match(/%\{/, step, entry.kind) }
    end
  end
end
