# frozen_string_literal: true

require_relative "../test_helper"

# One reference that can't be laid out takes neither its study nor the profile with it.
class UnshowableTest < Ethoscope::TestCase
  include Application

  def setup
    super
    @study = new_study
    @whole = analysed_reference(@study)
    bytes = File.binread(Fixture.wav).tap { |sound| sound.setbyte(2100, 5) }
    @broken = upload(@study[:id], bytes, "broken.wav")[:reference]
    finish(@broken[:recording_id])
    # As an older version may have stored it.
    library.db[:analyses].where(recording_id: @broken[:recording_id]).update(data: JSON.generate(Fixture.varied(beats: [], bars: []).to_h), vector: nil)
  end

  def quietly(&) = capture_io(&).last

  def test_the_study_goes_on_and_says_which_song_it_is
    logged = quietly { get_json("/api/studies/#{@study[:id]}") }

    assert_equal 200, last_response.status
    assert_equal([[nil, true], ["“broken” can't be shown as it stands. Undo the last change to it, or analyse it again.", false]],
      answer[:references].map { |row| [row[:problem], !row[:summary].nil?] })
    assert_match(/“broken”: \w+Error/, logged)
  end

  def test_the_profile_goes_on_and_says_what_it_left_out
    quietly { get_json("/api/studies/#{@study[:id]}/profile") }

    assert_equal [200, ["broken"], 1], [last_response.status, answer[:left_out], answer[:profile][:songs].size]
    quietly { send_json(:post, "/api/studies/#{@study[:id]}/checklists", { from: "profile" }) }

    assert_equal [201, "In the style of 1 song"], [last_response.status, answer[:checklist][:title]]
  end

  def test_its_own_page_answers_with_what_was_said_and_what_can_be_done
    quietly { get_json("/api/references/#{@broken[:id]}") }

    assert_equal [200, nil, true], [last_response.status, answer[:analysis], answer[:problem].include?("can't be shown")]
    assert_equal 7, answer[:readings].size
    quietly { get_json("/api/references/#{@broken[:id]}/song.mid") }

    assert_problem 409, "unshowable"
    send_json(:post, "/api/references/#{@broken[:id]}/analyses")

    assert_equal 202, last_response.status
  end

  def test_a_newer_measurement_heals_it
    finish(@broken[:recording_id])
    get_json("/api/references/#{@broken[:id]}")

    assert_equal [nil, 16], [answer[:problem], answer[:analysis][:bars].size]
  end

  def test_a_change_of_tempo_that_ran_past_the_end_no_longer_breaks_anything
    current = get_json("/api/references/#{@whole[:id]}")[:current]
    [22, 150, 299.7].each do |bpm|
      send_json(:post, "/api/readings/#{current[:tempo]}/corrections", { value: { bpm: 100.0, changes: [{ at: 20.0, bpm: }] } })

      assert_equal 201, last_response.status
      analysis = Ethoscope::Analysis.of(features: Fixture.features, corrections: Ethoscope::Corrections.of(bpm: 100.0, tempo_changes: [{ at: 20.0, bpm: }]))
      id = library.derivation(library.references.find(@whole[:id]))[:id]
      library.analyses.finish(id, JSON.generate(analysis.to_h))

      assert_nil get_json("/api/references/#{@whole[:id]}")[:problem]
      assert_equal(analysis.bars, answer[:analysis][:bars].size)
      current = answer[:current]
    end
  end
end
