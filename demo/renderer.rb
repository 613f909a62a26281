# frozen_string_literal: true

require "fileutils"
require "midilib"
require "open3"
require "tmpdir"

module Demo
  # Renders a chart: each layer through fluidsynth, effects in Numo, the mix through ffmpeg.
  class Renderer
    SOUNDFONT = "/usr/share/sounds/sf2/FluidR3_GM.sf2"
    RATE = 44_100
    LEAD_IN = 0.25
    TAIL = 2.0
    GAINS = { kick: 1.0, snare: 0.8, hats: 0.45, bass: 0.85, organ: 0.55, reed: 0.6 }.freeze
    # Left and right arrive this far apart in layers that are wide.
    SPREAD_SECONDS = { organ: 0.013, reed: 0.009, hats: 0.004 }.freeze
    ECHO_BEATS = { one_drop: 0.75, backbeat: 1.5, rolling: 2.0 / 3 }.freeze
    DULL_HZ = 700.0
    PULSES = 480

    # @param song [Hash] one of Songs::ALL
    # @param folder [String] the demo folder
    def initialize(song, folder)
      @song = song
      @folder = folder
      @score = Score.new(song)
      @beat = 60.0 / song[:bpm]
    end

    # Writes audio/NAME.ogg, or attempts/NAME.ogg.
    def render(into: "audio") = Dir.mktmpdir { |dir| encode(mix(dir), File.join(@folder, into, "#{@song[:name]}.ogg")) }

    # Writes stems/NAME/LAYER.ogg: each layer as it is in the mix, sections shaped and all.
    def render_stems
      target = File.join(@folder, "stems", @song[:name])
      FileUtils.mkdir_p(target)
      Dir.mktmpdir do |dir|
        playing.each do |layer|
          pair = shape_sections(*spread(layer, echo(layer, stem(layer, dir)) * GAINS.fetch(layer)))
          encode(pair.map { |channel| channel * 0.5 }, File.join(target, "#{layer}.ogg"), quality: -1, rate: 32_000)
        end
      end
    end

    # Writes scores/NAME.mid: all layers as tracks, with tempo, meter and sections.
    def write_score = File.binwrite(File.join(@folder, "scores", "#{@song[:name]}.mid"), Ethoscope::Midi::Writer.new(written, @song[:title]).to_s)

    private

    def playing = GAINS.keys.reject { |layer| @score.notes[layer].empty? }

    # The song as a score.
    def written
      kind = Ethoscope::Midi::Score
      kind.new(tracks: playing.map { |layer| kind::Track.new(name: layer.to_s, program: Score::GM[layer], notes: notes(layer)) }, keys: [], warnings: [],
        tempos: [kind::Tempo.new(at: 0, bpm: @song[:bpm])], meters: [kind::TimeSignature.new(at: 0, numerator: 4, denominator: 4)],
        markers: @score.parts.map { |place| kind::Marker.new(at: place[:first] * @score.beats, text: place[:part][:label]) })
    end

    def notes(layer)
      channel = Score::DRUMS.key?(layer) ? Ethoscope::Midi::Score::DRUM_CHANNEL : 0
      @score.notes[layer].map { |start, length, pitch, velocity| Ethoscope::Midi::Note.new(start:, length:, pitch:, velocity:, channel:) }
    end

    def timed(sequence, events)
      track = MIDI::Track.new(sequence)
      events.each { |pulse, event| event.time_from_start = pulse }
      track.events.replace(events.sort_by.with_index { |(pulse, event), i| [pulse, event.is_a?(MIDI::NoteOff) ? 0 : 1, i] }.map(&:last))
      track.recalc_delta_from_times
      track
    end

    def seconds(beats) = LEAD_IN + (beats * @beat)

    def length = seconds(@score.bars * @score.beats) + TAIL

    def mix(dir)
      left = Numo::SFloat.zeros((length * RATE).ceil)
      right = left.dup
      playing.each do |layer|
        sound = echo(layer, stem(layer, dir)) * gain(layer)
        a, b = spread(layer, sound)
        left += a
        right += b
      end
      left, right = narrowed(*shape_sections(left, right))
      peak = [left.abs.max, right.abs.max].max
      [left, right].map { |channel| channel * (0.85 * @song.fetch(:level, 1.0) / peak) }
    end

    def gain(layer) = @song.fetch(:gains, GAINS).fetch(layer)

    # Sides so much of what they were.
    def narrowed(left, right)
      side = (left - right) * (@song.fetch(:width, 1.0) / 2)
      middle = (left + right) / 2
      [middle + side, middle - side]
    end

    def stem(layer, dir)
      midi = File.join(dir, "#{layer}.mid")
      wav = File.join(dir, "#{layer}.wav")
      File.open(midi, "wb") { |file| sequence(layer).write(file) }
      _, status = Open3.capture2e("fluidsynth", "-ni", "-q", "-R", "0", "-C", "0", "-g", "0.5", "-r", RATE.to_s, "-F", wav,
        SOUNDFONT, midi)
      raise "fluidsynth failed on #{layer}" unless status.success?

      place(Ethoscope::Audio::Decoder.new(wav).decode.mono.samples)
    end

    def place(sound)
      out = Numo::SFloat.zeros((length * RATE).ceil)
      offset = (LEAD_IN * RATE).round
      count = [sound.size, out.size - offset].min
      out[offset...(offset + count)] = sound[0...count]
      out
    end

    def sequence(layer)
      sequence = MIDI::Sequence.new
      sequence.ppqn = PULSES
      drum = Score::DRUMS.key?(layer)
      events = [[0, MIDI::Tempo.new(MIDI::Tempo.bpm_to_mpq(@song[:bpm]).round)]]
      events << [0, MIDI::ProgramChange.new(0, @song.fetch(:programs, {}).fetch(layer) { Score::GM.fetch(layer) })] unless drum
      events.concat(bend)
      note_events(layer, drum ? 9 : 0) { |event| events << event }
      sequence.tracks << timed(sequence, events)
      sequence
    end

    # Tuning: a pitch bend of the usual two semitones.
    def bend
      return [] if @song[:cents].zero?

      [[0, MIDI::PitchBend.new(0, 8192 + (@song[:cents] * 8192 / 200.0).round)]]
    end

    def note_events(layer, channel)
      @score.notes[layer].each do |start, length, pitch, velocity|
        yield [(start * PULSES).round, MIDI::NoteOn.new(channel, pitch, velocity)]
        yield [((start + length) * PULSES).round, MIDI::NoteOff.new(channel, pitch, 0)]
      end
    end

    # The snare and the reed go into an echo: dotted, or of two thirds of a beat in 6/8.
    def echo(layer, sound)
      return sound unless %i[reed snare].include?(layer)

      delay = (@beat * ECHO_BEATS.fetch(@song[:feel]) * RATE).round
      (1..3).inject(sound) do |out, turn|
        shifted = Numo::SFloat.zeros(sound.size)
        shifted[(delay * turn)..] = sound[0...-(delay * turn)]
        out + (shifted * (0.28**turn))
      end
    end

    def spread(layer, sound)
      lag = ((SPREAD_SECONDS[layer] || 0) * RATE).round
      return [sound, sound] if lag.zero?

      late = Numo::SFloat.zeros(sound.size)
      late[lag..] = sound[0...-lag]
      [sound, late]
    end

    # Dull sections lose their treble, narrow ones their sides; short fades hide the joints.
    def shape_sections(left, right)
      @score.parts.each do |place|
        part = place[:part]
        next unless part[:dull] || part[:narrow]

        range = frames(place)
        left[range], right[range] = [left, right].map { |channel| channel[range].dup }.then { |pair| shaped(pair, part) }
      end
      [left, right]
    end

    def frames(place)
      from, to = place.values_at(:first, :last).map { |bar| (seconds(bar * @score.beats) * RATE).round }
      from = 0 if place[:first].zero?
      from...to
    end

    def shaped(pair, part)
      pair = pair.map { |channel| low_pass(channel) } if part[:dull]
      return pair unless part[:narrow]

      middle = (pair[0] + pair[1]) * 0.5
      [middle, middle.dup]
    end

    # Four poles by frequency response, phase left alone.
    def low_pass(channel)
      size = channel.size
      spectrum = Numo::Pocketfft.rfft(Numo::DFloat.cast(channel))
      frequency = Numo::DFloat.new(spectrum.size).seq * (RATE.to_f / size)
      spectrum /= 1 + ((frequency / DULL_HZ)**4)
      out = Numo::Pocketfft.irfft(spectrum)
      Numo::SFloat.cast(out.size == size ? out : out.concatenate(Numo::DFloat.zeros(size - out.size)))
    end

    def encode(channels, target, quality: 3, rate: RATE)
      pcm = Numo::SFloat.vstack(channels).transpose.dup.to_binary
      _, status = Open3.capture2e("ffmpeg", "-y", "-v", "error", "-f", "f32le", "-ar", RATE.to_s, "-ac", "2", "-i", "pipe:0", "-ar", rate.to_s, "-c:a", "libvorbis",
        "-q:a", quality.to_s, "-metadata", "title=#{@song[:title]}", "-metadata", "artist=#{Songs::ARTIST}", target, stdin_data: pcm, binmode: true)
      raise "ffmpeg failed" unless status.success?
    end
  end
end
