# frozen_string_literal: true

# The analysis of a song that never sounded: its chords, strokes and levels are drawn bar by bar, so that every difference between two is known.
class DrawnSong
  LOWEST = 28
  NOTES = 61
  PIECES = { kick: [0, 8], snare: [4, 12], hats: [0, 2, 4, 6, 8, 10, 12, 14] }.freeze
  FORM = [["intro", 4], ["verse", 8], ["chorus", 8], ["verse", 8], ["chorus", 8]].freeze
  LOOPS = { "intro" => %w[A:min F:maj], "verse" => %w[A:min F:maj C:maj G:maj], "chorus" => %w[D:min G:maj E:min A:min], "bridge" => %w[E:maj E:maj B:min D:maj] }.freeze
  MINOR = [0, 3, 7].freeze
  MAJOR = [0, 4, 7].freeze
  ATTACKS = %i[low_rise low_fall body crack air_rise].freeze

  # One bar: chord, pieces of the kit with the steps that they strike, level in LUFS, side energy, whether it has a bass, octaves by which that lies higher.
  Bar = Struct.new(:chord, :kit, :level, :width, :bass, :octave, keyword_init: true)

  attr_reader :bars

  # @param form [Array] label and length of each section
  # @param seed [Integer] of what two recordings never have alike
  def initialize(form: FORM, bpm: 120.0, meter: "4/4", up: 0, swing: 0.5, seed: 1, loudness: -14.0, bright: 0, candidates: nil, told: false)
    @form = form
    @bpm = bpm
    @meter = meter
    @up = up
    @swing = swing
    @loudness = loudness
    @bright = bright
    @told = told
    @candidates = candidates || [{ bpm:, odds: 0.95, relation: "chosen", reason: "" }]
    @techniques = []
    @lines = []
    @stems = []
    @sides = {}
    @random = Random.new(seed)
    @bars = form.flat_map { |label, count| Array.new(count) { |i| bar(label, i) } }
  end

  # Changes bars, from 1.
  def change(range, &) = tap { range.each { |number| yield @bars[number - 1] } }

  # Leaves bars out, or puts some in.
  def edit(&) = tap { @bars = yield(@bars) }

  # Writes down what a layer plays: pitches by beat of each bar, from the number of the bar, as notes of a score tell it.
  def write(role, &notes) = tap { @lines << [role, notes] }

  # Has the stem of a layer, with some of its figures.
  def stem(role, **figures) = tap { @stems << { name: role, role:, pan: 0.0, width: 0.1, pumping: nil, echo: nil, tail_s: nil, **figures } }

  # Sets how much of the energy of a register is at the sides.
  def sides(**shares) = tap { @sides = shares.to_h { |name, share| [name.to_s.tr("_", " "), share] } }

  # Sees a technique.
  def see(kind, first_bar, last_bar, **detail)
    tap { @techniques << { kind:, name: kind.tr("_", " ").capitalize, first_bar:, last_bar:, start: 0.0, end: 1.0, confidence: 0.95, source: "mix", evidence: nil, detail: } }
  end

  def analysis = Ethoscope::Analysis.new(base.merge(data))

  private

  def base = Fixture.analysis.to_h

  def bar(label, index)
    chords = LOOPS.fetch(label)
    level, width = label == "chorus" ? [-12.0, 0.2] : [-16.0, 0.1]
    Bar.new(chord: chords[index % chords.size], kit: label == "intro" ? {} : PIECES.transform_values(&:dup), level:, width:, bass: label != "intro", octave: 0)
  end

  def seconds = 4 * 60 / @bpm

  def data
    edges = (0..@bars.size).map { |i| (0.25 + (i * seconds)).round(5) }
    { tempo: base[:tempo].merge(bpm: @bpm, candidates: @candidates), meter: @meter, meters: [{ name: @meter, odds: 0.97 }], bars: told_bars(edges),
      sections: sections(edges), chords: chords(edges), bass: base[:bass].merge(notes: bass_notes), layers:, techniques: @techniques, prints:,
      lines: @lines.map { |line| line_of(*line) }, stems: @stems, told_by: base[:told_by].merge(drums: @told ? "midi" : "mix"),
      mix: base[:mix].merge(registers: base[:mix][:registers].map { |register| register.merge(side: @sides.fetch(register[:name], 0.1)) }),
      duration: edges.last + 1, gaps: [], **whole }
  end

  def whole
    { groove: base[:groove].merge(swing_ratio: @swing), loudness: base[:loudness].merge(integrated: @loudness, range: 6.0), key: base[:key].merge(tonic:, mode: "minor") }
  end

  def told_bars(edges) = edges.each_cons(2).with_index.map { |(from, to), i| told_bar(from, to, i) }

  def tonic = Ethoscope::Harmony::Key.named("A", "minor").transpose(@up).tonic

  def told_bar(from, to, index) = { bar: index + 1, start: from, end: to, energy: @bars[index].level, width: @bars[index].width, bpm: @bpm }

  def sections(edges)
    first = 1
    @form.filter_map do |label, count|
      next if first > @bars.size

      count = [count, @bars.size - first + 1].min
      { label:, letter: label[0].upcase, first_bar: first, bars: count, start: edges[first - 1], end: edges[first - 1 + count], confidence: 0.9, reason: "" }.tap { first += count }
    end
  end

  def root(label) = (Ethoscope::Harmony::PitchClass.parse(label.split(":").first) + @up) % 12

  def chords(edges)
    @bars.each_with_index.map do |bar, i|
      name = Ethoscope::Harmony::PitchClass.spell(root(bar.chord), tonic)
      { start: edges[i], end: edges[i + 1], label: "#{name}:#{bar.chord.split(":").last}", symbol: "#{name}#{"m" if bar.chord.end_with?("min")}".tr("b#", "♭♯"), degree: "I",
        borrowed_from: nil, function: "diatonic", function_of: nil, confidence: 0.95, rivals: [], bar: i + 1, beat: 1.0, beats: 4.0, written: [] }
    end
  end

  def line_of(role, notes)
    told = @bars.each_index.flat_map { |i| notes.call(i + 1).map { |beat, pitch| [(i * 4.0) + beat, 0.9, pitch + @up, 0.8] } }
    { layer: role, role:, source: "midi", notes: told, feel: nil, edited: 0, sections: [] }
  end

  def bass_pitch(bar) = 28 + ((root(bar.chord) - @up - 4) % 12) + @up + (12 * bar.octave)

  def bass_notes
    @bars.each_with_index.select { |bar, _| bar.bass }.map do |bar, i|
      { bar: i + 1, beat: 1.0, beats: 4.0, start: 0.25 + (i * seconds), end: 0.25 + ((i + 1) * seconds), pitch: bass_pitch(bar), name: "A", tone: "root", sure: 0.9 }
    end
  end

  def layers
    kit = PIECES.keys.to_h { |piece| [piece.to_s, @bars.map { |bar| bar.kit[piece] ? 0.98 : 0.03 }] }
    { **kit, "bass" => @bars.map { |bar| bar.bass ? 0.97 : 0.03 } }.map do |role, activity|
      { role:, name: role, source: "mix", rivals: [], confidence: 0.9, spans: [], activity: }
    end
  end

  def prints
    { lowest: LOWEST, notes: @bars.map { |bar| [notes(bar)] * 2 }, strokes: struck { |hit| hit ? 97 : 2 }, heard: struck { |hit| hit ? 95 : 3 }, told:, attacks:,
      bands: @bars.map { |bar| Array.new(4) { bands(bar) } } }
  end

  def notes(bar)
    row = Array.new(NOTES) { @random.rand(0..4) }
    (bar.chord.end_with?("min") ? MINOR : MAJOR).each { |step| row[60 + ((root(bar.chord) + step) % 12) - LOWEST] = 80 + @random.rand(-8..8) }
    return row unless bar.bass

    row[bass_pitch(bar) - LOWEST] = 90
    row[bass_pitch(bar) + 12 - LOWEST] = 35 if bar.octave.zero?
    row
  end

  def struck
    PIECES.keys.to_h { |piece| [piece, @bars.map { |bar| Array.new(16) { |step| (yield(bar.kit[piece]&.include?(step)) + @random.rand(-2..2)).clamp(0, 99) } }] }
  end

  # As notes tell it, without a doubt.
  def told
    return {} unless @told

    PIECES.keys.to_h { |piece| [piece, @bars.map { |bar| Array.new(16) { |step| bar.kit[piece]&.include?(step) ? 99 : 0 } }] }
  end

  # How far each sound of the kit stands out on a step.
  def attacks
    whose = { low_rise: :kick, low_fall: :kick, body: :snare, crack: :hats, air_rise: :hats }
    ATTACKS.to_h { |name| [name, @bars.map { |bar| Array.new(16) { |step| (bar.kit[whose[name]]&.include?(step) ? 12 : -20) + @random.rand(-2..2) } }] }
  end

  def bands(bar)
    low = bar.bass ? 0 : -14
    kit = PIECES.keys.to_h { |piece| [piece, bar.kit[piece] ? 0 : -12] }
    body = kit[:snare] / 3
    shape = [low + kit[:kick], low, low, -6, -8, -8 + body, -10 + body, -12 + @bright, -16 + kit[:hats] + @bright, -20 + kit[:hats] + @bright]
    shape.map { |level| level + bar.level.round + @random.rand(-1..1) }
  end
end
