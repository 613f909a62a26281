# frozen_string_literal: true

# The fixture's band as files: stems, and the song as MIDI.
module StemFiles
  module_function

  # Drums of the fixture's first eight bars, and of none: bytes of a WAV file.
  def kick = bytes(:kick) { Band.new(bpm: 100).bars(16, kick: [0, 2]) }

  def stranger = bytes(:stranger) { Band.new(bpm: 133).bars(20, kick: [0, 1.5, 2.75], snare: [1.25, 3.1]) }

  # Twice as long as the song, at another tempo.
  def wrong_length = bytes(:wrong_length) { Band.new(bpm: 77).bars(24, kick: [0, 0.75, 2.5], hats: [0.33, 1.9]) }

  def silence
    samples = Numo::SFloat.zeros(1, 44_100 * 30)
    samples[0, 0] = 1e-6
    made(:silence) { Ethoscope::Audio::Recording.new(channels: samples, rate: 44_100) }
  end

  # The fixture's chords and kick, written down.
  def score(name: "Keys")
    tones = { "Am" => [57, 60, 64], "F" => [53, 57, 60], "C" => [48, 52, 55], "G" => [55, 59, 62], "Dm" => [50, 53, 57], "E7" => [52, 56, 59, 62] }
    bars = [%w[Am F C G], %w[Dm E7 Dm E7]].cycle.first(4).flatten
    chords = bars.each_with_index.flat_map { |symbol, bar| tones.fetch(symbol).map { |pitch| [bar * 4, 3.9, pitch] } }
    kick = Array.new(16) { |bar| [0, 2].map { |beat| [(bar * 4) + beat, 0.25, 36] } }.flatten(1)
    MidiFile.bytes([["Kick", 9, kick], [name, 0, chords]], bpm: 100)
  end

  def bytes(name) = made(name) { yield.recording }

  def made(name)
    (@made ||= {})[name] ||= Dir.mktmpdir do |folder|
      SoundFile.write(yield, path = File.join(folder, "#{name}.wav"))
      File.binread(path)
    end
  end
end
