# frozen_string_literal: true

require_relative "../test_helper"

# The stages of a plan word targets, those of a song and those of a profile alike.
class StagesTest < Ethoscope::TestCase
  Checklist = Ethoscope::Checklist
  Place = Ethoscope::Measures::Place

  def song(**parts) = Fixture.song("Song", **parts)

  def brief(profile: false, **told)
    Checklist::Brief.new(exact: true, bpm: 100.0, key: nil, meter: "4/4", shift: 0, bars: 16, songs: profile ? 3 : 1, profile:, entries: ->(_) {}, from: 1, **told)
  end

  def target(measure, value, place: Place.song, tolerance: 1, holds: nil)
    Ethoscope::Measures::Target.new(measure:, place:, value:, tolerance:, source: "mix", confidence: 1.0, holds:)
  end

  def items(stage, *targets, **told) = stage.new(targets, brief(**told)).items

  def test_the_same_stages_serve_a_song_and_a_profile
    of_song = Checklist::Plan.of_song(song, aim: "exact").items.map(&:stage).uniq
    of_profile = Checklist::Plan.of_profile([song, song]).items.map(&:stage).uniq

    assert_equal Checklist::Plan::STAGES.map { |stage| stage::NAME }, of_song
    assert_empty of_profile - of_song
  end

  def test_every_school_has_every_stage
    assert_equal([Checklist::Plan::STAGES.map { |stage| stage::NAME }.sort], Checklist::Schools::ALL.map { |school| school.stages.sort }.uniq)
  end

  def test_a_bar_lasts_as_long_as_its_beats
    assert_in_delta 2.4, brief.bar_seconds
    assert_in_delta 1.2, brief(meter: "6/8").bar_seconds
    assert_in_delta 2.0, brief(bpm: nil).bar_seconds
  end

  def test_a_profile_says_in_how_many_songs_something_holds
    kick = target("layers.bars", 24, place: Place.of_layer(role: "kick", name: "kick"), tolerance: 6.5, holds: [2, 3])
    item = items(Checklist::Stages::Groove, kick, profile: true).first

    assert_equal ["Kick where it plays", "about 24 bars, in 2 of 3 songs", "±7 bars", "profile", nil], item.to_h.values_at(:title, :target, :tolerance, :from, :about)
  end

  def test_steps_of_a_piece_stand_with_where_it_plays
    place = Place.of_layer(role: "kick", name: "kick")
    steps = target("groove.steps", { steps: 16, bars: 1, hits: [1.0] + ([0.0] * 15) }, place: place.within(label: "verse", letter: "A", first_bar: 1, bars: 4))
    item = items(Checklist::Stages::Groove, target("layers.bars", 12, place:), steps).first

    assert_equal ["Kick in the verse", "on 1", %w[groove.steps layers.bars]], [item.title, item.target, item.targets.map(&:measure)]
    assert_equal ["verse, bars 1 to 4: each bar on 1."], item.steps
    assert_equal "layer:kick", item.about
  end

  def test_pieces_of_one_kit_are_written_one_by_one
    kit = Place.of_layer(role: "hats", name: "kit hats")
    steps = ["closed hats", "open hats"].each_with_index.map do |piece, i|
      place = Place.of_layer(role: "hats", name: piece).within(label: "verse", letter: "A", first_bar: 1, bars: 4)
      target("groove.steps", { steps: 16, bars: 1, hits: ([0.0] * i) + [1.0] + ([0.0] * (15 - i)), piece: }, place:)
    end
    found = items(Checklist::Stages::Groove, target("layers.bars", 12, place: kit), *steps)

    assert_equal(["Closed hats in the verse", "Open hats in the verse"], found.map(&:title))
    assert_equal(["on 1", "on 1.25"], found.map(&:target))
  end

  def test_chords_of_a_letter_are_written_once_with_how_they_are_voiced
    places = [["verse", 1], ["verse 2", 9]].map { |label, first_bar| Place.of_section(label:, letter: "A", first_bar:, bars: 4) }
    chords = places.map { |place| target("harmony.chords", [{ bar: 1, beat: 1.0, beats: 4.0, symbol: "Am" }, { bar: 2, beat: 1.0, beats: 4.0, symbol: "F" }], place:) }
    voiced = target("harmony.voicings", [{ symbol: "Am", notes: %w[A3 C4 Eb4] }], place: places.first)
    found = items(Checklist::Stages::ChordsAndBass, *chords, voiced)

    assert_equal([["Chords in the verse", "Am F"]], found.map { |item| [item.title, item.target] })
    assert_includes found.first.steps, "Am as voiced: A3 C4 E♭4."
  end

  def test_a_profile_has_a_vocabulary_and_a_loop_in_the_place_of_chords
    degrees = target("harmony.degrees", %w[i VI III VII iv v].map { |degree| { degree:, bars: 1 } }, holds: [3, 3])
    loop = target("harmony.loop", { degrees: %w[i VI], bars: 4 }, holds: [2, 3])
    found = items(Checklist::Stages::ChordsAndBass, degrees, loop, profile: true)

    assert_equal([["Vocabulary", "i VI III VII iv"], ["Loop", "i VI"]], found.map { |item| [item.title, item.target] })
  end

  def test_a_bass_that_rests_often_is_not_said_to_sound_in_most_bars
    place = Place.of_layer(role: "bass", name: "bass")

    assert_equal(["Bass sounds in most bars", "Bass sounds in some bars"], [80, 30].map do |share|
      items(Checklist::Stages::ChordsAndBass, target("layers.presence", share, place:)).first.title
    end)
  end

  def test_a_mark_of_another_song_says_which
    mark = target("techniques.mark", { type: "idea", text: "a bell", title: "Wet Slate" }, place: Place.song.with(first_bar: 5, bars: 1))
    item = items(Checklist::Stages::Techniques, mark, profile: true).first

    assert_equal ["Idea: a bell", "“Wet Slate”, bar 5", "by ear"], item.to_h.values_at(:title, :target, :tolerance)
  end

  def test_items_know_themselves_again_whatever_their_figures_are
    tempo = ->(bpm) { items(Checklist::Stages::TempoAndKey, target("time.tempo", { bpm: })).first }
    kinds = %w[riser impact].map { |kind| items(Checklist::Stages::Techniques, target("techniques.technique", { kind:, name: kind, detail: {} }, place: Place.song.with(first_bar: 5, bars: 1))).first }

    assert_equal tempo.call(90.0).identity, tempo.call(120.0).identity
    refute_equal kinds.first.identity, kinds.last.identity
    assert_equal ["Check", "By ear"], Checklist::Item.identity("Check", "By ear", [])
  end

  def test_what_is_wanted_of_the_new_track_is_wanted_although_the_song_does_not_tell_it
    silent = song(tempo: { bpm: nil, constant: false, confidence: 0.0, candidates: [] }, tempo_map: [], key: nil)
    wanted = { bpm: 88.0, key: Ethoscope::Harmony::Key.named("D", "dorian") }
    found = Checklist::Plan.of_song(silent, aim: "style", wanted:).items.select { |item| item.stage == "Tempo and key" }

    assert_equal ["88.00 BPM", "D dorian"], found.map(&:target)
    assert_equal ["wanted"], found.flat_map(&:targets).select { |one| %w[time.tempo harmony.key].include?(one.measure) }.map(&:source).uniq
  end
end
