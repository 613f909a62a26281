# frozen_string_literal: true

require_relative "../test_helper"

# What nothing belongs to any more goes; what somebody still uses stays.
class SweeperTest < Ethoscope::TestCase
  include Application

  def files(folder = "recordings") = Dir.glob("#{folder}/**/*", base: library.home).select { |path| File.file?(File.join(library.home, path)) }

  def sound(mark) = File.binread(Fixture.wav).tap { |bytes| bytes.setbyte(2500, mark) }

  def import(study, mark = 1) = upload(study[:id], sound(mark), "song.wav")[:reference]

  # What a worker leaves beside a recording.
  def made_of(reference)
    recording = library.recordings.find(reference[:recording_id])
    [library.recordings.features_path(recording), library.recordings.part_path(recording, "struck")].each { |path| File.write(path, "made") }
  end

  def for_good(table, row) = send_json(:delete, "/api/#{table}/#{row[:id]}?for_good=true")

  def test_what_is_thrown_away_keeps_its_files_until_it_goes_for_good
    study = new_study
    import(study)
    before = files
    send_json(:delete, "/api/studies/#{study[:id]}")
    library.sweep

    assert_equal [1, before], [before.size, files]
  end

  def test_a_removed_study_takes_its_recordings_their_analyses_and_files_with_it
    study = new_study
    reference = import(study)
    made_of(reference)
    finish(reference[:recording_id])
    for_good("studies", study)

    assert_empty files
    assert_equal([0] * 5, %i[studies references recordings analyses readings].map { |table| library.db[table].count })
  end

  def test_a_recording_that_another_study_has_stays_with_all_that_was_made_of_it
    one = new_study
    other = new_study
    made_of(import(one))
    kept = import(other)
    before = files
    for_good("studies", one)

    assert_equal [3, before], [files.size, files]
    for_good("references", kept)

    assert_empty files
  end

  def test_a_recording_that_is_a_stem_or_waits_in_a_song_without_a_mix_stays
    study = new_study
    reference = analysed_reference(study)
    send_bytes("/api/references/#{reference[:id]}/stems", sound(7), "kick.wav")
    assembly = send_json(:post, "/api/studies/#{study[:id]}/assemblies", { title: "parts" })[:assembly]
    send_bytes("/api/assemblies/#{assembly[:id]}/files", sound(8), "bass.wav")
    for_good("references", import(study, 9))
    sounds = -> { files.reject { |path| path.end_with?(".features") }.size }

    assert_equal 3, sounds.call
    send_json(:delete, "/api/assemblies/#{assembly[:id]}")

    assert_equal 2, sounds.call
    send_json(:delete, "/api/stems/#{library.stems.of_reference(reference[:id]).first[:id]}")

    assert_equal 1, sounds.call
  end

  def test_replaced_midi_files_leave_nothing
    reference = analysed_reference
    3.times { |i| send_bytes("/api/references/#{reference[:id]}/score", MidiFile.bytes([["Lead", 0, [[0, 1, 60 + i]]]]), "song.mid") }

    assert_equal 1, files("scores").size
    send_json(:delete, "/api/references/#{reference[:id]}/score")

    assert_empty files("scores")
  end

  def test_a_file_that_came_to_nothing_is_not_kept
    reference = analysed_reference
    before = files
    library.stems.singleton_class.define_method(:create) { |*| raise Store::Duplicate, "A reference holds at most 64 stems." }
    send_bytes("/api/references/#{reference[:id]}/stems", sound(3), "kick.wav")

    assert_problem 409, "duplicate"
    assert_equal before, files
  end

  def test_leftovers_of_a_killed_run_are_swept_at_the_start
    reference = import(new_study)
    folder = File.join(library.home, "recordings", "ab")
    FileUtils.mkdir_p(folder)
    [File.join(folder, "ab#{"0" * 62}"), File.join(folder, "ab#{"0" * 62}.features"), File.join(library.home, "recordings", "part-1"),
     File.join(library.home, "scores", "x.mid.12.part")].each { |path| File.write(path, "left") }
    library.sweep

    assert_equal [1, 0], [files.size, files("scores").size]
    assert_path_exists library.recordings.path(library.recordings.find(reference[:recording_id]))
  end

  def test_a_data_directory_with_brackets_in_its_name
    home = File.join(folder, "my [data] {x} *")
    other = Store::Library.new(home)
    study = other.studies.create(title: "Study", aim: "study")
    reference = File.open(Fixture.wav, "rb") { |file| other.import(study[:id], file, "a.wav") }
    File.write(File.join(home, "recordings", "part-1"), "left")
    other.sweep
    other.remove { other.references.delete(reference[:id]) }

    assert_empty(Dir.children(File.join(home, "recordings")))
    other.db.disconnect
  end
end
