# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/analysed_song"
require "stringio"

# The reckoner and the data directory on the command line.
class HouseCommandTest < Ethoscope::TestCase
  include AnalysedSong

  def test_the_reckoner_lists_asks_and_works_out
    code, out, = run_command("reckon")

    assert_equal 0, code
    assert_equal Calculators::Reckoner::ALL.size, out.lines.grep(/^  \S/).size
    assert_includes run_command("reckon", "swing")[1], "percent=…  Swing, % (may be left out: worked out)"
    _, out, = run_command("reckon", "bar_lengths", "bpm=120", "bars=16")

    assert_includes out, "At 120 BPM in 4/4, 16 bars last 32 seconds."
    assert_equal "500.0 ms", JSON.parse(run_command("reckon", "delay_times", "bpm=120", "--json")[1])["lines"].first["figure"]
  end

  def test_what_cannot_be_reckoned_is_said
    { %w[reckon oven] => "no calculation called", %w[reckon swing bpm] => "NAME=VALUE", %w[reckon swing bpm=x percent=60] => "must be a number" }.each do |arguments, words|
      code, _, err = run_command(*arguments)

      assert_equal 2, code
      assert_includes err, words
    end
  end

  def test_a_study_is_saved_listed_and_opened_and_everything_backed_up
    study = library.studies.find(@reference[:study_id])
    path = File.join(folder, "taken.zip")
    home = ["--home", library.home]

    assert_equal "   1  Study\n", run_command("study", "list", *home)[1]
    assert_includes run_command("study", "save", study[:id].to_s, path, *home)[1], "“Study” is in"
    assert_includes run_command("study", "open", path, *home)[1], "“Study (2)” is study 2 now"
    assert_equal 2, library.studies.all.size
    assert_match(/\A\d+ files in /, run_command("backup", File.join(folder, "all.zip"), *home)[1])
  end

  def test_what_is_not_there_is_said
    { ["study", "save", "99", "x.zip"] => "no such study", %w[study open nothing.zip] => "no such file", %w[study] => "say study list",
      %w[backup] => "Say where" }.each do |arguments, words|
      code, _, err = run_command(*arguments, "--home", library.home)

      assert_equal 2, code
      assert_includes err, words
    end
    assert_includes run_command("study", "list", "--home", File.join(folder, "nowhere"))[2], "no data directory"
  end

  private

  def run_command(*arguments)
    out, err = Array.new(2) { StringIO.new }
    [Cli::Command.new(out:, err:).run(arguments), out.string, err.string]
  end
end
