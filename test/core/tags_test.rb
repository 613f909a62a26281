# frozen_string_literal: true

require_relative "../test_helper"

# Title and artist as files name them, in every format that is offered.
class TagsTest < Ethoscope::TestCase
  NAMED = ["-metadata", "title=Låg Tide", "-metadata", "artist=Nobody at All"].freeze

  def tags(name, *options)
    Audio::Decoder.new(SoundFile.write(SoundFile.sine(440, 5), File.join(folder, name), *options)).probe[:tags].to_h
  end

  def test_each_format_names_them
    { "a.mp3" => [], "a.flac" => [], "a.ogg" => %w[-c:a libvorbis], "a.opus" => %w[-c:a libopus -ar 48000], "a.m4a" => %w[-c:a aac], "a.wav" => %w[-c:a pcm_s16le],
      "a.aiff" => %w[-write_id3v2 1] }.each do |name, options|
      assert_equal({ title: "Låg Tide", artist: "Nobody at All" }, tags(name, *options, *NAMED), name)
    end
  end

  def test_files_without_them_have_none
    assert_equal({ title: nil, artist: nil }, tags("bare.wav", "-c:a", "pcm_s16le"))
  end

  def test_what_nobody_could_see_is_no_title
    assert_equal({ title: nil, artist: "ab" }, Audio::Tags.of({ title: "\u202E \u200B", artist: "a\u0007b" }).to_h)
    assert_equal 200, Audio::Tags.of({ title: "x" * 900 }).title.size
  end

  def test_the_first_place_that_names_them_counts_whatever_the_case
    assert_equal({ title: "Stream", artist: "File" }, Audio::Tags.of({ "ARTIST" => "File" }, nil, { "Title" => "Stream", "Artist" => "other" }).to_h)
  end

  def test_a_title_in_the_file_is_the_title_of_the_reference
    library = Store::Library.new(File.join(folder, "home"))
    study = library.studies.create(title: "Study", aim: "study")
    path = SoundFile.write(SoundFile.sine(440, 5), File.join(folder, "take_7.flac"), *NAMED)
    reference = File.open(path, "rb") { |file| library.import(study[:id], file, "take_7.flac") }

    assert_equal ["Låg Tide", "Nobody at All", "take_7.flac"], reference.values_at(:title, :artist, :original_name)
    library.db.disconnect
  end
end
