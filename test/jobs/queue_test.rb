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

  def test_a_page_that_watches_is_told_each_stage_until_the_end
    study = library.studies.create(title: "Study", aim: "style")
    File.open(Fixture.wav, "rb") { |file| library.import(study[:id], file, "a.wav") }
    watching = Thread.new { get("/api/studies/#{study[:id]}/events", {}, "HTTP_HOST" => "127.0.0.1").body }
    start(command: nil)
    told = watching.value.scan(/"state":"(\w+)"/).flatten

    assert_equal "done", told.last
    assert_equal told.sort_by { |state| %w[queued running done].index(state) }, told
    assert_match(/event: idle\ndata: \{\}\n\n\z/, watching.value)
  end

  def test_a_reference_that_is_removed_while_it_runs_does_no_harm
    study = library.studies.create(title: "Study", aim: "style")
    reference = File.open(Fixture.wav, "rb") { |file| library.import(study[:id], file, "a.wav") }
    start
    library.studies.delete(study[:id])
    watch([reference[:recording_id]])

    assert_equal "done", library.analyses.latest(reference[:recording_id])[:state]
    assert_equal 0, library.db[:readings].count
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
