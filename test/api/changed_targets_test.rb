# frozen_string_literal: true

require_relative "../test_helper"

# A checklist keeps what it said; where the readings have changed since, its items say so and offer the new target.
class ChangedTargetsTest < Ethoscope::TestCase
  include Application

  def setup
    super
    @study = new_study(aim: "exact")
    @reference = analysed_reference(@study)
    @checklist = make(from: "reference", reference_id: @reference[:id])
  end

  def make(**wanted) = send_json(:post, "/api/studies/#{@study[:id]}/checklists", wanted)[:checklist]

  def items = get_json("/api/checklists/#{@checklist[:id]}")[:checklist][:items]

  def titled(title) = items.find { |item| item[:title] == title }

  # Puts a tempo right, and has that worked in.
  def correct_tempo(bpm)
    id = get_json("/api/references/#{@reference[:id]}")[:current][:tempo]
    send_json(:post, "/api/readings/#{id}/corrections", { value: { bpm: } })
  end

  def work_in(bpm)
    analysis = Ethoscope::Analysis.of(features: Fixture.features, corrections: Ethoscope::Corrections.of(bpm: bpm.to_f))
    library.analyses.finish(library.derivation(library.references.find(@reference[:id]))[:id], JSON.generate(analysis.to_h))
  end

  def test_nothing_has_changed_at_first
    assert(items.all? { |item| item[:now].nil? })
  end

  def test_no_checklist_is_made_while_what_was_put_right_is_worked_in
    correct_tempo(50)
    [{ from: "reference", reference_id: @reference[:id] }, { from: "profile" }].each do |wanted|
      make(**wanted)

      assert_problem 409, "deriving", /still being analysed/
    end
    assert(items.all? { |item| item[:now].nil? })
    work_in(50)

    assert_equal "50.00 BPM", make(from: "reference", reference_id: @reference[:id])[:items].find { |item| item[:title].start_with?("Tempo") }[:target]
  end

  def test_items_say_that_their_reading_changed_and_take_the_new_target
    correct_tempo(50)
    work_in(50)
    tempo = titled("Tempo holds to the end")

    assert_match(/\A100\.0\d BPM\z/, tempo[:target])
    assert_equal({ target: "50.00 BPM", tolerance: "±0.05 BPM" }, tempo[:now])
    send_json(:patch, "/api/items/#{tempo[:id]}", { state: "done", note: "by tape" })
    send_json(:post, "/api/items/#{tempo[:id]}/target")
    taken = titled("Tempo holds to the end")

    assert_equal ["50.00 BPM", nil, "done", "by tape"], taken.values_at(:target, :now, :state, :note)
  end

  def test_what_the_readings_say_no_more_is_told
    kick = titled("Kick throughout")
    library.readings.note(@reference[:id], aspect: "layer", value: { name: "kick", role: "kick", spans: [[0.3, 2.7, 1]] }, statement: "kick", source: "heard")

    assert_equal kick[:id], titled("Kick throughout")[:id]
    assert_equal({ target: nil, tolerance: nil }, without_kick[:now])
    send_json(:post, "/api/items/#{kick[:id]}/target")

    assert_problem 409, "gone", /say nothing of this/
  end

  def test_items_lead_to_what_they_rest_on
    about = @checklist[:items].to_h { |item| [item[:title], item[:about]] }

    assert_equal ["layer:bass", "layer:kick", "section:1"], [about["A sound for the bass"], about["Kick throughout"], about.find do |title, _|
      title.start_with?("Chords in")
    end.last]
    assert(@checklist[:items].select { |item| item[:from] == "techniques" }.all? { |item| item[:about].start_with?("technique:") })
  end

  def test_the_studys_own_words_for_a_technique_are_used
    kind = Fixture.analysis.fetch(:techniques).first[:kind]
    send_json(:patch, "/api/studies/#{@study[:id]}/techniques/#{kind}", { name: "The narrow trick", steps: ["Pan everything in."] })
    item = make(from: "reference", reference_id: @reference[:id])[:items].find { |one| one[:about] == "technique:#{kind}" }

    assert_equal ["The narrow trick", ["Pan everything in."]], item.values_at(:title, :steps)
    profile = get_json("/api/studies/#{@study[:id]}/profile")[:profile]

    assert_equal "The narrow trick", profile[:techniques].find { |row| row[:kind] == kind }[:name]
  end

  def test_the_card_of_a_measured_layer_is_filled_not_doubled
    path = "/api/references/#{@reference[:id]}/layers"
    first = send_json(:post, path, { name: "bass", role: "bass", from: "bass" })[:reading]
    again = send_json(:post, path, { name: "bass", role: "bass", from: "bass" })[:reading]

    assert_equal ["bass", first[:id]], [first[:value][:name], again[:id]]
    rows = get_json("/api/references/#{@reference[:id]}")[:table][:layers].map { |row| [row[:name], row[:source]] }

    assert_equal([%w[bass mix]], rows.select { |row| row.first == "bass" })
  end

  private

  # The item once the kick is painted away, for all of it.
  def without_kick
    layer = library.readings.of_aspect(@reference[:id], "layer").last
    library.journal.record(@reference[:id], "Paint kick away") { |readings| readings.revise(layer[:id], value: layer[:value].merge(spans: [[0.3, 2.7, 1]], role: "fx")) }
    titled("Kick throughout")
  end
end
