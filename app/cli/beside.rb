# frozen_string_literal: true

module Cli
  # Stems and a MIDI file that stand beside a recording, as sources of its analysis.
  class Beside
    # @param stems [String, nil] a folder of stems
    # @param midi [String, nil] a MIDI file
    # @param err [IO] what can't be used, a line each
    def initialize(stems: nil, midi: nil, err: $stderr)
      @stems = stems
      @midi = midi
      @err = err
    end

    # @param path [String] a recording
    # @param err [IO]
    # @return [Beside] NAME.stems and NAME.mid, where they stand beside NAME.wav
    def self.of(path, err:)
      base = path.delete_suffix(File.extname(path))
      new(stems: File.directory?("#{base}.stems") ? "#{base}.stems" : nil, midi: File.file?("#{base}.mid") ? "#{base}.mid" : nil, err:)
    end

    # @param mix [Ethoscope::Engine::Features]
    # @return [Ethoscope::Sources]
    def sources(mix) = Ethoscope::Sources.new(stems: stems(mix), score:, roles: {})

    private

    def stems(mix)
      return [] unless @stems

      placed = Dir.children(@stems).sort.select { |name| Folder.sound?(File.join(@stems, name)) }.filter_map { |name| placed(name, mix) }
      speeds = Ethoscope::Stems::SharedSpeed.of(placed.map { |_, features, found| { seconds: features.duration, **found.to_h } })
      placed.zip(speeds).map { |(title, features, found), speed| stem(title, features, found, speed) }
    end

    def stem(title, features, found, speed)
      role = Ethoscope::Layers::Role.named(title) || Ethoscope::Layers::Role::UNKNOWN
      Ethoscope::Stems::Stem.new(name: title, role:, offset: found.offset, speed:, features:)
    end

    # Its title, what was measured on it, and where it lies.
    def placed(name, mix)
      features = Ethoscope::Engine::Features.of(Ethoscope::Audio::Decoder.new(File.join(@stems, name)).decode, tuning: mix.tuning)
      found = Ethoscope::Stems::Alignment.of(features, mix)
      found.believable? ? [File.basename(name, ".*"), features, found] : tell(name, "fits nowhere in the mix; skipped.")
    rescue Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio => e
      tell(name, e.message)
    end

    def score
      score = @midi && Ethoscope::Midi::ScoreReader.read(File.binread(@midi))
      score&.warnings&.each { |warning| tell(File.basename(@midi), warning) }
      score
    rescue Ethoscope::Errors::UnreadableScore => e
      tell(File.basename(@midi), e.message)
    end

    def tell(name, sentence)
      @err.puts("#{Command.shown(name)}: #{sentence}")
      nil
    end
  end
end
