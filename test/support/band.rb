# frozen_string_literal: true

# A small band with known truth: kick, snare, hats, bass and an organ, rendered into a recording.
#
#   Band.new(bpm: 100).bars(8, chords: %w[Am F C G], kick: [0, 2], snare: [1, 3]).recording
class Band
  RATE = 44_100
  TRIADS = { "" => [0, 4, 7], "m" => [0, 3, 7], "7" => [0, 4, 7, 10], "maj7" => [0, 4, 7, 11], "m7" => [0, 3, 7, 10],
             "dim" => [0, 3, 6], "sus4" => [0, 5, 7], "aug" => [0, 4, 8] }.freeze
  BACKBEAT = { kick: [0, 2], snare: [1, 3], hats: [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5] }.freeze

  attr_reader :lead_in

  # The same tones come back in every song: each is worked out once.
  def self.kept(*key) = (@kept ||= {})[key] ||= yield

  # beats is how many beats a bar has, cents how far everything is tuned from A 440.
  def initialize(bpm:, beats: 4, cents: 0, lead_in: 0.3)
    @bpm = bpm.to_f
    @beats = beats
    @tuning = 2**(cents / 1200.0)
    @lead_in = lead_in
    @bars = []
  end

  # Adds bars; chords go round, one a bar. Drums are beats of the bar; every layer but chords may be left out. With to, the tempo moves there evenly.
  def bars(count, chords: nil, bass: true, gain: 1.0, wide: false, dull: false, to: nil, **drums)
    slope = to ? (to - @bpm) / (count * @beats) : 0.0
    count.times do |i|
      edges = (0..@beats).map { |beat| passed(slope, (i * @beats) + beat) }
      @bars << { chord: chords && chords[i % chords.size], bass:, gain:, wide:, dull:, drums:, edges: edges.map { |edge| edge - edges.first } }
    end
    to ? tempo(to) : self
  end

  # Another tempo from here on.
  def tempo(bpm)
    @bpm = bpm.to_f
    self
  end

  def duration = time_of_bar(@bars.size + 1) + 0.5

  # Seconds at which a bar (from 1) starts.
  def time_of_bar(bar) = @lead_in + @bars.first(bar - 1).sum { |one| one[:edges].last }

  # Seconds of all beats, and of the end of the last one.
  def beats = @bars.each_index.flat_map { |bar| @bars[bar][:edges][0...-1].map { |edge| time_of_bar(bar + 1) + edge } } + [time_of_bar(@bars.size + 1)]

  # rate_of is the rate of the recording, stereo false for one channel.
  def recording(stereo: true)
    left, right = render
    channels = stereo ? [left, right] : [(left + right) * 0.5]
    top = channels.map { |channel| channel.abs.max }.max
    Ethoscope::Audio::Recording.new(channels: Numo::SFloat.vstack(channels.map { |channel| channel * (0.7 / top) }), rate: RATE)
  end

  private

  def render
    mixed = Array.new(2) { Numo::SFloat.zeros((duration * RATE).ceil) }
    @bars.each_with_index { |bar, i| play(mixed, bar, time_of_bar(i + 1)) }
    mixed
  end

  # Seconds from the start of a run of bars whose tempo changes by so much a beat.
  def passed(slope, beat) = slope.zero? ? beat * 60.0 / @bpm : 60.0 * Math.log(1 + (slope * beat / @bpm)) / slope

  # Seconds from the start of a bar to a place in it, in beats.
  def moment(bar, place)
    low = [place.floor, @beats - 1].min
    bar[:edges][low] + ((place - low) * (bar[:edges][low + 1] - bar[:edges][low]))
  end

  def play(mixed, bar, start)
    bar[:drums].each do |piece, beats|
      beats.each { |at| add(mixed, start + moment(bar, at), drum(piece) * bar[:gain], dull: bar[:dull]) }
    end
    return unless bar[:chord]

    root, tones = notes(bar[:chord])
    length = bar[:edges].last * 0.96
    tones.each_with_index do |tone, i|
      lag = bar[:wide] && i.odd? ? 0.011 : 0.0
      add(mixed, start, organ(48 + root + tone, length, bar[:dull] ? 1 : 6) * (0.16 * bar[:gain]), lag:)
    end
    add(mixed, start, organ(36 + root, length, bar[:dull] ? 1 : 3) * (0.3 * bar[:gain])) if bar[:bass]
  end

  def notes(name)
    letter, quality = name.match(/\A([A-G][b#]?)(.*)\z/).captures
    [Ethoscope::Harmony::PitchClass.parse(letter), TRIADS.fetch(quality)]
  end

  def add(mixed, at, sound, lag: 0.0, dull: false)
    return if dull

    [0.0, lag].each_with_index do |late, channel|
      from = ((at + late) * RATE).round
      count = [sound.size, mixed[channel].size - from].min
      mixed[channel][from...(from + count)] += sound[0...count] if count.positive?
    end
  end

  def organ(note, seconds, partials) = Band.kept(:organ, note, seconds, partials, @tuning) { played(note, seconds, partials) }

  def played(note, seconds, partials)
    time = Numo::DFloat.new((seconds * RATE).round).seq / RATE
    pitch = 440.0 * @tuning * (2**((note - 69) / 12.0))
    Numo::SFloat.cast(harmonics(time * (2 * Math::PI * pitch), partials) * Band.kept(:edge, seconds) { edge(time, seconds) })
  end

  # Partials of falling strength. Each sine comes from the two below it, which takes a fraction of the time.
  def harmonics(angle, partials)
    twice = Numo::NMath.cos(angle) * 2
    sines = [Numo::NMath.sin(angle)]
    (2..partials).each { |k| sines << ((twice * sines[-1]) - (k > 2 ? sines[-2] : 0)) }
    sines.each_with_index.sum { |sine, i| sine / ((i + 1)**1.5) }
  end

  def edge(time, seconds) = Numo::NMath.exp(time * -1.2) * (time * 200).clip(0, 1) * ((seconds - time) * 100).clip(0, 1)

  def drum(piece)
    Band.kept(:drums) { { kick: kick, snare: noise(0.16, 18, 5) + tone(0.16, 190, 25), hats: noise(0.05, 70, 0) * 0.35 } }.fetch(piece)
  end

  def kick = tone(0.2, 55, 16) * 1.1

  def tone(seconds, pitch, decay)
    time = Numo::DFloat.new((seconds * RATE).round).seq / RATE
    Numo::SFloat.cast(Numo::NMath.sin(time * (2 * Math::PI * pitch)) * Numo::NMath.exp(time * -decay) * 0.8)
  end

  # White noise from a fixed seed; dark is a crude low-pass by running means, bright the difference of neighbours.
  def noise(seconds, decay, dark)
    random = Random.new(7)
    values = Numo::DFloat[*Array.new((seconds * RATE).round) { random.rand(-1.0..1.0) }]
    shaped = dark.positive? ? Ethoscope::Signal::Series.running_mean(values, dark) * 1.5 : values - Ethoscope::Signal::Series.running_mean(values, 5)
    time = Numo::DFloat.new(values.size).seq / RATE
    Numo::SFloat.cast(shaped * Numo::NMath.exp(time * -decay) * 0.5)
  end
end
