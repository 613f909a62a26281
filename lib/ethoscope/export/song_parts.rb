# frozen_string_literal: true

module Ethoscope
  module Export
    # What of a song can be played, in quarters from its first bar: chords as voiced (led by voices where only symbols are known), the bass line (roots and slash
    # basses where no line is known), leads, and the drums with their velocities.
    class SongParts
      # One chord: its symbol, the pitches that are played, where it begins and how long it lasts.
      Chord = Value.of(:symbol, :pitches, :start, :length)
      # Pieces of the kit on the key map of General MIDI 1.
      KEYS = { "kick" => 36, "rim" => 37, "snare" => 38, "clap" => 39, "hats" => 42, "closed hats" => 42, "open hats" => 46, "cymbals" => 49, "ride" => 51, "toms" => 45,
               "percussion" => 70 }.freeze
      OTHER_KEY = 76
      LEADS = %w[lead counter-melody vocal strings brass].freeze
      BASS_OCTAVE = 36
      # Velocities of what is played without anybody having said how hard, and of the hardest stroke.
      CHORD_VELOCITY = 80
      BASS_VELOCITY = 96
      LOUDEST = 120
      STROKE_QUARTERS = 0.125
      # Softer than this share a step rests.
      STRUCK = 0.05
      PITCHES = (0..127)
      CHANNELS = { chords: 0, bass: 1, leads: 2, drums: Midi::Score::DRUM_CHANNEL }.freeze

      # @return [Rhythm::Meter]
      attr_reader :meter

      # @param vector [Measures::Vector]
      # @param straight [Boolean] whether swing is left to the players, as in written music
      def initialize(vector, straight: false)
        @vector = vector
        @straight = straight
        @meter = Rhythm::Meter.named(vector.value("time.meter"))
      end

      # @return [Array<Measures::Place>] its sections
      def sections = @sections ||= @vector.of("form.section").map(&:place)

      # @param bar [Numeric] from 1
      # @return [Float] quarters from the start of bar 1
      def bar_place(bar) = (bar - 1) * bar_length

      # @return [Float] quarters in a bar
      def bar_length = @meter.beats * @meter.quarters_per_beat

      # @return [Array<Chord>] in order
      def chords
        @chords ||= begin
          told = symbols
          led = Harmony::VoiceLeading.of(told.map { |symbol, *| symbol })
          told.zip(led).map { |(symbol, voicing, start, length), pitches| Chord.new(symbol:, pitches: voicing || pitches, start:, length:) }
        end
      end

      # @return [Array<Midi::Note>]
      def bass
        @bass ||= sections.flat_map { |section| bass_line(section).then { |line| line.empty? ? roots(section) : line } }
      end

      # @return [Hash{String => Array<Midi::Note>}] by the name of each high line that is known
      def leads
        @leads ||= @vector.of("lines.notes").select { |told| LEADS.include?(told.place.role) }.group_by { |told| told.place.name }
                          .transform_values { |told| told.flat_map { |line| notes(line.value, line.place, CHANNELS[:leads]) } }
      end

      # @return [Hash{String => Array<Midi::Note>}] by piece of the kit
      def drums
        @drums ||= @vector.of("groove.steps").group_by { |told| told.value[:piece] || told.place.role }.transform_values { |told| told.flat_map { |grid| strokes(grid) } }
                          .reject { |_, strokes| strokes.empty? }
      end

      private

      # Each chord with its voicing where somebody said how, where it starts and how long it lasts.
      def symbols
        @vector.of("harmony.chords").flat_map do |told|
          voicings = voicings_at(told.place)
          told.value.map do |chord|
            [Harmony::ChordSymbol.parse(chord[:symbol]), voicings[chord[:symbol]], at(told.place, chord[:bar], chord[:beat]), chord[:beats] * @meter.quarters_per_beat]
          end
        end
      end

      # What a person or a MIDI file says of the very notes, by symbol.
      def voicings_at(place)
        told = @vector.of("harmony.voicings").find { |voiced| voiced.place == place } or return {}
        told.value.to_h { |voicing| [voicing[:symbol], Measures::SongHarmony.pitches(voicing)] }.select { |_, pitches| pitches.all? { |pitch| PITCHES.cover?(pitch) } }
      end

      def at(place, bar, beat) = bar_place(place.first_bar + bar - 1) + ((beat - 1) * @meter.quarters_per_beat)

      # A line that only the mix tells gives way where a chord says another bass note.
      def bass_line(section)
        told = @vector.of("lines.notes").find { |line| line.place.role == "bass" && line.place.first_bar == section.first_bar } or return []
        line = notes(told.value, told.place, CHANNELS[:bass])
        told.source == "mix" ? roots(section).reduce(line) { |played, root| under(played, root) } : line
      end

      def under(line, root)
        chord = chords.find { |one| one.start == root.start }
        inside, outside = line.partition { |note| note.start >= root.start && note.start < root.end }
        return line if chord.symbol.bass.nil? || inside.any? { |note| ((note.pitch - root.pitch) % 12).zero? }

        [*outside, root].sort_by(&:start)
      end

      def notes(line, place, channel)
        line.filter_map do |note|
          start = written(at(place, note[:bar], note[:beat]))
          next if start.negative? || !note[:beats].positive? || note[:pitch].nil?

          Midi::Note.new(start:, length: note[:beats] * @meter.quarters_per_beat, pitch: note[:pitch], velocity: velocity(note[:velocity] || 0.75), channel:)
        end
      end

      # The lowest note of each chord, in the octave of a bass.
      def roots(section)
        from = bar_place(section.first_bar)
        chords.select { |chord| chord.symbol.lowest && chord.start >= from && chord.start < from + (section.bars * bar_length) }.map do |chord|
          Midi::Note.new(start: chord.start, length: chord.length, pitch: BASS_OCTAVE + chord.symbol.lowest, velocity: BASS_VELOCITY, channel: CHANNELS[:bass])
        end
      end

      # A pattern over its section, with the strokes that single bars have more or less.
      def strokes(told)
        grid = told.value
        place = told.place
        piece = grid[:piece] || place.role
        steps = (0...(place.bars * grid[:steps])).filter_map do |step|
          hard = (grid[:velocities] || grid[:hits])[step % grid[:hits].size].to_f
          [step, hard] if grid[:hits][step % grid[:hits].size].to_f > STRUCK
        end.to_h
        apart(place, piece).each { |step, more| more ? steps[step] ||= 0.7 : steps.delete(step) }
        steps.sort.map { |step, hard| stroke(place, piece, step, grid[:steps], hard) }
      end

      def apart(place, piece)
        told = @vector.of("groove.departures").find { |departures| departures.place.first_bar == place.first_bar } or return []
        per_beat = @meter.steps_per_beat
        told.value.flat_map do |bar|
          bar[:strokes].select { |stroke| stroke[:piece] == piece }.map { |stroke| [((bar[:bar] - 1) * @meter.steps) + ((stroke[:beat] - 1) * per_beat).round, stroke[:more]] }
        end
      end

      def stroke(place, piece, step, steps, hard)
        Midi::Note.new(start: bar_place(place.first_bar) + swung(step * bar_length / steps), length: STROKE_QUARTERS, pitch: KEYS.fetch(piece, OTHER_KEY), velocity: velocity(hard),
          channel: CHANNELS[:drums])
      end

      def velocity(hard) = (hard * LOUDEST).round.clamp(1, 127)

      # Where a note that was played is written.
      def written(quarters)
        return quarters unless @straight && swing

        whole, part = quarters.divmod(swing[:pair])
        share = part / swing[:pair]
        share = share < swing[:ratio] ? share / swing[:ratio] / 2 : 0.5 + ((share - swing[:ratio]) / (1 - swing[:ratio]) / 2)
        (whole + share) * swing[:pair]
      end

      # Ratio, and quarters of a pair; nil where nothing swings.
      def swing
        return @swing if defined?(@swing)

        told = @vector.value("groove.swing")
        @swing = if told && told[:ratio] > 0.5 && !@meter.compound
                   { ratio: told[:ratio], pair: told[:unit].to_s.start_with?("16") ? 0.5 : 1.0 }
                 end
      end

      # Off-beats come late as the song's do.
      def swung(quarters)
        return quarters if @straight || swing.nil?

        whole, part = quarters.divmod(swing[:pair])
        share = part / swing[:pair]
        share = share < 0.5 ? share * 2 * swing[:ratio] : swing[:ratio] + ((share - 0.5) * 2 * (1 - swing[:ratio]))
        (whole + share) * swing[:pair]
      end
    end
  end
end
