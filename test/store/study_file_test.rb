# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/analysed_song"
require_relative "../support/second_reader"

# A study taken away whole and opened again, here and elsewhere.
class StudyFileTest < Ethoscope::TestCase
  include AnalysedSong

  def setup
    super
    @study = library.studies.find(@reference[:study_id])
    library.journal.record(@id, "Note") do |taped|
      taped.note(@id, aspect: "mark", value: { type: "idea", text: "=SUM(A1)" }, statement: "idea", source: "heard", starts_at: 0.0, ends_at: 2.0)
    end
    @list = Work::Planning.new(library, @study).create(from: "reference", reference_id: @id)
    library.items.update(@list[:items].first[:id], { result: "close", note: "nearly" })
    @path = File.join(Dir.mktmpdir, "study.zip")
  end

  def teardown
    FileUtils.rm_rf(File.dirname(@path))
    super
  end

  def test_opened_elsewhere_it_says_the_same
    Store::StudyFile.new(library).save(@study, @path)
    Dir.mktmpdir do |home|
      there = Store::Library.new(home)
      study = Store::StudyFile.new(there).open(@path)
      song = there.references.of_study(study[:id]).first

      assert_equal @study.slice(:title, :aim), study.slice(:title, :aim)
      assert_equal library.analysis(@reference), there.analysis(song)
      assert_equal said(library, @id), said(there, song[:id])
      assert_equal items(library, @study), items(there, study)
      assert_equal File.binread(library.recordings.path(library.recordings.find(@reference[:recording_id]))),
        File.binread(there.recordings.path(there.recordings.find(song[:recording_id])))
    end
  end

  def test_opened_here_it_is_another_study_and_overwrites_nothing
    Store::StudyFile.new(library).save(@study, @path)
    library.studies.update(@study[:id], title: "Gone on")
    first, second = Array.new(2) { Store::StudyFile.new(library).open(@path) }

    assert_equal([@study[:title], "#{@study[:title]} (2)"], [first, second].map { |study| study[:title] })
    assert_equal "Gone on", library.studies.find(@study[:id])[:title]
    assert_equal 1, library.db[:recordings].count
    assert_equal([items(library, @study)] * 2, [first, second].map { |study| items(library, study) })
    assert_empty library.db[:analyses].exclude(state: "done").all
  end

  def test_the_archive_is_read_by_another_reader
    Store::StudyFile.new(library).save(@study, @path)
    names, title = JSON.parse(IO.popen([SecondReader::PYTHON, "-c", <<~PYTHON, @path], &:read))
      import json, sys, zipfile
      archive = zipfile.ZipFile(sys.argv[1])
      assert archive.testzip() is None
      print(json.dumps([archive.namelist(), json.loads(archive.read("study.json"))["rows"]["studies"][0]["title"]]))
    PYTHON

    assert_equal @study[:title], title
    assert_equal ["READ ME.txt", "recordings/#{library.recordings.find(@reference[:recording_id])[:sha256]}", "study.json"], names.sort
  end

  def test_what_is_no_study_or_damaged_is_refused_and_nothing_is_kept
    Store::StudyFile.new(library).save(@study, @path)
    sha256 = library.recordings.find(@reference[:recording_id])[:sha256]
    { "no archive" => ->(path) { File.write(path, "no archive") }, "no rows" => ->(path) { rewrite(path) { |zip| zip.remove("study.json") } },
      "no JSON" => ->(path) { rewrite(path) { |zip| zip.get_output_stream("study.json") { |out| out.write("{") } } },
      "a recording missing" => ->(path) { rewrite(path) { |zip| zip.remove("recordings/#{sha256}") } },
      "another sound" => ->(path) { rewrite(path) { |zip| zip.get_output_stream("recordings/#{sha256}") { |out| out.write("RIFF") } } },
      "a newer one" => lambda { |path|
        rewrite(path) do |zip|
          zip.get_output_stream("study.json") do |out|
            out.write('{"version": 99, "migration": 1, "rows": {}}')
          end
        end
      } }.each do |name, damage|
      copy = "#{@path}.#{name.tr(" ", "-")}"
      FileUtils.cp(@path, copy)
      damage.call(copy)
      before = counts

      assert_raises(Ethoscope::Errors::Unfit, name) { Store::StudyFile.new(library).open(copy) }
      assert_equal before, counts, name
    end
  end

  def test_a_backup_unpacked_is_a_data_directory
    Store::Backup.new(library).write(@path)
    Dir.mktmpdir do |home|
      system(SecondReader::PYTHON, "-m", "zipfile", "-e", @path, home, exception: true)
      there = Store::Library.new(home)

      assert_equal([@study[:title]], there.studies.all.map { |study| study[:title] })
      assert_equal said(library, @id), said(there, @id)
      assert_path_exists there.recordings.path(there.recordings.find(@reference[:recording_id]))
    end
  end

  def test_a_reference_is_copied_into_another_study_with_what_was_said
    other = library.studies.create(title: "Other", aim: "style")
    copy = Store::Copying.new(library).copy(@reference, other[:id])

    assert_equal [other[:id], @reference[:title]], copy.values_at(:study_id, :title)
    assert_equal said(library, @id), said(library, copy[:id])
    assert_equal library.analysis(@reference), library.analysis(copy)
    assert_raises(Store::Duplicate) { Store::Copying.new(library).copy(@reference, other[:id]) }
  end

  private

  def said(library, id) = library.readings.of_reference(id).map { |row| row.slice(:aspect, :value, :statement, :state, :source) }

  def items(library, study)
    library.checklists.find(library.checklists.of_study(study[:id]).first[:id])[:items].map { |item| item.slice(:title, :target, :targets, :result, :note) }
  end

  def counts = %i[studies references recordings readings analyses].map { |table| library.db[table].count }

  def rewrite(path, &) = Zip::File.open(path, &)
end
