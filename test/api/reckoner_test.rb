# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/analysed_song"

class ReckonerApiTest < Ethoscope::TestCase
  include AnalysedSong

  def test_every_sentence_is_offered_and_worked_out
    groups = get_json("/api/reckoner")[:groups]

    assert_equal(Calculators::Reckoner::ALL.size, groups.sum { |group| group[:calculators].size })
    told = send_json(:post, "/api/reckoner/varispeed", written: { from_bpm: "72", bpm: "96", semitones: "" })

    assert_nil told[:problem]
    assert_equal({ semitones: "4.98" }, told[:reckoned][:filled])
    assert_equal ["+4 semitones 98 cents", { rate: 1.3333, semitones: 4.98 }], [told[:reckoned][:lines].first[:figure], told[:reckoned][:sound]]
  end

  def test_what_cannot_be_read_is_an_answer_that_says_what_would
    told = send_json(:post, "/api/reckoner/delay_times", written: { bpm: "fast" })

    assert_equal 200, last_response.status
    assert_equal [nil, "Tempo must be a number, such as 84.5, not “fast”."], told.values_at(:reckoned, :problem)
    send_json(:post, "/api/reckoner/oven", written: {})

    assert_equal 404, last_response.status
    send_json(:post, "/api/reckoner/delay_times", {})

    assert_equal 422, last_response.status
  end

  def test_blanks_are_filled_from_a_song_and_from_what_is_wanted
    send_json(:patch, "/api/studies/#{@reference[:study_id]}", target_bpm: 84.5, target_tonic: "A", target_mode: "minor")
    song = library.song(@reference)
    known = get_json("#{@path}/known")[:known]

    assert_equal Calculators::Figures.plain(song.bpm, 2), known[:known][:delay_times][:bpm]
    assert_equal [Calculators::Figures.plain(song.bpm, 2), song.key.to_s, "84.5", "A minor"], known[:known][:sample_to_track].values_at(:sample_bpm, :sample_key, :bpm, :key)
    assert_equal song.vector.of("form.section").map { |section| section.place.bars }.join(" "), known[:known][:section_times][:sections]
    # Whatever is filled in can be worked out.
    unread = known[:known].select { |id, blanks| send_json(:post, "/api/reckoner/#{id}", written: blanks)[:problem].to_s.include?("must be") }

    assert_empty unread
  end

  def test_told_as_mine_sentences_speak_of_the_new_track
    send_json(:patch, "/api/studies/#{@reference[:study_id]}", target_bpm: 84.5, target_tonic: "C", target_mode: "minor")
    mine = get_json("#{@path}/known?as=mine")[:known][:known]

    assert_equal ["84.5", "C minor"], [mine[:delay_times][:bpm], mine[:chords_to_degrees][:key]]
    assert_equal ["A minor", "C minor"], mine[:slow_take].values_at(:key, :wanted)
  end

  def test_what_was_reckoned_is_pinned_to_an_item_and_taken_off_and_that_is_undone
    list = Work::Planning.new(library, library.studies.find(@reference[:study_id])).create(from: "reference", reference_id: @id)
    item = list[:items].first
    pinned = pin(item, { bpm: 120 })[:item]

    assert_equal([["delay_times", "Delay times", { bpm: "120" }]], pinned[:pins].map { |pin| pin.values_at(:calculator, :name, :written) })
    assert_includes pinned[:pins].first[:text], "1/4 500.0 ms"
    send_json(:delete, "/api/items/#{item[:id]}/pins/0")

    assert_empty library.items.find(item[:id])[:pins]
    send_json(:post, "/api/checklists/#{list[:id]}/undo", {})

    assert_equal 1, library.items.find(item[:id])[:pins].size
  end

  def test_pins_that_are_not_there_or_cannot_be_reckoned_are_refused
    item = Work::Planning.new(library, library.studies.find(@reference[:study_id])).create(from: "reference", reference_id: @id)[:items].first
    send_json(:delete, "/api/items/#{item[:id]}/pins/7")

    assert_equal 404, last_response.status
    pin(item, { bpm: "fast" })

    assert_equal 422, last_response.status
  end

  private

  def pin(item, written) = send_json(:post, "/api/items/#{item[:id]}/pins", calculator: "delay_times", written:)
end
