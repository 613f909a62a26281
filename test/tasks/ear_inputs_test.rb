# frozen_string_literal: true

require_relative "../test_helper"
%w[corpus ear_inputs].each { |file| require_relative "../../tasks/learning/#{file}" }

class EarInputsTest < Ethoscope::TestCase
  def test_what_a_network_is_shown_is_written_once_a_song
    songs, out = %w[songs out].map { |name| File.join(folder, name).tap { |path| FileUtils.mkdir_p(path) } }
    FileUtils.cp(Fixture.brief_wav, File.join(songs, "one.wav"))
    File.write(File.join(songs, "one.json"), JSON.generate(file: "one.wav"))
    Learning::EarInputs.new(out).write(songs)
    path = File.join(out, "songs", "one.f32")
    frames = Numo::SFloat.from_binary(File.binread(path)).reshape(File.size(path) / 600, 150)

    assert_in_delta 16.8 * 22_050 / 512, frames.shape[0], 5
    assert_operator frames.max, :>, 1
    written = File.mtime(path)
    Learning::EarInputs.new(out).write(songs)

    assert_equal written, File.mtime(path)
  end
end
