# frozen_string_literal: true

require_relative "../test_helper"

# The user's own track, version by version: dropped, laid on its reference, judged, kept.
class AttemptsApiTest < Ethoscope::TestCase
  include DroppedAttempts

  def differences(made) = page(made)[:comparison][:differences].map { |difference| difference[:kind] }

  def item(pattern) = @list[:items].find { |one| one[:title].match?(pattern) }

  def test_it_becomes_the_next_version_and_no_reference
    made = attempt(DrawnSong.new(seed: 2))

    assert_equal 201, last_response.status
    assert_equal ["Attempt 1", @reference[:id], @list[:id], "bounce 2.wav"], made.values_at(:title, :against_id, :checklist_id, :file)
    assert_equal([@reference[:id]], get_json("/api/studies/#{@study[:id]}")[:references].map { |row| row[:id] })
    assert_equal 1, get_json("/api/studies")[:studies].first[:references]
    assert_equal 2, attempt(DrawnSong.new(seed: 3), mark: 3)[:number]
  end

  def test_its_items_judge_themselves
    made = attempt(DrawnSong.new(seed: 2, bpm: 126.0))
    told = page(made)

    assert_equal ["tempo"], differences(made)
    assert_equal "missing", told[:verdicts][item(/Tempo/)[:id].to_s.to_sym][:closeness]
    assert_equal 36, told[:sheet][:bars].size
    assert_operator rows.first[:counts][:exact], :>, 5
    assert_nil rows.first[:problem]
  end

  def test_the_same_bytes_again_are_known
    drop
    drop

    assert_problem 409, "duplicate", /You dropped this very file before: it is attempt 1/
  end

  def test_the_reference_s_own_file_is_no_attempt
    drop(sound(1))

    assert_problem 409, "duplicate", /the very file of the reference/
    assert_empty rows
  end

  def test_another_song_is_not_forced_onto_it
    made = attempt(DrawnSong.new(form: [["bridge", 28]], seed: 3).change(1..28) { |bar| bar.kit = { kick: [3, 6, 11], snare: [7, 15] } })

    assert_match(/can.t be aligned/, rows.first[:problem])
    assert_empty differences(made)
    assert_nil(page(made)[:verdicts].values.find { |verdict| verdict[:closeness] })
  end

  def test_silence_says_so
    silent = SoundFile.write(Audio::Recording.new(channels: Numo::SFloat.zeros(2, 6 * 44_100), rate: 44_100), File.join(folder, "silent.wav"))
    drop(File.binread(silent), "silent.wav")
    work_off(Jobs::AnalysisQueue.new(library))

    assert_equal "failed", rows.first[:run][:state]
    assert_match(/silent/, rows.first[:run][:error])
    assert_match(/not analysed yet/, page(rows.first)[:problem])
  end

  def test_ten_minutes_more_are_bars_that_were_added
    made = attempt(DrawnSong.new(seed: 2, form: [*DrawnSong::FORM, ["bridge", 300]]))
    added = page(made)[:comparison][:differences].find { |difference| difference[:kind] == "form_added" }

    assert_match(/300 bars more after bar 36/, added[:words])
  end

  def test_one_in_mono_is_narrower_and_nothing_else
    made = attempt(DrawnSong.new(seed: 2).change(1..36) { |bar| bar.width = 0.0 })

    assert_equal ["width"], differences(made)
  end

  def test_one_read_at_half_the_tempo_is_counted_as_its_reference_and_that_is_said
    slow = DrawnSong.new(seed: 2, bpm: 60.0, candidates: [{ bpm: 60.0, odds: 0.6, relation: "chosen", reason: "" }, { bpm: 120.0, odds: 0.4, relation: "double", reason: "" }])
    made = attempt(slow)
    Work::Laying.new(library).settle(library.attempts.find(made[:id]))

    assert_equal({ bpm: 120.0 }, rows.first[:settled])
    tempo = library.readings.current(made[:song_id])["tempo"]

    assert_equal ["assumed", { bpm: 120.0 }], tempo.values_at(:source, :value)
    assert_match(/bars are those of the reference/, tempo[:note])
    assert_equal "queued", library.derivation(library.references.find(made[:song_id]))[:state]
  end

  def test_one_a_tritone_off_is_in_another_key_and_nothing_else
    assert_equal ["key"], differences(attempt(DrawnSong.new(seed: 2, up: 6)))
  end

  def test_what_the_study_wants_is_no_difference
    send_json(:patch, "/api/studies/#{@study[:id]}", { target_bpm: 126.0, target_tonic: "B", target_mode: "minor" })

    assert_empty differences(attempt(DrawnSong.new(seed: 2, bpm: 126.0, up: 2)))
  end

  def test_two_bars_of_count_in_are_no_fault
    count_in = DrawnSong.new(form: [["intro", 2]]).bars.each { |bar| bar.kit = { hats: [0, 4, 8, 12] } }
    made = attempt(DrawnSong.new(seed: 2).edit { |bars| count_in + bars })

    assert_empty differences(made)
    assert_equal 3, page(made)[:sheet][:bars].first[:attempt][:bar]
  end

  def test_a_midi_file_has_no_sound
    drop("MThd", "bounce.mid")

    assert_problem 422, "unusable_audio", /no sound to be aligned with the reference/
  end

  def test_a_file_that_is_no_sound_leaves_nothing_behind
    drop("not a sound", "bounce.wav")

    assert_problem 422, "unusable_audio"
    assert_empty rows
    assert_equal 1, library.db[:recordings].count
  end

  def test_a_person_says_where_it_begins_and_takes_that_back
    made = attempt(DrawnSong.new(seed: 2).edit { |bars| bars.first(8) })
    send_json(:patch, "/api/attempts/#{made[:id]}", { lies: { starts: [1, 9] } })

    assert_equal 1, page(made)[:sheet][:bars][8][:attempt][:bar]
    assert_equal "by hand", page(made)[:comparison][:alignment][:kind]
    send_json(:patch, "/api/attempts/#{made[:id]}", { lies: {} })

    assert_equal "part", page(made)[:comparison][:alignment][:kind]
    send_json(:patch, "/api/attempts/#{made[:id]}", { lies: { starts: [0, 9] } })

    assert_problem 422, "invalid"
  end

  def test_a_verdict_is_overruled_with_a_word_why
    made = attempt(DrawnSong.new(seed: 2, bpm: 126.0))
    id = item(/Tempo/)[:id]
    send_json(:put, "/api/attempts/#{made[:id]}/verdicts/#{id}", { closeness: "substituted", why: "" })

    assert_problem 422, "invalid"
    told = send_json(:put, "/api/attempts/#{made[:id]}/verdicts/#{id}", { closeness: "substituted", why: "It is meant to be faster." })

    assert_equal ["substituted", "missing", "It is meant to be faster."], told[:verdicts][id.to_s.to_sym].values_at(:closeness, :measured, :overruled)
    send_json(:delete, "/api/attempts/#{made[:id]}/verdicts/#{id}")

    assert_equal "missing", page(made)[:verdicts][id.to_s.to_sym][:closeness]
  end

  def test_closeness_is_a_line_over_the_attempts
    attempt(DrawnSong.new(seed: 2, bpm: 126.0))
    second = attempt(DrawnSong.new(seed: 3), mark: 3)
    line = page(second)[:attempts].map { |one| one[:closeness][item(/Tempo/)[:id].to_s.to_sym] }

    assert_equal %w[missing exact], line
  end

  def test_the_checklist_goes_back_to_the_state_of_then_and_that_is_undone
    made = attempt(DrawnSong.new(seed: 2))
    send_json(:patch, "/api/items/#{item(/Tempo/)[:id]}", { result: "exact" })
    send_json(:delete, "/api/items/#{item(/Key/)[:id]}")
    back = send_json(:post, "/api/attempts/#{made[:id]}/list")[:checklist]

    assert_equal(@list[:items].map { |one| one.values_at(:id, :state, :position) }, back[:items].map { |one| one.values_at(:id, :state, :position) })
    undone = send_json(:post, "/api/checklists/#{@list[:id]}/undo")[:checklist]

    assert_equal "done", undone[:items].find { |one| one[:id] == item(/Tempo/)[:id] }[:state]
    assert_equal @list[:items].size - 1, undone[:items].size
  end

  def test_what_is_taken_away_comes_back_with_what_was_said
    made = attempt(DrawnSong.new(seed: 2))
    send_json(:patch, "/api/attempts/#{made[:id]}", { note: "Too fast." })
    send_json(:delete, "/api/attempts/#{made[:id]}")

    assert_empty rows
    assert_equal "Too fast.", send_json(:post, "/api/attempts/#{made[:id]}/return")[:attempt][:note]
    assert_equal 1, rows.size
  end

  def test_two_attempts_are_compared_as_a_song_and_its_reference_are
    first = attempt(DrawnSong.new(seed: 2))
    second = attempt(DrawnSong.new(seed: 3, bpm: 126.0), mark: 3)
    told = get_json("/api/attempts/#{second[:id]}/versions/#{first[:id]}")

    assert_equal(["tempo"], told[:comparison][:differences].map { |difference| difference[:kind] })
    assert_equal ["Attempt 1", first[:song_id], {}], [told[:reference][:title], told[:reference][:id], told[:verdicts]]
    assert_equal 36, told[:sheet][:bars].size
  end

  def test_it_is_taken_away_as_markdown
    made = attempt(DrawnSong.new(seed: 2, bpm: 126.0))
    get("/api/attempts/#{made[:id]}/comparison.md", {}, "HTTP_HOST" => "127.0.0.1")

    assert_equal "text/markdown;charset=utf-8", last_response.content_type
    assert_match(/\A# Attempt 1 against reference/, last_response.body)
  end

  def test_without_a_reference_to_hold_it_against_it_waits_for_one
    other = upload(@study[:id], sound(9), "other.wav")[:reference]
    library.checklists.delete(@list[:id])
    made = drop[:attempt]
    finish(library.references.find(made[:song_id])[:recording_id], DrawnSong.new(seed: 2).analysis)

    assert_nil made[:against_id]
    assert_match(/Say which reference/, page(made)[:problem])
    send_json(:patch, "/api/attempts/#{made[:id]}", { against_id: other[:id] })

    assert_match(/not analysed yet/, page(made)[:problem])
    send_json(:patch, "/api/attempts/#{made[:id]}", { against_id: @reference[:id] })

    assert_nil page(made)[:problem]
  end

  def test_it_is_held_against_nothing_of_another_study
    made = attempt(DrawnSong.new(seed: 2))
    other = new_study(title: "Another")
    stranger = upload(other[:id], sound(9), "other.wav")[:reference]
    send_json(:patch, "/api/attempts/#{made[:id]}", { against_id: stranger[:id] })

    assert_problem 422, "invalid", /another study/
    send_json(:patch, "/api/attempts/#{made[:id]}", { against_id: made[:song_id] })

    assert_problem 422, "invalid", /another study/
    drop(sound(3), "bounce 3.wav", against_id: stranger[:id])

    assert_problem 422, "invalid", /another study/
    assert_equal 1, rows.size
  end

  def test_a_reference_of_an_older_engine_says_so
    made = attempt(DrawnSong.new(seed: 2))
    library.db[:analyses].where(recording_id: @reference[:recording_id]).update(data: JSON.generate(DrawnSong.new.analysis.to_h.except(:prints)))

    assert_match(/older engine/,
      Api::AttemptPage.new(Store::Library.new(library.home), Work::Laying.new(Store::Library.new(library.home)), library.attempts.find(made[:id])).to_h[:problem])
  end

  def test_work_that_was_cut_off_is_taken_up_again
    made = drop[:attempt]
    library.analyses.claim
    later = Store::Library.new(library.home)
    later.analyses.resume

    assert_equal "queued", later.analyses.latest(later.references.find(made[:song_id])[:recording_id])[:state]
    assert_equal 1, later.attempts.standing(@study[:id]).size
  end
end
