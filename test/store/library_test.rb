# frozen_string_literal: true

require_relative "../test_helper"
require "stringio"

# Imports, titles and what lists show of a reference.
class LibraryTest < Ethoscope::TestCase
  include Application

  def setup
    @study = library.studies.create(title: "Study", aim: "style")
  end

  def test_a_title_comes_from_the_tags_and_else_from_the_name
    tagged = SoundFile.write(SoundFile.sine(440, 5), File.join(folder, "x.mp3"), "-metadata", "title=Low Tide", "-metadata", "artist=Nobody at All")

    assert_equal ["Low Tide", "Nobody at All"], import(tagged, "x.mp3").values_at(:title, :artist)
    assert_equal "my rough mix", import(SoundFile.write(SoundFile.sine(330, 5), File.join(folder, "y.wav")), "C:\\songs\\my_rough_mix.wav")[:title]
    assert_equal "Untitled", import(SoundFile.write(SoundFile.sine(220, 5), File.join(folder, "z.wav")), "   .wav")[:title]
  end

  def test_references_keep_their_order
    titles = %w[one two three].each_with_index.map do |name, i|
      import(SoundFile.write(SoundFile.sine(200 + (50 * i), 5), File.join(folder, "#{name}.wav")), "#{name}.wav")[:title]
    end

    assert_equal(titles, library.references.of_study(@study[:id]).map { |row| row[:title] })
    assert_equal([1, 2, 3], library.references.of_study(@study[:id]).map { |row| row[:position] })
  end

  def test_marks_say_how_far_each_kind_of_reading_is
    reference = analysed_reference(@study)
    current = library.readings.current(reference[:id])
    library.readings.mark(current["tempo"][:id], "confirmed")
    library.readings.mark(current["form"][:id], "refuted")
    library.readings.correct(current["key"][:id], value: { tonic: "C", mode: "major" }, source: "heard", note: "")

    assert_equal({ "tempo" => "confirmed", "key" => "heard", "loop" => "measured", "form" => "refuted", "layers" => "measured", "techniques" => "measured" },
      Api::View.new(library, [reference]).of(reference)[:marks])
  end

  def test_before_the_analysis_there_are_no_marks_and_no_summary
    reference = import(Fixture.wav, "fixture.wav")

    view = Api::View.new(library, [reference]).of(reference)

    assert_equal [["none"], nil, nil], [view[:marks].values.uniq, view[:summary], view[:problem]]
    assert_nil library.song(reference)
  end

  def test_a_scope_ends_the_song
    assert_equal 6, library.song(analysed_reference(@study), scope: 6).bars
  end

  def test_a_recording_whose_file_was_lost_is_taken_in_again
    reference = import(Fixture.wav, "fixture.wav")
    recording = library.recordings.find(reference[:recording_id])
    File.delete(library.recordings.path(recording))
    again = File.open(Fixture.wav, "rb") { |file| library.recordings.keep(file) { { format: "wav", duration: 38.0 } } }

    assert_equal recording[:id], again[:id]
    assert_path_exists library.recordings.path(recording)
  end

  def test_notes_of_a_person_survive_a_new_analysis
    reference = analysed_reference(@study)
    layer = library.readings.note(reference[:id], aspect: "layer", value: { name: "echo", cells: [0] * 16 }, statement: "echo", source: "heard")
    finish(reference[:recording_id])

    assert_equal layer, library.readings.find(layer[:id])
    assert_equal 7, library.readings.current(reference[:id]).size
  end

  def test_a_study_changes_only_what_it_is_told
    changed = library.studies.update(@study[:id], { target_bpm: 88.0, id: 99 })

    assert_equal [@study[:id], "Study", 88.0], changed.values_at(:id, :title, :target_bpm)
    assert_equal changed, library.studies.update(@study[:id], {})
  end

  def test_rules_of_the_tables_hold_whoever_writes
    assert_raises(Sequel::ConstraintViolation) { library.db[:studies].insert(title: "x", aim: "fame", created_at: "now") }
    assert_raises(Sequel::ConstraintViolation) { library.db[:analyses].insert(recording_id: 1, state: "lost", created_at: "now") }
    assert_raises(Sequel::ConstraintViolation) { library.db[:items].insert(checklist_id: 99, position: 1, number: "1", stage: "x", title: "x", target: "x", minutes: 1, from: "x") }
  end

  def test_the_migration_can_be_taken_back
    Sequel::Migrator.run(library.db, Store::Database::MIGRATIONS, target: 0)

    assert_equal [:schema_info], library.db.tables
  end

  private

  def import(path, name) = File.open(path, "rb") { |file| library.import(@study[:id], file, name) }
end
