# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/analysed_song"
require_relative "../support/second_reader"

# A study taken away whole and opened again, here and elsewhere.
class StudyFileTest < Ethoscope::TestCase
  include AnalysedSong

  def self.person(rows, aspect, value) = rows[:readings].last.merge(id: 9999, aspect:, value:, source: "heard", state: "open", analysis_id: nil, supersedes_id: nil)

  def self.entry(rows, texts) = { id: 1, study_id: rows[:studies][0][:id], kind: "own_x", texts:, created_at: "2026-01-01" }

  def self.analysis(rows)
    data = JSON.parse(rows[:analyses][0][:data], symbolize_names: true)
    yield data
    rows[:analyses][0][:data] = JSON.generate(data)
  end

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

  def test_an_archive_that_was_cut_anywhere_is_refused_with_a_sentence
    whole = File.binread(Store::StudyFile.new(library).save(@study, @path).then { @path })
    before = counts
    [0.1, 0.5, 0.9, 0.99, 0.999].each do |share|
      File.binwrite(@path, whole.byteslice(0, (whole.bytesize * share).to_i))

      assert_raises(Ethoscope::Errors::Unfit, share) { Store::StudyFile.new(library).open(@path) }
      File.binwrite(@path, whole.byteslice((whole.bytesize * share).to_i..) + whole.byteslice(0, 500))

      assert_raises(Ethoscope::Errors::Unfit, share) { Store::StudyFile.new(library).open(@path) }
    end
    assert_equal before, counts
  end

  # What the rows are changed to, each in one place.
  WRONG = {
    "words that are no list" => ->(rows) { rows[:references][0][:words] = '"x"' }, "a credit that is none" => ->(rows) { rows[:references][0][:credits] = '["x"]' },
    "a tempo that is none" => ->(rows) { rows[:readings] << person(rows, "tempo", '{"bpm":"fast"}') }, "no tempo" => ->(rows) { rows[:studies][0][:target_bpm] = 0 },
    "an unknown mode" => ->(rows) { rows[:studies][0][:target_mode] = "martian" }, "an unknown aim" => ->(rows) { rows[:studies][0][:aim] = "win" },
    "two studies" => ->(rows) { rows[:studies] << rows[:studies][0].merge(id: 99) }, "no study" => ->(rows) { rows[:studies] = [] },
    "a title of megabytes" => ->(rows) { rows[:studies][0][:title] = "x" * (10 << 20) }, "texts that are no object" => ->(rows) { rows[:entries] << entry(rows, '"x"') },
    "a target of no measure" => ->(rows) { rows[:items][0][:targets] = '[{"measure":"no.measure","value":1,"tolerance":1,"source":"mix"}]' },
    "a target that is no object" => ->(rows) { rows[:items][0][:targets] = "[1]" }, "a link that runs" => ->(rows) { rows[:items][0][:links] = '["javascript:alert(1)"]' },
    "a reading's link that runs" => ->(rows) { rows[:readings][0][:link] = "javascript:alert(1)" }, "JSON that is none" => ->(rows) { rows[:readings][0][:rivals] = "{" },
    "a reading of another song" => ->(rows) { rows[:readings][0][:reference_id] = 999 }, "two rows of one number" => ->(rows) { rows[:items] << rows[:items][0].dup },
    "an unknown school" => ->(rows) { rows[:checklists][0][:school] = "none" }, "an analysis without bars" => ->(rows) { analysis(rows) { |data| data[:bars] = [] } },
    "an analysis in no tempo" => ->(rows) { analysis(rows) { |data| data[:tempo][:bpm] = 0 } },
    "an analysis with a word for a time" => ->(rows) { analysis(rows) { |data| data[:beats][0] = "x" } },
    "times that go back" => ->(rows) { analysis(rows) { |data| data[:downbeats].reverse! } }, "rows that are none" => ->(rows) { rows[:items] = "x" },
    "a song in the study twice" => ->(rows) { rows[:references] << rows[:references][0].merge(id: 99) }, "an item in no state" => ->(rows) { rows[:items][0][:state] = "lost" },
    "a painted stretch of no level" => ->(rows) { rows[:readings] << person(rows, "layer", '{"name":"x","spans":[[0,1,9]]}') }
  }.freeze

  def test_rows_that_could_not_be_said_here_are_refused_with_a_sentence_and_nothing_is_kept
    Store::StudyFile.new(library).save(@study, @path)
    before = state
    WRONG.each do |name, change|
      copy = changed(name, &change)
      refusal = assert_raises(Ethoscope::Errors::Unfit, name) { Store::StudyFile.new(library).open(copy) }

      assert_match(/be opened/, refusal.message, name)
      assert_operator refusal.message.size, :<, 400, name
      assert_equal before, state, name
    end
  end

  def test_what_fails_while_it_is_put_in_its_place_leaves_nothing_behind
    Store::StudyFile.new(library).save(@study, @path)
    library.studies.delete(@study[:id])
    library.sweep
    before = state

    library.analyses.stub(:finished_id, ->(_) { raise "a fault" }) { assert_raises(RuntimeError) { Store::StudyFile.new(library).open(@path) } }

    assert_equal before, state
  end

  def test_an_archive_that_unpacks_to_more_than_it_may_is_refused_before_it_is_unpacked
    Store::StudyFile.new(library).save(@study, @path)
    bomb = "#{@path}.bomb"
    FileUtils.cp(@path, bomb)
    rewrite(bomb) { |zip| zip.get_output_stream("study.json") { |out| 64.times { out.write("0" * (1 << 20)) } } }
    before = state

    assert_match(/too large/, assert_raises(Ethoscope::Errors::Unfit) { Store::StudyFile.new(library).open(bomb) }.message)
    assert_equal before, state
  end

  def test_a_stream_is_read_no_further_than_it_may_be
    stream = Store::StudyArchive::Bounded.new(StringIO.new("x" * 100), 64)

    assert_equal 60, stream.read(60).size
    assert_raises(Ethoscope::Errors::Unfit) { stream.read(60) }
  end

  def test_a_sound_that_is_none_is_refused
    Store::StudyFile.new(library).save(@study, @path)
    bytes = "RIFF, but no sound"
    sha256 = Digest::SHA256.hexdigest(bytes)
    copy = changed("no sound") { |rows| rows[:recordings][0][:sha256] = sha256 }
    rewrite(copy) { |zip| zip.get_output_stream("recordings/#{sha256}") { |out| out.write(bytes) } }

    assert_match(/can't be played/, assert_raises(Ethoscope::Errors::Unfit) { Store::StudyFile.new(library).open(copy) }.message)
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

  # All rows of the database, and the files of the data directory.
  def state
    rows = (library.db.tables - [:schema_info]).to_h { |table| [table, library.db[table].count] }
    [rows, Dir.glob("**/*", base: library.home).grep_v(/sqlite3/).select { |name| File.file?(File.join(library.home, name)) }.sort]
  end

  # A copy of the archive whose rows are changed.
  def changed(name)
    copy = "#{@path}.#{name.tr(" ", "-")}"
    FileUtils.cp(@path, copy)
    rewrite(copy) do |zip|
      data = JSON.parse(zip.read("study.json"), symbolize_names: true)
      yield data[:rows]
      zip.get_output_stream("study.json") { |out| out.write(JSON.generate(data)) }
    end
    copy
  end

  def rewrite(path, &) = Zip::File.open(path, &)
end
