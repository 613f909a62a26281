# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/analysed_song"

# Everything as theirs, and in the tempo and key of the new track.
class AsMineApiTest < Ethoscope::TestCase
  include AnalysedSong

  def setup
    super
    @study_path = "/api/studies/#{@reference[:study_id]}"
    @song = library.song(@reference)
    @list = Work::Planning.new(library, library.studies.find(@reference[:study_id])).create(from: "reference", reference_id: @id)
  end

  def want(**wishes) = send_json(:patch, @study_path, wishes)

  def fetch(path) = get(path, {}, "HTTP_HOST" => "127.0.0.1")

  def test_the_sheet_is_told_in_the_wanted_tempo_and_key_over_the_same_sound
    want(target_bpm: 84.5, target_tonic: "C", target_mode: @song.key.mode)
    theirs, mine = %w[theirs mine].map { |as| get_json("#{@path}?as=#{as}") }

    assert_nil theirs[:frame]
    assert_in_delta 84.5, mine[:analysis][:tempo][:bpm]
    assert_equal ["C", @song.key.mode], mine[:analysis][:key].values_at(:tonic, :mode)
    assert_equal(*each_of(theirs, mine, :bars, :start))
    assert_equal(*each_of(theirs, mine, :chords, :degree))
    refute_equal(*each_of(theirs, mine, :chords, :symbol))
    assert_in_delta 84.5 / @song.bpm, mine[:frame][:ratio], 0.001
    assert_equal([false, true], [theirs, mine].map { |page| tempo_of(page).include?("84.50 BPM") })
  end

  def each_of(theirs, mine, part, field) = [theirs, mine].map { |page| page[:analysis][part].map { |one| one[field] } }

  def tempo_of(page) = page[:readings].find { |reading| reading[:id] == page[:current][:tempo] }[:statement]

  def test_what_a_person_said_of_tempo_and_key_is_restated_too
    send_json(:post, "#{@path}/readings", aspect: "tempo", value: { bpm: 100 })
    want(target_bpm: 50)
    page = get_json("#{@path}?as=mine")
    reading = page[:readings].reverse.find { |row| row[:aspect] == "tempo" && row[:source] == "heard" }

    assert_equal 200, last_response.status
    assert_equal [100, "100.00 BPM"], [get_json(@path)[:readings].find { |row| row[:id] == reading[:id] }[:value][:bpm], library.readings.find(reading[:id])[:statement]]
  end

  def test_the_study_lists_its_songs_so
    want(target_bpm: 84.5, target_tonic: "A", target_mode: @song.key.mode)
    theirs, mine = %w[theirs mine].map { |as| get_json("#{@study_path}?as=#{as}")[:references].first[:summary] }

    assert_in_delta 84.5, mine[:bpm]
    assert_equal "A #{@song.key.mode}", mine[:key]
    assert_equal theirs[:loop], mine[:loop]
    assert_in_delta theirs[:duration] * @song.bpm / 84.5, mine[:duration], 0.01
  end

  def test_lists_follow_what_is_wanted_and_one_undo_takes_it_back
    before = targets
    send_json(:post, "/api/checklists/#{@list[:id]}/items", stage: @list[:items].first[:stage], title: "Mine", target: "at #{@song.bpm}")
    want(target_bpm: 84.5, target_tonic: "A", target_mode: @song.key.mode)
    tempo = library.checklists.find(@list[:id])[:items].flat_map { |item| item[:targets] }.find { |target| target[:measure] == "time.tempo" }

    assert_in_delta 84.5, tempo[:value][:bpm]
    assert_equal ["Another tempo or key", "at #{@song.bpm}"], [library.checklists.find(@list[:id])[:undo], targets(mine: true).last]
    send_json(:post, "/api/checklists/#{@list[:id]}/undo", {})

    assert_equal before, targets
  end

  def test_lists_can_be_read_as_theirs
    before = targets
    want(target_bpm: 84.5, target_tonic: "C", target_mode: @song.key.mode)
    theirs = get_json("/api/checklists/#{@list[:id]}?as=theirs")[:checklist][:items].map { |item| item[:target] }
    fetch("/api/checklists/#{@list[:id]}/checklist.md?as=theirs")

    refute_equal before, targets
    assert_equal before, theirs
    assert_includes last_response.body, before.first
  end

  # What the items say that came from the readings, or that a person wrote.
  def targets(mine: false) = library.checklists.find(@list[:id])[:items].select { |item| mine == (item[:title] == "Mine") }.map { |item| item[:target] }

  def test_another_mode_and_another_meter_are_said_and_never_mixed_in
    other = @song.key.minor? ? "major" : "minor"
    want(target_tonic: "C", target_mode: other, target_meter: "3/4")
    page = get_json("#{@path}?as=mine")

    assert_equal @song.key.mode, page[:analysis][:key][:mode]
    assert_equal [{ tonic: "C", mode: other }, "tonic", { tonic: "C", mode: @song.key.mode }], page[:frame].values_at(:asked, :way, :key)
    refute_empty page[:frame][:chords]
    assert_equal "3/4", page[:frame][:meter][:wanted]
    want(target_way: "notes")

    assert_equal @song.key.minor? ? "A" : "Eb", get_json("#{@path}?as=mine")[:analysis][:key][:tonic]
  end

  def test_hand_over_follows
    want(target_bpm: 84.5)
    tempos = %w[theirs mine].map do |as|
      fetch("#{@path}/song.mid?as=#{as}")
      Midi::ScoreReader.read(last_response.body).tempos.first.bpm
    end

    assert_in_delta @song.bpm, tempos.first, 0.01
    assert_in_delta 84.5, tempos.last, 0.01
    fetch("#{@path}/song.mid?as=ours")

    assert_equal 422, last_response.status
  end
end
