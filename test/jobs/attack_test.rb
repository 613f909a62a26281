# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../attack/attack"
require "digest"

# A small part of `rake attack`, the same each time.
class AttackTest < Ethoscope::TestCase
  def setup
    super
    @report = Attack::Report.new
  end

  def test_hostile_files_harm_nothing
    Attack.served(folder, "uploads") { |server| Attack::Uploads.new(server, Attack::HostileFiles.new(3, folder), @report).run(8) }

    assert_predicate @report, :clean?, @report.to_s
    assert_match(/files 8/, @report.to_s)
  end

  def test_random_edits_leave_everything_answering
    Attack.edits(folder, 3, 6, @report, songs: Attack::SONGS.first(1))

    assert_predicate @report, :clean?, @report.to_s
    assert_match(/made 6/, @report.to_s)
  end

  def test_random_work_around_the_sheets_leaves_everything_answering
    Attack.catalogue(folder, 3, 25, @report)

    assert_predicate @report, :clean?, @report.to_s
    assert_match(/made 25/, @report.to_s)
  end

  def test_a_kill_loses_nothing_that_was_acknowledged
    Attack.served(folder, "kills") { |server| Attack::Kills.new(server, 3, @report).run(1) }

    assert_predicate @report, :clean?, @report.to_s
    assert_match(/kills 1/, @report.to_s)
  end

  def test_a_small_crowd_is_answered
    Attack.served(folder, "crowd") do |server|
      crowd = Attack::Crowd.new(server, @report, 3)
      crowd.prepare([Attack.song])
      crowd.run(6, 2)
    end

    assert_predicate @report, :clean?, @report.to_s
    assert_match(/^6 clients +requests \d+/, @report.to_s)
  end

  def test_the_same_seed_gives_the_same_files
    one, other, third = [7, 7, 8].map { |seed| Attack::HostileFiles.new(seed, folder).each(2).map { |file| "#{file.name} #{Digest::SHA256.hexdigest(file.bytes)}" } }

    assert_equal one, other
    refute_equal one, third
  end

  def test_what_goes_wrong_is_told_in_its_column
    @report.count("edits", "made", 2)
    @report.bad("edits", "5xx", "undo: 500")

    refute_predicate @report, :clean?
    assert_match(/^edits +made 2 +1 +0/, @report.to_s)
    assert_match(/^edits: 5xx: undo: 500$/, @report.to_s)
  end

  def test_a_refusal_that_shows_the_inside_is_no_answer
    told = ->(status, body) { Attack::Answer.new(status, "application/json", body, 0.1).broken? }

    refute told.call(422, '{"error":{"message":"Bars run from 1 to 16."}}')
    assert told.call(422, '{"error":{"message":"Undefined method [] for nil:NilClass."}}')
    assert told.call(500, '{"error":{"message":"Something went wrong."}}')
    assert told.call(404, "<html>")
    refute told.call(503, '{"error":{"message":"The data are in use; try again."}}')
  end
end
