# frozen_string_literal: true

require_relative "../test_helper"

# What turns up on a checklist, and what does not.
class PlansTest < Ethoscope::TestCase
  Checklist = Ethoscope::Checklist

  def test_straight_playing_needs_no_swing_and_swing_has_its_figure
    assert_nil find(plan, /Swing/)
    swung = find(plan(groove: { swing_ratio: 0.62, swing_unit: "16th", confidence: 0.7 }), /Swing/)

    assert_equal ["Swing of the 16ths", "62 %"], [swung.title, swung.target]
  end

  def test_tuning_matters_to_an_exact_remake_alone
    tuning = { cents: -14.0, confidence: 0.9, a4: 436.5 }

    assert_equal "−14 cents", find(plan(tuning:), /tuned/).target
    assert_nil find(plan(aim: "style", tuning:), /tuned/)
    assert_nil find(plan(tuning: tuning.merge(cents: 2.0)), /tuned/)
  end

  def test_without_a_pulse_or_a_key_there_are_no_such_targets
    items = plan(tempo: { bpm: nil, constant: false, confidence: 0.0, candidates: [] }, key: nil)

    assert_nil find(items, /\ATempo/)
    assert_nil find(items, /\AKey/)
    assert find(items, /Aim and length/)
  end

  def test_a_moving_tempo_says_how_to_follow_it
    moving = find(plan(tempo: Fixture.tempo(100.0).merge(constant: false), tempo_map: [98.0, 102.0].map.with_index(1) { |bpm, bar| { bar:, time: bar * 2.4, bpm: } }), /Tempo/)

    assert_match(/tempo map/, moving.steps.join(" "))
  end

  def test_chords_of_each_letter_are_written_once
    items = plan.select { |item| item.title.start_with?("Chords in") }

    assert_equal Fixture.analysis.fetch(:sections).map { |section| section[:letter] }.uniq.size, items.size
    assert(items.all? { |item| !item.fallback.empty? })
  end

  def test_each_kind_of_technique_is_one_item_with_its_places
    sightings = [5, 9].map { |bar| sighting("drum_drop", bar) } << sighting("four_on_floor", 1)
    items = plan(techniques: sightings).select { |item| item.stage == "Techniques" }

    assert_equal ["twice: bar 5, bar 9", "once: bar 1"], items.map(&:target)
    assert_equal([5, 9], items.first.targets.map { |target| target.place.first_bar })
    assert_operator items.first.steps.size, :>=, 2
    assert(items.first.steps.all? { |step| step.match?(/\d/) })
  end

  def test_layers_that_are_not_heard_are_no_task
    layers = Fixture.analysis.fetch(:layers).map { |layer| layer.merge(spans: [], activity: layer[:activity].map { 0.0 }) }
    items = plan(layers:)

    assert_empty(items.select { |item| %w[Sounds Groove].include?(item.stage) })
    assert_nil find(items, /Bass sounds/)
  end

  def test_what_is_improbable_is_a_doubt_and_no_task
    layers = Fixture.analysis.fetch(:layers).map { |layer| layer[:role] == "snare" ? layer.merge(confidence: 0.31) : layer }
    items = plan(layers:, techniques: [sighting("drum_drop", 5), sighting("riser", 9).merge(confidence: 0.3, source: "mix")])
    doubts = items.select { |item| item.targets.empty? && item.title.end_with?("?") }

    assert_equal 2, doubts.size
    assert_equal "Is there a snare?", doubts.first.title
    assert_equal ["heard in 16 of 16 bars, 31 % sure", "bar 9, 30 % sure"], doubts.map(&:target)
    assert_nil find(items, /\ASnare/)
    assert(find(items, /\AWho plays/).targets.any? { |target| target.place.role == "snare" })
  end

  def test_a_layer_that_hardly_plays_is_a_doubt_but_said_to_be_absent
    layers = Fixture.analysis.fetch(:layers).map { |layer| layer[:role] == "snare" ? layer.merge(activity: [1.0] + ([0.0] * 15), confidence: 0.9) : layer }
    items = plan(layers:)
    absent = items.flat_map(&:targets).select { |target| target.measure == "layers.plays" && target.place.role == "snare" }

    assert_equal "heard in 1 of 16 bars, 90 % sure", find(items, /Is there a snare/).target
    assert_nil find(items, /\ASnare/)
    assert_equal %w[absent], absent.map(&:value).uniq
  end

  def test_a_profile_has_no_doubts
    assert_nil find(Checklist::Plan.of_profile([Fixture.song("one"), Fixture.song("two")]).items, /\?\z/)
  end

  def test_a_sound_says_its_register_and_where_to_cut
    assert_equal ["Bass: C2 to A2; cut below 65 Hz, its lowest note."], find(plan, /A sound for the bass/).steps
  end

  def test_who_enters_and_leaves_is_told_section_by_section
    layers = Fixture.analysis.fetch(:layers).map { |layer| layer[:role] == "hats" ? layer.merge(activity: ([0.0] * 4) + ([1.0] * 12)) : layer }
    second = plan(layers:).select { |item| item.title.start_with?("Who plays") }[1]

    assert_equal ["Who plays from bar 5, chorus", ["From 0:10, enters: hats."]], [second.title, second.steps]
  end

  def test_the_peak_is_the_loudest_section
    peak = find(plan, /The peak is/)

    assert_equal "The peak is the chorus", peak.title
    assert_match(/\Abars 5 to 8/, peak.target)
  end

  def test_a_song_too_quiet_to_gate_has_no_loudness_target
    assert_nil find(plan(loudness: { integrated: nil, peak_db: -70.0 }), /\ALoudness/)
  end

  def test_everything_that_is_measured_for_a_stage_is_a_target_once
    targets = plan.flat_map(&:targets)
    workable = Fixture.song("Fixture").vector.all.reject { |measured| Ethoscope::Measures::Registry.fetch(measured.measure).stage.nil? }

    assert_operator targets.size, :>=, 40
    assert_equal targets.uniq.size, targets.size
    assert_empty(targets.map { |target| [target.measure, target.place] } - workable.map { |measured| [measured.measure, measured.place] })
  end

  def test_what_no_stage_words_itself_is_an_item_of_its_own
    target = Ethoscope::Measures::Target.new(measure: "harmony.tuning", place: Ethoscope::Measures::Place.song, value: -12.0, tolerance: 1.0, source: "mix", confidence: 1.0,
      holds: nil)
    brief = Checklist::SongTargets.new(Fixture.song("Fixture"), exact: true).brief
    item = Checklist::Stages::Mix.new([target], brief).items.first

    assert_equal ["Tuning", "−12 cents", "±1 cents", "tuning"], item.to_h.values_at(:title, :target, :tolerance, :from)
  end

  def test_a_profile_without_a_shared_pulse_takes_the_wanted_tempo
    songs = [Fixture.song("drift", tempo: { bpm: nil, constant: false, confidence: 0.0, candidates: [] })]
    items = Checklist::Plan.of_profile(songs, wanted: { bpm: 88.0 }).items

    assert_equal "88.00 BPM", find(items, /\ATempo/).target
    assert_nil find(Checklist::Plan.of_profile(songs).items, /\ATempo/)
  end

  def test_a_profile_names_the_mode_when_no_key_is_wanted
    songs = %w[A D].map { |tonic| Fixture.song(tonic, key: Fixture.key(tonic, "dorian")) }

    assert_equal "any dorian key", find(Checklist::Plan.of_profile(songs).items, /\AKey/).target
    wanted = { key: Ethoscope::Harmony::Key.named("Eb", "minor") }

    assert_equal "E♭ minor", find(Checklist::Plan.of_profile(songs, wanted: wanted).items, /\AKey/).target
  end

  def test_habits_of_fewer_than_half_of_the_songs_are_no_task
    songs = Array.new(3) { |i| Fixture.song("song #{i}", techniques: i.zero? ? [sighting("drum_drop", 5)] : [sighting("four_on_floor", 1)]) }
    items = Checklist::Plan.of_profile(songs).items.select { |item| item.stage == "Techniques" }

    assert_equal ["Four-on-the-floor kick"], items.map(&:title)
    assert_equal "in 2 of 3 songs", items.first.target
  end

  private

  def plan(aim: "exact", **parts) = Checklist::Plan.of_song(Fixture.song("Fixture", **parts), aim:).items

  def find(items, title) = items.find { |item| item.title.match?(title) }

  def sighting(kind, bar)
    { name: "", kind:, first_bar: bar, last_bar: bar, start: 0.0, end: 1.0, confidence: 0.9, detail: {} }
  end
end
