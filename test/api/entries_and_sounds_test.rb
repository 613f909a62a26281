# frozen_string_literal: true

require_relative "../test_helper"

# A study's own words for techniques, and the sounds of all its layers.
class EntriesAndSoundsTest < Ethoscope::TestCase
  include Application

  def setup
    @study = new_study(target_bpm: 50, target_tonic: "C", target_mode: "minor")
    @reference = analysed_reference(@study)
  end

  def test_the_library_is_there_without_a_study
    entries = get_json("/api/techniques")[:techniques]

    assert_operator entries.size, :>=, 60
    assert(entries.all? { |entry| entry[:steps].size == 5 })
  end

  def test_an_entry_of_ones_own_comes_and_goes
    made = send_json(:post, "/api/studies/#{@study[:id]}/techniques", { name: "Kettle lid on the four", summary: "A lid rings on beat four.", steps: ["Find a lid."] })[:technique]

    assert_equal ["own_kettle_lid_on_the_four", true, ["Find a lid."]], made.values_at(:kind, :own, :steps)
    assert_includes kinds, "own_kettle_lid_on_the_four"
    send_json(:delete, "/api/studies/#{@study[:id]}/techniques/own_kettle_lid_on_the_four")

    refute_includes kinds, "own_kettle_lid_on_the_four"
  end

  def test_the_words_of_a_known_entry_can_be_ones_own_and_be_taken_back
    send_json(:patch, "/api/studies/#{@study[:id]}/techniques/riser", { name: "Kettle coming to the boil" })

    assert_equal ["Kettle coming to the boil", true], entry("riser").values_at(:name, :own)
    assert_equal "Riser", get_json("/api/studies/#{new_study[:id]}/techniques")[:techniques].find { |row| row[:kind] == "riser" }[:name]
    send_json(:delete, "/api/studies/#{@study[:id]}/techniques/riser")

    assert_equal ["Riser", false], entry("riser").values_at(:name, :own)
  end

  def test_unknown_techniques_and_empty_names_are_refused
    send_json(:patch, "/api/studies/#{@study[:id]}/techniques/luck", { name: "x" })

    assert_problem 404, "missing"
    send_json(:post, "/api/studies/#{@study[:id]}/techniques", { name: "" })

    assert_problem 422, "invalid"
  end

  def test_how_to_is_told_in_the_studys_tempo_and_key
    answer = get_json("/api/references/#{@reference[:id]}/how-to/pumping")

    assert_includes answer[:steps].first[:steps].join, "900 ms"
    assert_equal "pumping", answer[:entry][:kind]
    assert_includes get_json("/api/references/#{@reference[:id]}/how-to/impact")[:steps].first[:steps].join, "C minor"
  end

  def test_cards_hold_all_it_takes_and_the_list_shows_them
    id = layer("melodica")
    card = { sound: "breathy", have: "substitute", lost: "the rattle of the keys", made_from: "the organ", shared: "house reed", sends: "a third to the spring",
             stack: [{ text: "reed", gives: "body" }], candidates: [{ text: "toy organ", source: "assumed", sure: 0.4, cost: "have it", live: true }],
             chain: [{ type: "high cut", setting: "4 kHz", amount: "12 dB", why: "the record is dull" }] }
    send_json(:patch, "/api/readings/#{id}/card", { card: })
    sound = get_json("/api/studies/#{@study[:id]}/sounds")[:sounds].first

    assert_equal [id, "fixture", "melodica", card], sound.values_at(:reading_id, :song, :name, :card)
  end

  def test_a_card_is_copied_into_another_song_without_its_bars
    id = layer("melodica")
    send_json(:patch, "/api/readings/#{id}/card", { card: { sound: "breathy" } })
    other = analysed_reference(new_study)
    copy = send_json(:post, "/api/readings/#{id}/copies", { reference_id: other[:id] })[:reading]

    assert_equal 201, last_response.status
    assert_equal [other[:id], "breathy", []], [copy[:reference_id], copy[:value][:card][:sound], copy[:value][:spans]]
    send_json(:post, "/api/readings/#{id}/copies", { reference_id: 4711 })

    assert_problem 404, "missing"
  end

  private

  def layer(name) = send_json(:post, "/api/references/#{@reference[:id]}/layers", { name:, role: "lead" })[:reading][:id]

  def entry(kind) = get_json("/api/studies/#{@study[:id]}/techniques")[:techniques].find { |row| row[:kind] == kind }

  def kinds = get_json("/api/studies/#{@study[:id]}/techniques")[:techniques].map { |row| row[:kind] }
end
