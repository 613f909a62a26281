# frozen_string_literal: true

require_relative "../test_helper"

# One worker process, from its start to its end.
class WorkerProcessTest < Ethoscope::TestCase
  include Workers

  def setup
    super
    @lifeline, @held = IO.pipe
  end

  def teardown
    [@lifeline, @held].reject(&:closed?).each(&:close)
    super
  end

  def test_what_it_says_is_handed_on_line_by_line
    said = []

    assert_nil(run_worker('puts %({"stage":"rhythm","progress":0.5}); puts %({"progress":1.0})') { |message| said << message })
    assert_equal [{ stage: "rhythm", progress: 0.5 }, { progress: 1.0 }], said.compact
  end

  def test_its_own_words_for_a_failure_are_used
    assert_equal "The recording is silent.", run_worker('puts %({"error":"The recording is silent."}); exit 1')
  end

  def test_an_end_without_words_says_how_it_ended
    assert_match(/exit code 7/, run_worker("exit 7"))
    assert_match(/signal 9/, run_worker("Process.kill(:KILL, Process.pid)"))
  end

  def test_half_a_line_is_no_message
    said = []

    assert_match(/signal 9/, run_worker('print %({"progress":0.); $stdout.flush; Process.kill(:KILL, Process.pid)') { |message| said << message })
    assert_empty said.compact
  end

  def test_one_that_takes_too_long_is_ended_with_what_it_started
    started = File.join(folder, "started")
    reason = run_worker("pid = spawn(%(sleep 60)); File.write(#{started.dump}, pid.to_s); sleep", seconds: 6)

    assert_match(/took longer than 6 s/, reason)
    wait_until { gone?(File.read(started).to_i) }
  end

  def test_one_that_nobody_waits_for_is_ended_though_it_says_nothing
    started = File.join(folder, "started")
    outcome = run_worker("File.write(#{started.dump}, Process.pid.to_s); sleep") { |message| message.nil? && !File.exist?(started) }

    assert_equal :unwanted, outcome
    assert gone?(File.read(started).to_i)
  end

  def test_a_real_worker_ends_when_whoever_started_it_is_gone
    File.mkfifo(sound = File.join(folder, "never.wav"))
    process = Jobs::WorkerProcess.new([RbConfig.ruby, Jobs::Dispatcher::WORKER, sound, File.join(folder, "result.json"), '{"kind":"separate"}'], Jobs::Limits.new, @lifeline)
    outcome = nil
    watching = Thread.new { outcome = process.run { |message| message ? true : !@held.close || true } }
    watching.join(20)

    assert_match(/signal 9|stopped unexpectedly|There is no such file/, outcome.to_s)
  end

  private

  def run_worker(code, seconds: 20, **limits, &heard)
    process = Jobs::WorkerProcess.new([RbConfig.ruby, "--disable-gems", "-e", code], Jobs::Limits.new(seconds:, **limits), @lifeline)
    process.run(&heard || ->(_) { true })
  end

  def wait_until
    200.times { yield ? return : IO.select(nil, nil, nil, 0.05) }

    flunk "nothing happened"
  end
end
