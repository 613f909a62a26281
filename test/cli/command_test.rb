# frozen_string_literal: true

require_relative "../test_helper"
require "minitest/mock"
require "open3"
require "stringio"

class CommandTest < Ethoscope::TestCase
  def test_one_file_for_people
    code, out, err = run_command("analyze", Fixture.wav)

    assert_equal 0, code
    assert_match(/^tempo +100\.\d\d BPM/, out)
    assert_match(/^key +A minor/, out)
    assert_empty err
  end

  def test_one_file_as_json
    code, out, = run_command("analyze", Fixture.wav, "--json")
    data = JSON.parse(out, symbolize_names: true)

    assert_equal 0, code
    assert_equal %w[A minor], data[:key].values_at(:tonic, :mode)
    assert_operator data[:layers].size, :>=, 6
  end

  def test_a_checklist_as_markdown_and_as_json_in_the_tempo_and_key_of_the_new_track
    code, markdown, = run_command("checklist", Fixture.wav)

    assert_equal 0, code
    assert_match(/^- \[ \] \*\*\d\.\d Kick throughout\*\*/, markdown)
    assert_match(/each bar on 1, 3/, markdown)
    _, json, = run_command("checklist", Fixture.wav, "--json", "--tempo", "80", "--key", "D minor", "--school", "drums", "--aim", "style")
    plan = JSON.parse(json, symbolize_names: true)
    targets = plan[:items].flat_map { |item| item[:targets] }

    assert_equal %w[style drums], plan.values_at(:aim, :school)
    assert_in_delta 80.0, targets.find { |target| target[:id] == "time.tempo" }[:value][:bpm]
    assert_equal "Dm", targets.find { |target| target[:measure] == "chords" }[:value].first[:symbol]
    assert_equal "Groove", plan[:items].map { |item| item[:stage] }.uniq[2]
  end

  def test_a_folder_gives_a_checklist_a_song
    FileUtils.cp(Fixture.brief_wav, File.join(folder, "one.wav"))
    code, = run_command("checklist", folder, "--out", File.join(folder, "plans"))

    assert_equal [0, ["one.md"]], [code, Dir.children(File.join(folder, "plans"))]
    assert_match(/\A# one\n/, File.read(File.join(folder, "plans", "one.md")))
  end

  def test_a_profile_of_a_folder_beside_generated_songs_or_another_folder
    songs, others = %w[songs others].map { |name| File.join(folder, name).tap { |dir| FileUtils.mkdir_p(dir) } }
    %w[A D].each { |tonic| write_analysis(songs, "in_#{tonic}", Fixture.varied(key: Fixture.key(tonic, "minor"))) }
    write_analysis(others, "waltz", Fixture.varied(meter: "3/4"))
    code, text, = run_command("profile", songs)
    _, json, = run_command("profile", songs, "--against", others, "--json")
    plan = JSON.parse(json, symbolize_names: true)

    assert_equal 0, code
    assert_match(/\A2 songs, beside 180 generated songs\n/, text)
    assert_match(/2 of 2 +.*too few songs to tell/, text)
    assert_equal [%w[in_A in_D], { name: "others", songs: 1 }], plan.values_at(:songs, :baseline)
    assert_in_delta 0.0, plan[:statements].find { |claim| claim[:id] == "time.meter=4/4" }[:elsewhere]
  end

  def test_a_profile_needs_a_folder_with_songs
    code, _, err = run_command("profile", folder)

    assert_equal 2, code
    assert_match(/there is no song in/i, err)
    assert_match(/no such folder/, run_command("profile", Fixture.wav).last)
  end

  def test_an_aim_an_order_or_a_key_that_is_none_is_bad_usage
    { "--aim" => /aim is one of exact, style/, "--school" => /order of work is one of chords/, "--key" => /H is no note/ }.each do |option, words|
      code, _, err = run_command("checklist", Fixture.wav, option, "H")

      assert_equal 2, code
      assert_match words, err
    end
  end

  def test_bad_usage_is_told_with_the_usage
    [[], ["listen", "x.wav"], ["analyze"], ["analyze", "missing.wav"], ["analyze", folder], ["analyze", "a", "b"], ["analyze", "--loud", "x"]].each do |arguments|
      code, _, err = run_command(*arguments)

      assert_equal 2, code, arguments.inspect
      assert_includes err, "ethoscope analyze FILE", arguments.inspect
    end
  end

  def test_help_is_no_error
    assert_equal 0, run_command("--help").first
  end

  def test_a_file_that_cant_be_analysed_is_one_sentence_and_exit_code_three
    File.write(path = File.join(folder, "note.wav"), "words")
    code, out, err = run_command("analyze", path)

    assert_equal 3, code
    assert_empty out
    assert_match(/\Anote\.wav: This is not a sound file[^\n]+\n\z/, err)
  end

  def test_a_folder_is_analysed_file_by_file_and_others_are_passed_over
    source, target = make_folder
    FileUtils.cp(Fixture.brief_wav, File.join(source, "one.wav"))
    FileUtils.cp(Fixture.brief_wav, File.join(source, "below", "two.wav"))
    File.write(File.join(source, "notes.txt"), "words")
    out, err, status = shell("analyze", source, "--out", target)

    assert_predicate status, :success?
    assert_empty out
    assert_match(/\Aone\.wav: \d+\.\d s\n\z/, err)
    assert_equal ["one.json"], Dir.children(target)
  end

  def test_a_folder_with_a_bad_file_does_the_others_and_says_so
    source, target = make_folder
    File.write(File.join(source, "bad.mp3"), "words")
    FileUtils.cp(Fixture.brief_wav, File.join(source, "good.wav"))
    _, err, status = shell("analyze", source, "--out", target)

    assert_equal 3, status.exitstatus
    assert_match(/bad\.mp3: This is not a sound file/, err)
    assert_equal ["good.json"], Dir.children(target)
  end

  def test_formats_are_told_by_their_bytes_and_files_of_one_name_stand_beside_each_other
    source, target = make_folder
    recording = Band.new(bpm: 120).bars(4, chords: %w[Am F], **Band::BACKBEAT).recording
    SoundFile.write(recording, File.join(source, "song.w64"), "-c:a", "pcm_s16le")
    SoundFile.write(recording, File.join(source, "song.mov"), "-c:a", "aac")
    FileUtils.mv(SoundFile.write(recording, File.join(source, "plain.flac")), File.join(source, "plain.take"))
    _, err, status = shell("analyze", source, "--out", target)

    assert_predicate status, :success?, err
    assert_equal %w[plain.json song.mov.json song.w64.json], Dir.children(target).sort
  end

  def test_names_that_are_no_utf8
    source, target = make_folder
    path = File.join(source, "caf\xE9.wav".b)
    FileUtils.cp(Fixture.brief_wav, path)
    out, _, status = shell("analyze", path)

    assert_predicate status, :success?
    assert_match(/\Acafé\.wav  8 bars/, out.force_encoding(Encoding::UTF_8))
    _, err, status = shell("analyze", source, "--out", target)

    assert_predicate status, :success?
    assert_match(/\Acafé\.wav: \d/, err.force_encoding(Encoding::UTF_8))
    assert_equal(["caf\xE9.json".b], Dir.children(target).map(&:b))
    _, err, status = shell("analyze", "none\xFF.wav".b)

    assert_equal 2, status.exitstatus
    assert_match(/There is no such file/, err)
  end

  def test_what_cant_be_written_is_a_failure
    _, err, status = Open3.capture3("#{RbConfig.ruby} #{File.expand_path("../../bin/ethoscope", __dir__)} analyze #{Fixture.brief_wav} > /dev/full")

    assert_equal 4, status.exitstatus
    assert_match(/\AThe result could not be written \(No space left/, err)
  end

  def test_what_could_not_be_told_is_said
    Ethoscope::Layers::LeadLine.stub(:new, ->(*) { raise IndexError, "odd" }) do
      code, out, err = run_command("analyze", Fixture.wav)

      assert_equal 0, code
      assert_match(/^key +A minor/, out)
      assert_match(/\ANot told: the lead lines \(IndexError at /, err)
    end
  end

  def test_a_tempo_meter_or_key_that_is_none_is_bad_usage
    [%w[--tempo 5000], %w[--meter 9/9], ["--key", "H minor"], ["--key", "C sad"]].each do |options|
      code, _, err = run_command("analyze", Fixture.wav, *options)

      assert_equal 2, code, options.inspect
      assert_match(/tempo lies|is not known|is no note/, err.lines.first)
    end
  end

  private

  def shell(*arguments) = Open3.capture3(RbConfig.ruby, File.expand_path("../../bin/ethoscope", __dir__), *arguments)

  def make_folder
    [File.join(folder, "in"), File.join(folder, "out")].each { |path| FileUtils.mkdir_p(path) }.tap { |source, _| FileUtils.mkdir_p(File.join(source, "below")) }
  end

  def write_analysis(dir, name, analysis) = File.write(File.join(dir, "#{name}.json"), JSON.generate(analysis.to_h))

  def run_command(*arguments)
    out = StringIO.new
    err = StringIO.new
    [Cli::Command.new(out:, err:).run(arguments), out.string, err.string]
  end
end
