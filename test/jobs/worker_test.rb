# frozen_string_literal: true

require_relative "../test_helper"
require "stringio"

# The work inside a worker process, and the bulletin that tells of it.
class WorkerTest < Ethoscope::TestCase
  def test_stages_are_told_as_they_begin_and_the_result_is_whole
    code, lines, result = work(Fixture.wav)

    assert_equal 0, code
    assert_equal(%w[decoding spectra rhythm chords form layers techniques storing], lines.map { |line| line[:stage] })
    assert_equal(lines.map { |line| line[:progress] }.sort, lines.map { |line| line[:progress] })
    assert_equal 16, Ethoscope::Analysis.from_h(JSON.parse(File.read(result))).bars
    refute_path_exists "#{result}.part"
  end

  def test_what_cant_be_read_is_told_in_one_line_and_leaves_no_result
    File.write(path = File.join(folder, "words.wav"), "words")
    code, lines, result = work(path)

    assert_equal 1, code
    assert_match(/not a sound file/, lines.last[:error])
    refute_path_exists result
  end

  def test_a_full_disk_is_told
    Dir.mkdir(result = File.join(folder, "result.json.part"))
    full = Jobs::Worker.new(Fixture.wav, File.join(folder, "result.json"), out = StringIO.new)
    full.define_singleton_method(:write) { |_text| raise Errno::ENOSPC }

    assert_equal 1, full.run
    assert_match(/disk is full/, out.string.lines.last)
    assert_path_exists result
  end

  def test_what_was_measured_is_kept_and_derived_from_again
    _, _, result = work(Fixture.wav)
    features = "#{result}.features"
    code, lines, result = work("/nowhere", corrections: { bpm: 50.0 }, features:)

    assert_equal 0, code
    assert_equal(%w[rhythm chords form layers techniques storing], lines.map { |line| line[:stage] })
    assert_in_delta 50, Ethoscope::Analysis.from_h(JSON.parse(File.read(result))).fetch(:tempo)[:bpm], 0.5
  end

  def test_without_what_was_measured_a_derivation_starts_from_the_sound
    code, lines, result = work(Fixture.wav, corrections: { bpm: 50.0 }, features: File.join(folder, "gone"))

    assert_equal [0, "decoding"], [code, lines.first[:stage]]
    assert_in_delta 50, Ethoscope::Analysis.from_h(JSON.parse(File.read(result))).fetch(:tempo)[:bpm], 0.5
  end

  def test_a_recording_is_separated_into_two_files
    code, lines, result = work(Fixture.wav, kind: "separate")
    parts = %w[struck steady].map { |part| Ethoscope::Audio::Decoder.new("#{result}.#{part}.flac").check }

    assert_equal [0, ["separating"]], [code, lines.map { |line| line[:stage] }.uniq]
    parts.each { |facts| assert_in_delta Fixture.band.recording.duration, facts[:duration], 0.1 }
  end

  def test_the_bulletin_wakes_whoever_waits
    bulletin = Jobs::Bulletin.new
    seen = bulletin.edition
    waiting = Thread.new { bulletin.wait(seen, 30) }
    bulletin.publish

    assert_equal seen + 1, waiting.value
    assert_equal seen + 1, bulletin.wait(seen, 30)
    assert_equal seen + 1, bulletin.wait(seen + 1, 0.01)
  end

  def test_limits_are_two_workers_and_bounded_time_and_memory_unless_told_otherwise
    limits = Jobs::Limits.new

    assert_equal 2, limits.workers
    assert_operator limits.seconds, :<=, 600
    assert_operator limits.bytes, :<=, 8 << 30
    assert_predicate limits, :frozen?
  end

  private

  def work(path, **task)
    out = StringIO.new
    result = File.join(folder, "result.json")
    code = Jobs::Worker.new(path, result, out, task).run
    [code, out.string.lines.map { |line| JSON.parse(line, symbolize_names: true) }, result]
  end
end
