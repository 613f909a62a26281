# frozen_string_literal: true

# Sound that is drawn: stereo, sixteen bars of 4/4 at 120 BPM, to which sounds are added at beats.
class Sketch
  RATE = 44_100
  BEAT = 0.5

  # The same tones come back in every song: each is worked out once.
  def self.kept(*key) = (@kept ||= {})[key] ||= yield

  def initialize(bars: 16)
    @channels = Array.new(2) { Numo::SFloat.zeros(((bars * 4 * BEAT) + 0.2) * RATE) }
    @random = Random.new(5)
  end

  # A sound from a block of time since its start (Numo::DFloat, seconds); gain left and right.
  def add(beat, beats, gain: [1.0, 1.0])
    from = (beat * BEAT * RATE).round
    time = Numo::DFloat.new((beats * BEAT * RATE).round).seq / RATE
    sound = Numo::SFloat.cast(yield(time))
    @channels.each_with_index do |channel, side|
      count = [sound.size, channel.size - from].min
      channel[from...(from + count)] += sound[0...count] * gain[side] if count.positive?
    end
    self
  end

  def tone(beat, beats, pitch, level: 0.2, **where, &envelope)
    add(beat, beats, **where) { |time| harmonic(time, pitch) * level * (envelope ? yield(time) : 1.0) }
  end

  def noise(beat, beats, level: 0.2, **where, &envelope)
    add(beat, beats, **where) { |time| white(time.size) * level * (envelope ? yield(time) : 1.0) }
  end

  # Noise whose band climbs: fast changes only, the faster the higher it is (width in samples).
  def band_noise(beat, beats, width:, level: 0.2, **where)
    add(beat, beats, **where) do |time|
      white = white(time.size)
      band = Ethoscope::Signal::Series.running_mean(white, width) - Ethoscope::Signal::Series.running_mean(white, width * 3)
      band * (level / Math.sqrt((band**2).mean))
    end
  end

  # Kick, snare and hats through some beats.
  def drums(beats)
    beats.each do |beat|
      add(beat, 0.4) { |time| Numo::NMath.sin(time * (2 * Math::PI * 60)) * Numo::NMath.exp(time * -18) * 0.8 } if beat.even?
      noise(beat, 0.3, level: 0.3) { |time| Numo::NMath.exp(time * -25) } if beat.odd?
      [0, 0.5].each { |half| noise(beat + half, 0.1, level: 0.12) { |time| Numo::NMath.exp(time * -80) } }
    end
    self
  end

  # A held chord through some beats, with an envelope by time since each beat.
  def pad(beats, level: 0.08, &by_beat)
    beats.each { |beat| [57, 60, 64].each { |note| tone(beat, 1, 440 * (2**((note - 69) / 12.0)), level:, &by_beat) } }
    self
  end

  def recording
    top = @channels.map { |channel| channel.abs.max }.max
    Ethoscope::Audio::Recording.new(channels: Numo::SFloat.vstack(@channels.map { |channel| channel * (0.7 / top) }), rate: RATE)
  end

  def features = @features ||= Ethoscope::Engine::Features.of(recording)

  # The sketch as a stem of its role.
  def sound(role, name = role)
    Ethoscope::Stems::Sound.new(Ethoscope::Stems::Stem.new(name:, role:, offset: 0.0, features:), Stage.grid(bars: features.duration.div(2)), nil)
  end

  private

  # Even noise from -1 to 1, from the seed.
  def white(size) = (Numo::DFloat.cast(Numo::UInt32.from_binary(@random.bytes(4 * size))) / (2**31)) - 1

  # Four partials, in phase with the clock of the song, so that beats join without a click.
  def harmonic(time, pitch) = Sketch.kept(time.size, pitch) { partials(time, pitch) }

  def partials(time, pitch)
    whole = (pitch * BEAT).round / BEAT # whole turns in a beat
    (1..4).sum { |k| Numo::NMath.sin(time * (2 * Math::PI * whole * k)) / k }
  end
end
