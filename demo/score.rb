# frozen_string_literal: true

module Demo
  # A chart written out as notes: for each layer [start in beats, length in beats, MIDI number, velocity].
  class Score
    GM = { bass: 33, organ: 16, reed: 22 }.freeze
    DRUMS = { kick: 36, snare: 37, hats: 42 }.freeze
    QUALITY = { "maj" => [0, 4, 7], "min" => [0, 3, 7] }.freeze
    LEAD = [[0, 1.5, 2], [2, 0.9, 1], [3, 0.9, 0], [4.5, 1.4, 2], [6, 1.9, 1]].freeze

    # @return [Hash{Symbol => Array}] notes by layer
    attr_reader :notes

    # @param song [Hash] one of Songs::ALL
    def initialize(song)
      @song = song
      @beats = song[:meter] == "6/8" ? 2 : 4
      @tonic = Ethoscope::Harmony::PitchClass.parse(song[:tonic])
      @random = Random.new(song[:name].sum)
      @notes = Hash.new { |layers, name| layers[name] = [] }
      write
      @notes.freeze
    end

    # @return [Array<Hash>] start and end bar (from 0, end exclusive) with the part
    def parts
      bar = 0
      @song[:parts].map { |part| { first: bar, last: bar += part[:bars], part: } }
    end

    # @return [Integer]
    def bars = @song[:parts].sum { |part| part[:bars] }

    # @return [Integer] beats in a bar
    attr_reader :beats

    # @param bar [Integer] from 0
    # @return [Array(Integer, String)] pitch class and quality of its chord
    def chord(bar)
      place = parts.find { |candidate| bar < candidate[:last] }
      step, quality = @song[:loops].fetch(place[:part][:loop]).then { |loop| loop[(bar - place[:first]) % loop.size] }
      [(@tonic + step) % 12, quality]
    end

    private

    def write
      parts.each do |place|
        (place[:first]...place[:last]).each do |bar|
          left = (place[:last] - bar) * @beats
          place[:part][:layers].each { |layer| send(:"write_#{layer}", bar, left, place[:part].fetch(:drop, 0)) }
        end
      end
    end

    def add(layer, bar, at, length, pitch, velocity)
      soft = velocity + @random.rand(-6..6)
      @notes[layer] << [(bar * @beats) + at, length, pitch, soft.clamp(1, 127)]
    end

    # Beats at the end of a part where the drums rest; left says how many beats the part still has.
    def resting?(at, left, drop) = left - at <= drop

    def drum(layer, bar, left, drop, hits)
      hits.each { |at, velocity| add(layer, bar, at, 0.2, DRUMS.fetch(layer), velocity) unless resting?(at, left, drop) }
    end

    def write_kick(bar, left, drop)
      hits = { one_drop: [[0, 70], [2, 112]], backbeat: [[0, 112], [2, 96], [2.5, 80]], rolling: [[0, 112]] }
      drum(:kick, bar, left, drop, hits.fetch(@song[:feel]))
    end

    def write_snare(bar, left, drop)
      fill = bar % 4 == 3 ? [[3.5, 70]] : []
      hits = { one_drop: [[2, 110]] + fill, backbeat: [[1, 108], [3, 112]] + fill, rolling: [[1, 110]] }
      drum(:snare, bar, left, drop, hits.fetch(@song[:feel]))
    end

    def write_hats(bar, left, drop)
      steps = @song[:feel] == :rolling ? 6 : 8
      accent = @song[:feel] == :rolling ? 3 : 2
      hits = Array.new(steps) { |i| [i * @beats / steps.to_f, (i % accent).zero? ? 88 : 62] }
      drum(:hats, bar, left, drop, hits)
    end

    # A riff of two bars, one in 6/8: long root, then a walk over the fifth.
    def write_bass(bar, _left, _drop)
      root, = chord(bar)
      low = 28 + ((root - 4) % 12)
      patterns = { one_drop: [[[0, 1.4, 0], [1.5, 0.4, 0], [2, 0.9, 7], [3, 0.9, 0]], [[0, 1.9, 0], [2.5, 0.4, 7], [3, 0.9, 0]]],
                   backbeat: [[[0, 0.9, 0], [1, 0.9, 0], [2, 0.9, 7], [3, 0.9, 0]],
                              [[0, 1.4, 0], [1.5, 0.4, 0], [2, 1.4, 7], [3.5, 0.4, 0]]],
                   rolling: [[[0, 0.6, 0], [0.667, 0.3, 0], [1, 0.9, 7]]] }
      bars = patterns.fetch(@song[:feel])
      bars[bar % bars.size].each { |at, length, step| add(:bass, bar, at, length, low + step, 104) }
    end

    # Chords on the off-beats; in 6/8 on the second and third eighth of each beat.
    def write_organ(bar, _left, _drop)
      root, quality = chord(bar)
      times = { one_drop: [0.5, 1.5, 2.5, 3.5], backbeat: [0.5, 1.5, 2.5, 3.5],
                rolling: [0.0, 0.333, 0.667, 1.0, 1.333, 1.667] }.fetch(@song[:feel])
      long = @song[:feel] == :rolling ? 0.28 : 0.3
      voicing(root, quality).each do |pitch|
        times.each { |at| add(:organ, bar, at, long, pitch, 86) }
        add(:organ, bar, 0, @beats * 0.95, pitch, 44)
      end
    end

    def voicing(root, quality)
      QUALITY.fetch(quality).map { |step| 55 + ((root + step - 7) % 12) }
    end

    # Chord tones only, a phrase of two bars.
    def write_reed(bar, _left, _drop)
      return write_reed_rolling(bar) if @song[:feel] == :rolling

      offset = bar.odd? ? 4 : 0
      root, quality = chord(bar)
      LEAD.select { |at, _, _| (at / 4).floor * 4 == offset }.each do |at, length, tone|
        add(:reed, bar, at - offset, length, 67 + ((root + QUALITY.fetch(quality)[tone] - 7) % 12), 98)
      end
    end

    def write_reed_rolling(bar)
      root, quality = chord(bar)
      [[0, 0.95, 2], [1, 0.6, 1], [1.667, 0.3, 0]].each do |at, length, tone|
        add(:reed, bar, at, length, 67 + ((root + QUALITY.fetch(quality)[tone] - 7) % 12), 98)
      end
    end
  end
end
