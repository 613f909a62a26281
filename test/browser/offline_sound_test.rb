# frozen_string_literal: true

require_relative "../test_helper"

# The graphs that people hear, rendered faster than real time in the browser and measured.
class OfflineSoundTest < BrowserCase
  RATE = 44_100
  # Makes a tone and measures what comes out; ISO renders an isolation, STRETCH another speed or pitch.
  PRELUDE = <<~JS.freeze
    const done = arguments[arguments.length - 1];
    const rate = #{RATE};
    const tone = (hertz, seconds, from = 0, to = seconds) => Float32Array.from({ length: rate * seconds }, (_, i) =>
      i >= from * rate && i < to * rate ? 0.5 * Math.sin(2 * Math.PI * hertz * i / rate) : 0);
    const level = (samples, from, to) => {
      let sum = 0;
      for (let i = Math.floor(from * rate); i < to * rate; i++) sum += samples[i] * samples[i];
      return 10 * Math.log10(sum / ((to - from) * rate) + 1e-20);
    };
    // Rising zero crossings between two moments, the first and last interpolated: the frequency of a tone.
    const frequency = (samples, from, to) => {
      const at = [];
      for (let i = Math.floor(from * rate); i < to * rate; i++)
        if (samples[i - 1] < 0 && samples[i] >= 0) at.push(i - samples[i] / (samples[i] - samples[i - 1]));
      return (at.length - 1) * rate / (at[at.length - 1] - at[0]);
    };
    const sounding = (samples) => {
      const loud = [...samples.keys()].filter((i) => Math.abs(samples[i]) > 0.05);
      return (loud[loud.length - 1] - loud[0]) / rate;
    };
    import("/assets/listening.js").then(async (ear) => { BODY }).then(done, (error) => done({ error: String(error) }));
  JS

  def measured(body)
    visit "/"
    result = Capybara.using_wait_time(60) { page.driver.browser.execute_async_script(PRELUDE.sub("BODY") { body }) }

    flunk result["error"] if result.is_a?(Hash)
    result
  end

  def isolated(isolation, hertz, right: 1)
    measured(<<~JS)
      const left = tone(#{hertz}, 1), right = left.map((sample) => sample * #{right});
      const out = await ear.renderIsolated([left, right], rate, "#{isolation}");
      return level(out[0], 0.4, 0.9) - level(left, 0.4, 0.9);
    JS
  end

  def test_the_low_end_lets_the_bass_through_and_takes_away_the_middle
    assert_in_delta 0, isolated("low end", 50), 1.0
    assert_operator isolated("low end", 1000), :<, -30
  end

  def test_each_band_lets_its_own_through_and_little_else
    assert_in_delta 0, isolated("low middle", 280), 1.0
    assert_operator isolated("low middle", 3000), :<, -30
    assert_in_delta 0, isolated("middle", 1900), 1.0
    assert_operator isolated("middle", 60), :<, -30
    assert_in_delta 0, isolated("top", 12_000), 1.0
    assert_operator isolated("top", 1000), :<, -30
  end

  def test_the_centre_and_the_sides_are_told_apart
    assert_in_delta 0, isolated("centre", 440), 0.1
    assert_operator isolated("sides", 440), :<, -60
    assert_operator isolated("centre", 440, right: -1), :<, -60
    assert_in_delta 0, isolated("sides", 440, right: -1), 0.1
  end

  def test_three_semitones_up_is_heard_at_the_same_length
    pitch, length = measured(<<~JS)
      const out = await ear.renderStretched([tone(440, 4, 1, 3)], rate, { rate: 1, semitones: 3, seconds: 4 });
      return [frequency(out, 1.5, 2.7), sounding(out)];
    JS

    assert_in_delta 523.25, pitch, 2
    assert_in_delta 2.0, length, 0.15
  end

  def test_half_speed_keeps_the_pitch_at_twice_the_length
    pitch, length = measured(<<~JS)
      const out = await ear.renderStretched([tone(440, 3, 0.5, 2)], rate, { rate: 0.5, semitones: 0, seconds: 5 });
      return [frequency(out, 1.5, 3.5), sounding(out)];
    JS

    assert_in_delta 440, pitch, 2
    assert_in_delta 3.0, length, 0.2
  end

  def test_one_and_a_half_times_the_speed_keeps_the_pitch_at_two_thirds_of_the_length
    pitch, length = measured(<<~JS)
      const out = await ear.renderStretched([tone(440, 4, 0.6, 3.6)], rate, { rate: 1.5, semitones: 0, seconds: 3 });
      return [frequency(out, 0.8, 2.0), sounding(out)];
    JS

    assert_in_delta 440, pitch, 2
    assert_in_delta 2.0, length, 0.15
  end

  def test_a_slowed_loop_comes_round_without_a_gap
    levels = measured(<<~JS)
      const out = await ear.renderStretched([tone(440, 3)], rate, { rate: 0.8, semitones: 0, seconds: 5, loop: [0.5, 1.5] });
      return Array.from({ length: 80 }, (_, i) => level(out, 0.6 + i * 0.05, 0.65 + i * 0.05));
    JS

    assert_operator levels.max - levels.min, :<, 3
  end

  # What the playhead reckons with: a moment of the recording comes at (moment - start) / rate.
  def test_a_stroke_is_heard_where_the_playhead_says_it_is
    [[0.5, 0], [1.5, 0], [1.0, 4]].each do |speed, semitones|
      heard = measured(<<~JS)
        const stroke = tone(1000, 3, 1, 1.03);
        const out = await ear.renderStretched([stroke], rate, { rate: #{speed}, semitones: #{semitones}, seconds: 4 });
        const peak = out.reduce((best, sample, i) => Math.abs(sample) > Math.abs(out[best]) ? i : best, 0);
        return peak / rate;
      JS

      assert_in_delta 1.015 / speed, heard, 0.02 / [speed, 1].min
    end
  end

  # A low tone for the reference, one four times as strong and higher for the attempt; heard from 2 s on in its place.
  def pair(apart: false, &)
    measured(<<~JS)
      const one = tone(220, 4).map((sample) => sample / 4), other = tone(880, 4);
      const out = await ear.renderPair([one, one], [other, other], rate, { at: 2, apart: #{apart} });
      #{yield}
    JS
  end

  def test_two_songs_are_as_loud_as_each_other_to_a_tenth_of_a_unit
    before, after = pair { "return [await ear.loudnessOf(out, rate, 0.5, 1.9), await ear.loudnessOf(out, rate, 2.1, 3.9)];" }

    assert_in_delta before, after, 0.1
  end

  def test_one_changes_into_the_other_within_ten_milliseconds_and_without_a_click
    low, high, jump = pair { <<~JS }
      const steps = out[0].slice(1.95 * rate, 2.05 * rate).map((sample, i, all) => i === 0 ? 0 : Math.abs(sample - all[i - 1]));
      return [frequency(out[0], 1.5, 2.0), frequency(out[0], 2.01, 2.5), Math.max(...steps)];
    JS

    assert_in_delta 220, low, 1
    assert_in_delta 880, high, 2
    # What the louder tone does between two samples anyhow; a click would be many times that.
    assert_operator jump, :<, 0.125 * 2 * Math::PI * 880 / RATE * 1.5
  end

  def test_both_are_heard_left_and_right
    left, right = pair(apart: true) { "return [frequency(out[0], 2.2, 3.5), frequency(out[1], 2.2, 3.5)];" }

    assert_in_delta 220, left, 1
    assert_in_delta 880, right, 2
  end

  # Four bars of a second each in the reference, four fifths of that in the attempt, which leaves out the second one: strokes on the first and on the last beat.
  def test_an_attempt_is_heard_at_the_bar_of_its_reference
    heard = measured(<<~JS)
      const bar = (index, length) => ({ start: index * length, end: (index + 1) * length });
      const lead = [0, 1, 2, 3].map((index) => bar(index, 1));
      const bars = [bar(0, 0.8), null, bar(1, 0.8), bar(2, 0.8)];
      const later = tone(1000, 4, 2.0, 2.03), strokes = tone(1000, 4, 0.4, 0.43).map((sample, i) => sample + later[i]);
      const out = await ear.renderAlongside([strokes], rate, lead, bars, 4.2);
      const peak = (from, to) => { let best = from * rate; for (let i = best; i < to * rate; i++) if (Math.abs(out[i]) > Math.abs(out[best])) best = i; return best / rate; };
      return [peak(0, 1), peak(3, 4), level(out, 1.1, 1.9)];
    JS

    assert_in_delta 0.415 / 0.8, heard[0], 0.025
    assert_in_delta 3 + (0.415 / 0.8), heard[1], 0.025
    assert_operator heard[2], :<, -50
  end
end
