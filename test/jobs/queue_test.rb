# frozen_string_literal: true

require_relative "../test_helper"

# Many analyses, two workers, and pages that watch.
class QueueTest < Ethoscope::TestCase
  include Application
  include Workers

  def teardown
    @dispatcher&.stop
    super
  end

  def test_two_run_at_a_time_and_all_get_their_turn
    ids = Array.new(5) { |i| queue("song #{i}") }
    most = 0
    start
    # In one look: between two of them one may end and another begin.
    watch(ids) { most = [most, library.db[:analyses].where(state: "running").count].max }

    assert_equal ["done"], states(ids).uniq
    assert_includes 1..2, most
  end

  def test_an_analysis_is_claimed_by_one_of_many
    queue("one")
    claims = Array.new(6) { Thread.new { library.analyses.claim } }.map(&:value)

    assert_equal 1, claims.compact.size
  end

  def test_a_page_that_asks_is_told_each_stage_until_the_end
    study = library.studies.create(title: "Study", aim: "style")
    File.open(Fixture.wav, "rb") { |file| library.import(study[:id], file, "a.wav") }
    start(command: nil)
    told = []
    until told.last == "done"
      flunk "the analysis did not end" if told.size > 600
      page = get_json("/api/studies/#{study[:id]}/progress")
      told << page[:runs].first[:state]
      bulletin.wait(page[:edition], 1)
    end

    assert_equal told.sort_by { |state| %w[queued running done].index(state) }, told
  end

  def test_work_on_a_study_that_is_removed_ends_and_leaves_nothing
    study = library.studies.create(title: "Study", aim: "style")
    File.open(Fixture.wav, "rb") { |file| library.import(study[:id], file, "a.wav") }
    File.mkfifo(told = File.join(folder, "told"))
    start(command: worker("File.write(#{told.dump}, Process.pid.to_s); sleep"))
    pid = File.read(told).to_i
    library.remove { library.studies.delete(study[:id]) }
    wait_until { gone?(pid) }

    assert_equal([0, 0], %i[analyses recordings].map { |table| library.db[table].count })
    assert_empty Dir.glob("recordings/??/*", base: library.home)
  end

  def test_the_database_may_be_held_by_others_for_long_and_the_queue_goes_on
    start
    failing = library.analyses.method(:claim)
    times = 0
    library.analyses.define_singleton_method(:claim) { (times += 1) < 4 ? raise(Sequel::PoolTimeout, "held") : failing.call }
    id = queue("patient")
    bulletin.publish
    watch([id])

    assert_equal ["done"], states([id])
    assert_operator times, :>=, 4
  end

  def test_work_goes_on_and_its_result_is_kept_while_somebody_else_holds_the_database
    held = Sequel::PoolTimeout.new("held")
    finishing = library.analyses.method(:finish)
    times = 0
    library.analyses.define_singleton_method(:advance) { |*| raise held }
    library.analyses.define_singleton_method(:finish) { |*arguments| (times += 1) < 4 ? raise(held) : finishing.call(*arguments) }
    id = queue("held")
    start(command: worker('puts %({"stage":"rhythm","progress":0.5}); $stdout.flush; File.write(ARGV[1], ENV.fetch("FIXTURE"))'))
    watch([id])

    assert_equal [["done"], 4], [states([id]), times]
  end

  def test_an_end_that_could_not_be_stored_is_stored_later
    id = queue("full disk")
    failing = library.analyses.method(:fail)
    times = 0
    library.analyses.define_singleton_method(:fail) { |*arguments| (times += 1) < 3 ? raise(Sequel::DatabaseError, "disk") : failing.call(*arguments) }
    start(command: worker("exit 1"))
    watch([id])

    assert_equal ["failed"], states([id])
  end

  def test_a_result_that_is_no_analysis_fails_with_its_reason
    id = queue("odd")
    start(command: worker('File.write(ARGV[1], "{}")'))
    watch([id])

    assert_equal "failed", library.analyses.latest(id)[:state]
    assert_match(/could not be stored/, library.analyses.latest(id)[:error])
  end

  private

  def start(command: worker('File.write(ARGV[1], ENV.fetch("FIXTURE"))'))
    options = command ? { command: } : {}
    @dispatcher = Jobs::Dispatcher.new(library, bulletin, **options).start
  end

  def wait_until
    seen = -1
    60.times { yield ? return : seen = bulletin.wait(seen, 0.5) }

    flunk "nothing happened"
  end

  def states(ids) = ids.map { |id| library.analyses.latest(id)[:state] }

  # Waits for the end of all of them, looking at each change.
  def watch(ids)
    seen = -1
    60.times do
      yield if block_given?
      return if states(ids).all? { |state| %w[done failed].include?(state) }

      seen = bulletin.wait(seen, 1)
    end

    flunk "the analyses did not end"
  end
end
