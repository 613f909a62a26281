# frozen_string_literal: true

require_relative "../test_helper"

# Stems and MIDI through the interface: they come, are measured, lead, and go again; broken ones harm nothing.
class SourcesTest < Ethoscope::TestCase
  include AnalysedSong

  def test_a_stem_waits_with_a_role_guessed_from_its_name
    stem = send_stem(StemFiles.kick, "01 Bass Drum.wav")[:stem]

    assert_equal 201, last_response.status
    assert_equal ["01 Bass Drum", "kick", "kick", "queued"], stem.values_at(:name, :role, :guess, :state)
    assert_equal([stem[:id]], page[:stems].map { |row| row[:id] })
    assert_equal "texture", send_stem(StemFiles.stranger, "Audio 7.wav")[:stem][:role]
  end

  def test_a_role_can_be_changed_and_a_stem_shifted_by_hand
    stem = send_stem(StemFiles.kick, "kick.wav")[:stem]
    changed = send_json(:patch, "/api/stems/#{stem[:id]}", { role: "percussion", set_offset: 0.25 })[:stem]

    assert_equal ["percussion", 0.25], changed.values_at(:role, :set_offset)
    send_json(:patch, "/api/stems/#{stem[:id]}", { role: "cowboy" })

    assert_problem 422, "invalid", /Role/
  end

  def test_the_same_stem_twice_and_the_mix_itself_are_refused
    send_stem(StemFiles.kick, "kick.wav")
    send_stem(StemFiles.kick, "kick again.wav")

    assert_problem 409, "duplicate", /there already, as “kick”/
    send_stem(File.binread(Fixture.wav), "mix.wav")

    assert_problem 409, "duplicate", /the mix itself/
    assert_equal 1, page[:stems].size
  end

  def test_text_that_was_renamed_is_no_stem_and_nothing_is_stored
    send_stem("Dear sir", "kick.wav")

    assert_problem 422, "unusable_audio", /not a sound file/
    assert_empty page[:stems]
    assert_empty Dir.glob(File.join(library.home, "recordings", "part-*"))
  end

  def test_a_stem_that_is_measured_leads_and_one_that_is_removed_no_longer_does
    stem = send_stem(StemFiles.kick, "kick.wav")[:stem]
    work_off

    assert_equal ["done", 0.0], page[:stems].first.values_at(:state, :offset)
    assert_equal "stem", layer("kick")[:source]
    assert_equal "mix", layer("hats")[:source]
    send_json(:delete, "/api/stems/#{stem[:id]}")

    assert_equal "mix", layer("kick")[:source]
  end

  def test_stems_that_say_nothing_of_the_song_fail_with_a_reason_and_harm_nothing
    before = page[:analysis]
    { StemFiles.silence => [/stem is silent/, "failed"], StemFiles.stranger => [/fits nowhere/, "done"],
      StemFiles.wrong_length => [/\d+ s longer/, "done"] }.each do |bytes, (reason, state)|
      id = send_stem(bytes, "kick.wav")[:stem][:id]
      work_off
      stem = page[:stems].find { |row| row[:id] == id }

      assert_equal state, stem[:state], reason
      assert_match reason, stem[:error]
    end
    assert_equal before, page[:analysis]
    assert_equal "queued", send_json(:post, "/api/stems/#{page[:stems].first[:id]}/retry")[:stem][:state]
  end

  def test_a_person_may_insist_on_a_stem_and_on_its_place
    stem = send_stem(StemFiles.stranger, "kick.wav")[:stem]
    work_off

    assert_equal "mix", layer("kick")[:source]
    send_json(:patch, "/api/stems/#{stem[:id]}", { insisted: true, set_offset: 1.2 })
    work_off

    assert_equal "stem", layer("kick")[:source]
    assert_in_delta 1.2, page[:analysis][:stems].first[:offset]
    send_json(:patch, "/api/stems/#{stem[:id]}", { insisted: false })
    work_off

    assert_equal "mix", layer("kick")[:source]
  end

  def test_a_midi_file_tells_its_parts_and_leads
    score = send_score(StemFiles.score)[:score]

    assert_equal([%w[Kick kick], %w[Keys chords]], score[:parts].map { |part| part.values_at(:name, :role) })
    work_off

    assert_equal({ chords: "midi", drums: "midi" }, page[:analysis][:told_by].slice(:chords, :drums))
    assert_equal "midi", layer("chords")[:source]
    send_json(:patch, "/api/references/#{@reference[:id]}/score", { roles: [{ name: "Keys", role: "pad" }] })
    work_off

    assert_equal "midi", layer("pad")[:source]
  end

  def test_a_midi_file_lies_where_a_person_says_until_that_is_taken_back
    send_score(StemFiles.score)
    work_off
    found = page[:analysis][:score][:placement]
    score = send_json(:post, "/api/references/#{@reference[:id]}/score/place", { file_bar: 2, bar: 4 })[:score]
    work_off
    told = page[:analysis][:score][:placement]

    assert_equal [2, page[:analysis][:bars][3][:start]], score[:place].values_at(:file_bar, :at)
    assert_equal [true, true], told.values_at(:told, :believable)
    assert_in_delta found[:offset] + (2 * 2.4), told[:offset], 0.05
    send_json(:post, "/api/references/#{@reference[:id]}/score/place", { file_bar: 2 })

    assert_problem 422, "invalid", /which bar or second/
    send_json(:delete, "/api/references/#{@reference[:id]}/score/place")
    work_off

    assert_equal found, page[:analysis][:score][:placement]
  end

  def test_a_card_of_a_layer_starts_from_what_its_notes_tell
    send_score(StemFiles.score)
    work_off
    send_json(:post, "/api/references/#{@reference[:id]}/layers", { name: "Keys", role: "chords", from: "Keys" })
    card = page[:analysis][:heard_layers].first[:card]

    assert_equal "C3 to E4", card[:register]
    assert_match(/\A1\.1 A3 C4 E4, 2\.1 F3 A3 C4/, card[:pattern])
  end

  def test_another_midi_file_takes_the_place_of_the_first_and_can_be_removed
    send_score(StemFiles.score)
    score = send_score(StemFiles.score(name: "Organ"))[:score]

    assert_equal(%w[Kick Organ], score[:parts].map { |part| part[:name] })
    send_json(:delete, "/api/references/#{@reference[:id]}/score")

    assert_nil page[:score]
    send_json(:delete, "/api/references/#{@reference[:id]}/score")

    assert_problem 404, "missing"
  end

  def test_broken_midi_is_refused_with_a_reason_and_the_one_before_stays
    send_score(StemFiles.score)
    { "Dear sir, this is text." => /not a MIDI file/, "" => /empty/, StemFiles.score[0, 30] => /cut off/ }.each do |bytes, reason|
      send_score(bytes)

      assert_problem 422, "unusable_score", reason
    end
    assert_equal(%w[Kick Keys], page[:score][:parts].map { |part| part[:name] })
  end

  def test_what_had_to_be_mended_is_said
    hanging = MidiFile.bytes([["Pad", 0, [[0, 1200, 60], [4, 1, 64]]]])

    assert_match(/never ended/, send_score(hanging)[:score][:warnings].join)
    assert_equal 64, send_score(MidiFile.bytes(Array.new(64) { |i| ["Track #{i}", 0, [[i, 1, 60]]] }))[:score][:parts].size
  end

  def test_a_stem_can_be_heard
    stem = send_stem(StemFiles.kick, "kick.wav")[:stem]
    get("/api/stems/#{stem[:id]}/audio", {}, "HTTP_HOST" => "127.0.0.1")

    assert_equal ["audio/wav", StemFiles.kick.bytesize], [last_response.content_type, last_response.body.bytesize]
  end

  def test_decisions_stay_when_sources_come
    send_json(:post, "/api/references/#{@reference[:id]}/sightings", { kind: "width_contrast", state: "refuted", first_bar: 1, last_bar: 8 })
    send_json(:post, "/api/references/#{@reference[:id]}/techniques", { name: "melodica breath", kind: "handling_noise", first_bar: 3, last_bar: 4 })
    send_stem(StemFiles.kick, "kick.wav")
    work_off
    states = page[:readings].select { |row| %w[sighting technique].include?(row[:aspect]) }.map { |row| [row[:statement], row[:state]] }

    assert_equal [["width contrast", "refuted"], ["melodica breath", "open"]], states
  end

  private

  def page = get_json("/api/references/#{@reference[:id]}")

  def layer(role) = page[:analysis][:layers].find { |row| row[:role] == role }

  def send_stem(bytes, name) = send_source("stems", bytes, name)

  def send_score(bytes, name = "song.mid") = send_source("score", bytes, name)

  def send_source(what, bytes, name) = send_bytes("/api/references/#{@reference[:id]}/#{what}", bytes, name)

  def work_off = super(Jobs::StemQueue.new(library), Jobs::AnalysisQueue.new(library))
end
