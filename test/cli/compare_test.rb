# frozen_string_literal: true

require_relative "../test_helper"
require "stringio"

# One recording laid against another from the command line.
class CompareTest < Ethoscope::TestCase
  def run_command(*arguments)
    out = StringIO.new
    err = StringIO.new
    code = Cli::Command.new(out:, err:).run(arguments)
    [code, out.string, err.string]
  end

  # The fixture again, faster and with other chords at the end.
  def attempt
    band = Band.new(bpm: 106)
    band.bars(4, chords: %w[Am F C G], **Band::BACKBEAT).bars(4, chords: %w[Dm E7], gain: 1.6, wide: true, **Band::BACKBEAT)
    band.bars(4, chords: %w[Am F C G], **Band::BACKBEAT).bars(4, chords: %w[F C], gain: 1.6, wide: true, **Band::BACKBEAT)
    SoundFile.write(band.recording, File.join(folder, "attempt.wav"))
  end

  def test_it_says_how_they_lie_and_what_differs
    code, out, = run_command("compare", Fixture.wav, attempt)

    assert_equal 0, code
    assert_match(/^# attempt\.wav against fixture\.wav$/, out)
    assert_includes out, "16 of 16 bars are aligned, at 100.00 and 106.00 BPM, in the same key"
    assert_includes out, "**Yours is faster: 106.00 BPM, not 100.00 BPM.**"
    assert_match(/Bars 13 and 15 \(chorus\): F instead of Dm/, out)
  end

  def test_what_is_wanted_is_no_difference
    _, out, = run_command("compare", Fixture.wav, attempt, "--json", "--tempo", "106")
    told = JSON.parse(out, symbolize_names: true)

    refute_includes told[:differences].map { |difference| difference[:kind] }, "tempo"
    assert_equal 16, told[:alignment][:bars].size
    assert_equal [1, 1], told[:alignment][:bars].first
  end

  def test_beside_the_songs_of_a_folder
    songs = File.join(folder, "songs").tap { |dir| FileUtils.mkdir_p(dir) }
    { "one" => 100.0, "two" => 102.0 }.each { |name, bpm| File.write(File.join(songs, "#{name}.json"), JSON.generate(Fixture.varied(tempo: Fixture.tempo(bpm)).to_h)) }
    code, out, = run_command("compare", songs, Fixture.wav, "--tempo", "90")

    assert_equal 0, code
    assert_match(/^# fixture\.wav in the style of 2 songs$/, out)
    assert_match(/^- At 90\.0 BPM, as you want it \(2 of 2\): At 100\.0 BPM, 10(\.\d+)? BPM off$/, out)
  end

  def test_it_needs_two_files
    assert_equal 2, run_command("compare", Fixture.wav).first
    code, _, err = run_command("compare", Fixture.wav, "nowhere.wav")

    assert_equal 2, code
    assert_match(/no such file: nowhere.wav/, err)
  end

  def test_a_file_that_is_no_sound_says_so
    path = File.join(folder, "text.wav").tap { |file| File.write(file, "not a sound") }
    code, out, err = run_command("compare", path, Fixture.wav)

    assert_equal 3, code
    assert_empty out
    refute_empty err
  end
end
