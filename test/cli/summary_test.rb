# frozen_string_literal: true

require_relative "../test_helper"
require "stringio"

# What the command line prints for people.
class SummaryTest < Ethoscope::TestCase
  def test_a_screen_of_facts_sections_and_layers
    text = summary

    assert_match(/\Asong\.wav  16 bars, 0:3\d\.\d/, text)
    %w[tempo meter feel key tuning loop bass loudness width].each { |name| assert_match(/^#{name} +\S/, text) }
    assert_match(/^A +verse +bars +1-4 +Am.*backbeat/, text)
    assert_match(/dBTP/, text)
    assert_match(/^kick +[ .:*#]{16}$/, text)
  end

  def test_what_was_not_found_is_said
    text = summary(tempo: { bpm: nil, constant: false, confidence: 0.0, candidates: [] }, key: nil, loop: nil, loudness: { integrated: nil, peak_db: -80.0 })

    assert_match(/^tempo +no steady pulse found/, text)
    assert_match(/^key +none found/, text)
    assert_match(/^loop +none found/, text)
    assert_match(/^loudness +below the gate/, text)
  end

  def test_a_moving_tempo_says_so
    assert_match(/moving 100\.0 to 100\.0/, summary(tempo: Fixture.tempo(100.0).merge(constant: false)))
  end

  def test_progress_is_shown_on_a_terminal_alone
    terminal = StringIO.new
    terminal.define_singleton_method(:tty?) { true }
    pipe = StringIO.new
    [terminal, pipe].each do |out|
      progress = Cli::Progress.new(out)
      progress.at(:rhythm, 0.5)
      progress.done
    end

    assert_includes terminal.string, " 50 % rhythm"
    assert_empty pipe.string
  end

  private

  def summary(**parts) = Cli::Summary.new("song.wav", Fixture.varied(**parts)).to_s
end
