# frozen_string_literal: true

require_relative "../test_helper"

# The profile of a study: which songs count, beside which music, beside which other study, and its rows as things to do.
class ProfilesApiTest < Ethoscope::TestCase
  include Application

  def setup
    super
    @study = library.studies.create(title: "Minor", aim: "style")
    @other = library.studies.create(title: "Major", aim: "style")
    @songs = %w[A D E G].map { |tonic| analysed(@study, "In #{tonic}", Fixture.varied(key: Fixture.key(tonic, "minor"), tempo: Fixture.tempo(72.0))) }
    %w[C F G].each { |tonic| analysed(@other, "In #{tonic}", Fixture.varied(key: Fixture.key(tonic, "major"), tempo: Fixture.tempo(120.0), meter: "6/8")) }
  end

  def analysed(study, title, analysis)
    @bytes = (@bytes || 0) + 1
    sound = File.binread(Fixture.wav).tap { |bytes| bytes.setbyte(2000, @bytes) }
    recording = library.recordings.keep(StringIO.new(sound)) { { format: "wav", duration: analysis.fetch(:duration) } }
    id = library.db[:analyses].insert(recording_id: recording[:id], state: "running", created_at: "2026-01-01")
    library.analyses.finish(id, JSON.generate(analysis.to_h))
    library.references.create(study_id: study[:id], recording:, title:, artist: nil, original_name: "x.wav")
  end

  def page(**asked) = get_json("/api/studies/#{@study[:id]}/profile?#{URI.encode_www_form(asked)}")

  def claim(id, **asked) = page(**asked)[:profile][:claims].find { |one| one[:id] == id }

  def stand(song, standing) = send_json(:patch, "/api/references/#{song[:id]}", { standing: })

  def test_it_is_told_beside_generated_songs_other_studies_or_one
    minor = claim("harmony.mode=minor")

    assert_equal ["In minor", 4, 4, "own"], minor.values_at(:words, :n, :m, :standing)
    assert_in_delta 0.35, minor[:elsewhere], 0.1
    assert_in_delta 0.0, claim("harmony.mode=minor", against: @other[:id])[:elsewhere]
    assert_equal([["generated", "generated songs"], [@other[:id].to_s, "Major"]], page[:baselines].map { |one| one.values_at(:id, :name) })
    page(against: "everything")

    assert_problem 422, "invalid", /Against/
  end

  def test_a_song_at_the_side_counts_half_and_one_set_aside_not_at_all
    stand(@songs[0], "side")
    stand(@songs[1], "aside")
    stand(@songs[2], "counter")
    told = page

    assert_equal([["In A", "side"], ["In G", "core"]], told[:profile][:songs].map { |song| song.values_at(:title, :standing) })
    assert_equal([["In D", "aside"], ["In E", "counter"]], told[:others].map { |song| song.values_at(:title, :standing) })
    assert_equal told[:others].first[:of], told[:others].first[:has]
    stand(@songs[0], "besides")

    assert_problem 422, "invalid", /Standing/
  end

  def test_with_all_songs_set_aside_it_says_what_to_do
    @songs.each { |song| stand(song, "aside") }
    page

    assert_problem 409, "nothing_analysed", /Bring one back/
  end

  def test_words_that_people_give_are_shared_too
    @songs.first(3).each { |song| send_json(:patch, "/api/references/#{song[:id]}", { words: [{ kind: "theme", text: "water" }] }) }

    assert_equal ["About “water”", 3, 3, nil], claim("told.words=water").values_at(:words, :n, :m, :elsewhere)
    credited = send_json(:patch, "/api/references/#{@songs.first[:id]}", { credits: [{ text: "Organ: M. Venn", source: "sleeve", date: "1971" }] })

    assert_equal([{ text: "Organ: M. Venn", source: "sleeve", date: "1971" }], credited[:reference][:credits])
  end

  def test_two_studies_stand_side_by_side
    comparison = get_json("/api/studies/#{@study[:id]}/comparison?with=#{@other[:id]}")[:comparison]

    assert_equal [["Minor", 4], ["Major", 3]], comparison.values_at(:here, :there).map(&:values)
    assert_equal [[4, 4], [0, 3], 1.0], comparison[:lines].find { |line| line[:words] == "In minor" }.values_at(:here, :there, :apart)
    get_json("/api/studies/#{@study[:id]}/comparison?with=side")

    assert_problem 409, "nothing_analysed", /nothing to compare/
  end

  def test_targets_from_rows_say_that_they_changed_only_when_the_profile_did
    made = send_json(:post, "/api/studies/#{@study[:id]}/targets", { claims: ["time.tempo", "harmony.mode=minor"] })[:checklist]
    said = -> { get_json("/api/checklists/#{made[:id]}")[:checklist][:items].to_h { |item| [item[:title], item[:now]] } }

    assert_equal [nil], said.call.values.uniq
    stand(@songs[0], "aside")

    assert_equal "as in 3 of 3 songs", said.call["In minor"][:target]
  end

  def test_rows_become_targets_on_a_list_of_their_own_or_on_one_that_there_is
    made = send_json(:post, "/api/studies/#{@study[:id]}/targets", { claims: ["time.tempo", "harmony.mode=minor", "time.meter=4/4"] })[:checklist]
    tempo = made[:items].find { |item| item[:title].start_with?("At 72") }

    assert_equal ["From the profile", 3], [made[:title], made[:items].size]
    assert_equal ["as in 4 of 4 songs", "±1 BPM", { bpm: 72.0 }], [*tempo.values_at(:target, :tolerance), tempo[:targets].first[:value]]
    assert_equal "4/4", made[:items].find { |item| item[:title] == "In 4/4" }[:targets].first[:value]
    assert_empty made[:items].find { |item| item[:title] == "In minor" }[:targets]
    more = send_json(:post, "/api/studies/#{@study[:id]}/targets", { claims: ["harmony.mode=minor"], checklist_id: made[:id] })[:checklist]

    assert_equal [4, "Add 1 from the profile"], [more[:items].size, more[:undo]]
    send_json(:post, "/api/studies/#{@study[:id]}/targets", { claims: ["harmony.mode=lydian"] })

    assert_problem 409, "gone", /Open it again/
  end
end
