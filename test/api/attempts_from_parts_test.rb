# frozen_string_literal: true

require_relative "../test_helper"

# Attempts of which there is no bounce: stems, or notes alone.
class AttemptsFromPartsTest < Ethoscope::TestCase
  include DroppedAttempts

  # The fixture's chords, and no drums.
  def keys_alone
    tones = { "Am" => [57, 60, 64], "F" => [53, 57, 60], "C" => [48, 52, 55], "G" => [55, 59, 62], "Dm" => [50, 53, 57], "E7" => [52, 56, 59, 62] }
    bars = [%w[Am F C G], %w[Dm E7 Dm E7]].cycle.first(4).flatten
    MidiFile.bytes([["Keys", 0, bars.each_with_index.flat_map { |symbol, bar| tones.fetch(symbol).map { |pitch| [bar * 4, 3.9, pitch] } }]], bpm: 100)
  end

  def setup
    super
    finish(@reference[:recording_id], Fixture.analysis)
  end

  def put_together(files, **asked)
    assembly = send_json(:post, "/api/studies/#{@study[:id]}/attempts/parts", asked)[:assembly]
    files.each { |name, bytes| send_bytes("/api/assemblies/#{assembly[:id]}/files", bytes, name) }
    send_json(:post, "/api/assemblies/#{assembly[:id]}/start")
    work_off(*[Jobs::AssemblyQueue, Jobs::StemQueue, Jobs::AnalysisQueue].map { |queue| queue.new(library) })
    assembly
  end

  def test_notes_alone_become_an_attempt_and_are_laid_on_the_reference_though_they_have_no_drums
    assembly = put_together({ "song.mid" => keys_alone })
    made = rows.first
    told = page(made)

    assert_equal({ against_id: @reference[:id], checklist_id: @list[:id] }, assembly[:attempt])
    assert_equal [@reference[:id], @list[:id], "Attempt 1"], made.values_at(:against_id, :checklist_id, :title)
    assert_equal([@reference[:id]], get_json("/api/studies/#{@study[:id]}")[:references].map { |row| row[:id] })
    assert_nil told[:problem]
    assert_equal [16, 0], [told[:comparison][:alignment][:bars].count(&:last), told[:comparison][:alignment][:semitones]]
    assert_equal %w[hats kick snare], told[:comparison][:differences].select { |one| one[:kind] == "layer_missing" }.filter_map { |one| one[:role] }.uniq.sort & %w[hats kick snare]
  end

  def test_stems_become_an_attempt_with_its_stems
    put_together({ "Kick.wav" => StemFiles.kick, "Keys.wav" => sound(7) })
    song = get_json("/api/references/#{rows.first[:song_id]}")

    assert_equal(%w[chords kick], song[:stems].map { |stem| stem[:role] }.sort)
    assert_nil rows.first[:problem]
  end

  def test_what_it_was_held_against_may_be_gone_by_then
    assembly = library.assemblies.create(@study[:id], "Attempt", attempt: { against_id: 99, checklist_id: 99 })
    library.add_to_assembly(assembly, StringIO.new(sound(8)), "Keys.wav")
    library.assemblies.queue(assembly[:id])
    work_off(Jobs::AssemblyQueue.new(library))

    assert_equal [nil, nil], rows.first.values_at(:against_id, :checklist_id)
  end

  def test_a_reference_of_another_study_is_refused
    send_json(:post, "/api/studies/#{@study[:id]}/attempts/parts", { against_id: 99 })

    assert_problem 422, "invalid", /belongs to another study/
    assert_empty library.assemblies.of_study(@study[:id])
  end
end
