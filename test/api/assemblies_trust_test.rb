# frozen_string_literal: true

require_relative "../test_helper"

# Songs without a mix from files that are none: refused one by one, and what was there before stays.
class AssembliesTrustTest < Ethoscope::TestCase
  include Application

  # A, F, C and G, a bar each.
  ROOTS = [57, 53, 48, 55].freeze

  def setup
    super
    @study = new_study
    @assembly = send_json(:post, "/api/studies/#{@study[:id]}/assemblies", { title: "Parts" })[:assembly]
    @path = "/api/assemblies/#{@assembly[:id]}"
    send_bytes("#{@path}/files", StemFiles.kick, "kick.wav")
  end

  def assembly = library.assemblies.find(@assembly[:id])

  def test_lists_letters_and_broken_notes_are_refused
    { "song.mp3" => "#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXTINF:9,\na.wav\n", "letter.wav" => "Dear diary", "notes.mid" => "MThd",
      "far.mid" => MidiFile.bytes([["x", 0, [[90_000, 1, 60]]]]) }
      .each do |name, bytes|
      send_bytes("#{@path}/files", bytes, name)

      assert_equal 422, last_response.status, name
      assert_match(/\AThis .*\.\z/, answer.dig(:error, :message), name)
    end
    assert_equal [["kick"], nil], [assembly[:stems].map { |stem| stem[:name] }, assembly[:score_name]]
    assert_equal 1, Dir.glob("recordings/??/*", base: library.home).size
  end

  def test_nothing_is_put_together_of_nothing
    empty = send_json(:post, "/api/studies/#{@study[:id]}/assemblies", { title: "None" })[:assembly]
    send_json(:post, "/api/assemblies/#{empty[:id]}/start")

    assert_problem 422, "invalid", /Add stems or a MIDI file first\./
  end

  def test_a_song_that_is_taken_back_leaves_no_files_and_no_work
    send_bytes("#{@path}/files", MidiFile.bytes([["Lead", 0, [[0, 1, 60]]]]), "song.mid")
    send_json(:post, "#{@path}/start")
    send_json(:delete, @path)

    assert_nil library.assemblies.claim
    assert_empty Dir.glob("{recordings/??,scores}/*", base: library.home)
  end

  def test_notes_alone_make_a_song_that_can_be_read
    @assembly = send_json(:post, "/api/studies/#{@study[:id]}/assemblies", { title: "Notes" })[:assembly]
    @path = "/api/assemblies/#{@assembly[:id]}"
    notes = (0...32).map { |beat| [beat, 0.9, ROOTS[(beat / 4) % 4], 90] }
    send_bytes("#{@path}/files", MidiFile.bytes([["Bass", 0, notes]], bpm: 120), "song.mid")
    send_json(:post, "#{@path}/start")
    work_off(Jobs::AssemblyQueue.new(library))
    reference = library.references.of_study(@study[:id]).first

    assert_equal ["Notes", "song.mid"], [reference[:title], library.scores.of_reference(reference[:id])[:name]]
    assert_raises(Store::Missing) { assembly }
  end
end
