# frozen_string_literal: true

require_relative "../test_helper"

# Background work with worker processes that behave, die, hang, or eat memory.
class DispatcherTest < Ethoscope::TestCase
  include Application
  include Workers

  PATIENCE = 60

  def teardown
    @dispatchers&.each(&:stop)
    super
  end

  def test_an_analysis_goes_through_its_stages_to_readings
    reference = import
    stages = watch(reference) { start }

    assert_equal "done", run_of(reference)[:state]
    assert_equal 7, library.readings.current(reference[:id]).size
    assert_operator stages.compact.uniq.size, :>=, 2
    assert_empty Dir.children(File.join(library.home, "scratch"))
  end

  def test_a_worker_that_dies_leaves_a_reason_and_the_next_one_starts
    script = worker('path, result = ARGV; File.read(path).include?("die") ? Process.kill(:KILL, Process.pid) : File.write(result, ENV.fetch("FIXTURE"))')
    dying = queue("die")
    living = queue("live")
    start(command: script)
    wait_for([dying, living])

    assert_equal "failed", library.analyses.latest(dying)[:state]
    assert_match(/stopped unexpectedly \(signal 9\)/, library.analyses.latest(dying)[:error])
    assert_equal "done", library.analyses.latest(living)[:state]
  end

  def test_a_worker_that_hangs_is_ended_when_its_time_is_over
    recording = queue("slow")
    start(command: worker('loop { $stdout.puts(%({"stage":"rhythm","progress":0.5})); $stdout.flush; select(nil, nil, nil, 0.05) }'), seconds: 1)
    wait_for([recording])

    assert_match(/took longer than 1 s/, library.analyses.latest(recording)[:error])
  end

  def test_a_worker_that_eats_memory_fails_alone
    recording = queue("greedy")
    start(command: worker('puts JSON.generate(error: begin; "x" * (3 << 30); "room"; rescue NoMemoryError; "no room"; end); $stdout.flush; exit 1'),
      bytes: 1 << 30)
    wait_for([recording])

    assert_equal ["failed", "no room"], library.analyses.latest(recording).values_at(:state, :error)
  end

  def test_a_worker_that_ends_without_a_result_has_failed
    recording = queue("odd")
    start(command: worker("exit 7"))
    wait_for([recording])

    assert_match(/exit code 7/, library.analyses.latest(recording)[:error])
  end

  def test_a_recording_that_is_silent_fails_with_its_own_sentence
    silent = Ethoscope::Audio::Recording.new(channels: Numo::SFloat.zeros(1, 44_100 * 6), rate: 44_100)
    reference = import(SoundFile.write(silent, File.join(folder, "silent.wav")))
    start
    wait_for([reference[:recording_id]])

    assert_match(/\AThe recording is silent\./, run_of(reference)[:error])
  end

  def test_an_aiff_gets_a_copy_that_browsers_play
    aiff = SoundFile.write(Band.new(bpm: 120).bars(6, chords: %w[C], **Band::BACKBEAT).recording, File.join(folder, "song.aiff"))
    reference = import(aiff)
    start
    wait_for([reference[:recording_id]])

    assert_equal "flac", library.recordings.playable(library.recordings.find(reference[:recording_id])).last
  end

  def test_what_a_person_puts_right_is_derived_from_what_was_measured
    reference = import
    start
    wait_for([reference[:recording_id]])
    library.readings.correct(library.readings.current(reference[:id])["tempo"][:id], value: { bpm: 50.0 }, source: "heard")
    library.derive(reference)
    bulletin.publish
    wait_until_done { library.derivation(reference) }

    assert_equal 8, library.analysis(reference).bars
    assert_equal 16, library.analyses.finished(reference[:recording_id]).last.bars
    assert_path_exists library.recordings.features_path(library.recordings.find(reference[:recording_id]))
  end

  def test_struck_and_steady_parts_are_made_in_the_background
    reference = import
    start
    wait_for([reference[:recording_id]])
    library.separations.queue(reference[:recording_id])
    bulletin.publish
    wait_until_done { library.separations.find(reference[:recording_id]) }
    recording = library.recordings.find(reference[:recording_id])

    assert_equal "done", library.separations.find(recording[:id])[:state]
    Store::Separations::PARTS.each { |part| assert_path_exists library.recordings.part_path(recording, part) }
  end

  def test_stopping_leaves_the_run_for_the_next_start
    recording = queue("slow")
    dispatcher = start(command: worker("sleep"))
    seen = 0
    seen = bulletin.wait(seen, 1) until library.analyses.latest(recording)[:state] == "running"
    dispatcher.stop
    library.analyses.resume

    assert_equal "queued", library.analyses.latest(recording)[:state]
  end

  private

  def start(command: nil, seconds: 60, bytes: 4 << 30)
    options = command ? { command: } : {}
    dispatcher = Jobs::Dispatcher.new(library, bulletin, limits: Jobs::Limits.new(workers: 2, seconds:, bytes:), **options).start
    (@dispatchers ||= []) << dispatcher
    dispatcher
  end

  def import(path = Fixture.wav)
    study = library.studies.create(title: "Study", aim: "style")
    File.open(path, "rb") { |file| library.import(study[:id], file, File.basename(path)) }
  end

  def run_of(reference) = library.analyses.latest(reference[:recording_id])

  def wait_for(recording_ids)
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + PATIENCE
    seen = -1
    until recording_ids.all? { |id| %w[done failed].include?(library.analyses.latest(id)[:state]) }
      flunk "the analyses did not end" if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
      seen = bulletin.wait(seen, 1)
    end
  end

  def wait_until_done
    seen = -1
    seen = bulletin.wait(seen, 1) until %w[done failed].include?(yield[:state])
  end

  # The stages that are told until the run ends.
  def watch(reference)
    seen = bulletin.edition
    yield
    stages = []
    until %w[done failed].include?(run_of(reference)[:state])
      stages << run_of(reference)[:stage]
      seen = bulletin.wait(seen, 1)
    end
    stages
  end
end
