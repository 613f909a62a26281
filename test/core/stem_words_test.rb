# frozen_string_literal: true

require_relative "../test_helper"

# What stems show of a layer's sound, on the checklist; and what the frame and the mix say of a song.
class StemWordsTest < Ethoscope::TestCase
  Words = Ethoscope::Checklist::StemWords
  STEM = { name: "bass", role: "bass", bars: { level_db: [-12.0, -14.0, -60.0, nil], share: [1.0, 0.9, 0.0, 0.0] }, bandwidth: [45, 3200], brightness: 420,
           image: "narrow", pan: -0.3, width: 0.06, motion: nil, shape: { attack_ms: 12.4, decay_ms: 310.0, attack: "fast", decay: "medium" },
           pumping: { depth_db: 4.2, rate: "quarters", follows: "kick" }, gating: nil, echo: { ms: 306.0, unit: "dotted eighth", under_db: 12.1, alternates: true }, tail_s: 0.8,
           timing: { late_ms: 8.4, spread_ms: 3.9, swing: 0.58 } }.freeze

  def vector(**more) = Ethoscope::Measures::Vector.of(Fixture.varied(**more))

  def plan(**more) = Ethoscope::Checklist::Plan.of_song(Fixture.song("Fixture", **more), aim: "exact").items

  def test_a_stem_is_told_by_place_tone_shape_moves_echo_and_feel
    sound = vector(stems: [STEM]).of("layers.sound").first

    assert_equal ["bass", "stem", -13.0], [sound.place.role, sound.source, sound.value[:level_db]]
    assert_equal ["Place: narrow, 30 % to the left, 6 % at the sides; −13.0 dB where it plays.", "Tone: from 45 Hz to 3.2 kHz, brightest around 420 Hz.",
                  "Shape: fast attack (12 ms), medium decay (310 ms); a tail of 0.8 s.", "Moves: it breathes by 4.2 dB, quarters with the kick.",
                  "Echo: dotted eighth, 12.1 dB under it, from side to side.", "Feel: 8 ms late, scattered by ±4 ms, swing 58 %."], Words.steps(sound.value)
  end

  def test_what_a_stem_does_not_show_is_not_told
    bare = STEM.merge(shape: nil, pumping: nil, echo: nil, pan: 0.02, timing: { late_ms: nil, spread_ms: nil, swing: nil })

    assert_equal 2, Words.steps({ **bare.except(:bars, :name, :role) }).size
    assert_match(/in the middle/, Words.steps(bare).first)
  end

  def test_the_item_of_a_layer_has_what_its_stem_shows
    item = plan(stems: [STEM]).find { |one| one.title == "A sound for the bass" }

    assert_includes item.steps, "Echo: dotted eighth, 12.1 dB under it, from side to side."
    assert_equal %w[layers.card layers.sound], item.targets.map(&:measure)
  end

  def test_the_mix_is_told_from_section_to_section_and_register_by_register
    items = plan.select { |item| item.stage == "Mix" }
    levels = items.find { |item| item.title == "Levels from section to section" }

    assert_equal ["Loudness", "Range and true peak", "Levels from section to section", "Spectrum", "Stereo width"], items.map(&:title)
    assert_match(/\Achorus, bars 5 to 8: −\d+\.\d LUFS, \d+\.\d LU above the one before\.\z/, levels.steps[1])
    assert_equal 4, levels.targets.size
    assert_match(/\A80 to 200 Hz: [+−]?\d/, items.find { |item| item.title == "Spectrum" }.steps[1])
    assert_match(/By register: below 120 Hz \d+ %/, items.last.steps.first)
  end

  def test_a_width_that_is_small_is_not_met_by_mono
    width = plan.find { |item| item.title == "Stereo width" }.targets.first

    assert_operator width.tolerance, :<=, [width.value / 2, 0.5].max + 0.05
    assert_equal([5, 3.0, 0.5], [80.0, 6.0, 0.0].map { |value| Ethoscope::Measures::Registry.fetch("mix.width").tolerance(true, value) })
  end

  def test_a_key_with_rivals_says_how_sure_it_is_and_what_else_it_could_be
    key = Fixture.key("A", "minor").merge(confidence: 0.55, rivals: [{ tonic: "C", mode: "major", odds: 0.3 }, { tonic: "E", mode: "minor", odds: 0.01 }])
    items = plan(key:)

    assert_equal ["Sure by 55 %; it could be C major (30 %) as well: settle that by ear first."], items.find { |item| item.title.start_with?("Key") }.steps
    assert_empty plan(key: key.merge(confidence: 0.97, rivals: [])).find { |item| item.title.start_with?("Key") }.steps
  end

  def test_registers_that_are_struck_apart_are_told_against_each_other
    timing = [["low", 12.0], ["high", -8.0]].map { |register, late| { register:, offsets_ms: [late, nil, late], spread_ms: 3.0, onsets: 40 } }
    item = plan(groove: { swing_unit: "8th", swing_ratio: 0.5, confidence: 0.6, feel: "played", timing: }).find { |one| one.title == "Feel: off the grid" }

    assert_equal "low 10 ms late, high 10 ms early", item.target
    assert_nil(plan(groove: { swing_unit: "8th", swing_ratio: 0.5, confidence: 0.6, feel: "programmed", timing: [] }).find { |one| one.title == "Feel: off the grid" })
  end

  def test_a_tempo_that_moves_is_told_in_stretches
    bpms = ([100.0] * 4) + ([104.0] * 4)
    item = plan(tempo_map: bpms.each_with_index.map { |bpm, i| { time: i * 2.0, bpm: } }).find { |one| one.title == "Tempo follows its map" }

    assert_equal "bars 1 to 4 at 100.00 BPM; bars 5 to 8 at 104.00 BPM.", item.steps.first
  end

  def test_a_later_pass_is_told_by_what_it_has_more_or_less_than_the_first
    passes = plan.select { |item| item.title.start_with?("Who plays") }

    assert_equal ["From 0:19, as before.", "As the verse from bar 1."], passes[2].steps
    layers = Fixture.analysis.fetch(:layers).map { |layer| layer[:name] == "bass" ? layer.merge(activity: layer[:activity].first(8) + ([0.0] * 8), spans: [[0.0, 19.5]]) : layer }
    later = plan(layers:).select { |item| item.title.start_with?("Who plays") }[2]

    assert_equal ["From 0:19, leaves: bass.", "As the verse from bar 1, but without bass."], later.steps
  end

  def test_a_card_says_whether_one_has_the_sound
    song = Fixture.song("Fixture", heard_layers: [{ name: "bass", role: "bass", levels: [3] * 16, card: { have: "need", sound: "round", made_from: "an old loop" } }])
    item = Ethoscope::Checklist::Plan.of_song(song, aim: "exact").items.find { |one| one.title == "A sound for the bass" }

    assert_equal "It is still needed.", item.steps.first
    assert_includes item.steps, "Made from: an old loop. Where that is a recording, using it touches other people's rights: ask before a release."
  end

  def test_chords_of_which_a_mix_is_not_sure_are_something_to_begin_from_and_nothing_to_be_held_against
    chords = Fixture.analysis.fetch(:chords).map { |chord| chord[:bar].between?(5, 8) || chord[:bar] > 12 ? chord.merge(confidence: 0.6) : chord }
    doubtful, sure = plan(chords:).select { |item| item.title.start_with?("Chords in") }.partition { |item| item.targets.empty? }

    assert_equal([["Chords in the chorus, to be settled by ear"], ["Chords in the verse"]], [doubtful, sure].map { |items| items.map(&:title) })
    assert_equal "heard as Dm E7 and so on, sure by 60 %", doubtful.first.target
    assert_match(/bars 5 to 6: Dm on 1 for 4/, doubtful.first.steps[2])
  end
end
