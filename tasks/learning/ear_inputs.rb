# frozen_string_literal: true

require "fileutils"

module Learning
  # What the listening network is shown of songs, written as 32-bit floats for those who teach it (learning/ear/cache.py).
  class EarInputs
    # @param out [String] folder; one inside it for each folder of songs
    def initialize(out)
      @out = out
    end

    # @param folder [String] songs with their truth; what is written already is not measured again
    # @return [void]
    def write(folder)
      target = File.join(@out, File.basename(folder))
      FileUtils.mkdir_p(target)
      Corpus.new(folder).each_beside { |song| write_song(song, File.join(target, "#{song.name}.f32")) }
    end

    private

    def write_song(song, path)
      return if File.exist?(path)

      File.binwrite("#{path}.part", shown(song.recording).to_binary)
      File.rename("#{path}.part", path)
    rescue Ethoscope::Errors::UnusableAudio, Ethoscope::Errors::UnreadableAudio => e
      warn "#{song.name}: #{e.message}"
    end

    def shown(recording)
      samples = Ethoscope::Audio::Resampler.halve(recording.mono)
      Ethoscope::Ear::Input.of(*Ethoscope::Engine::Features.frames(samples, recording.rate / 2.0).values_at(:short, :spectra))
    end
  end
end
