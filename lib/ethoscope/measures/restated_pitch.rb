# frozen_string_literal: true

module Ethoscope
  module Measures
    # What of an analysis is said in notes, keys and chords, in the key of a {Restatement}; degrees stay. The way is our own.
    class RestatedPitch
      PITCHES = (0..127)
      # What a chord's function is named after: a key, or a note.
      KEYED = "borrowed"
      NOTED = "pedal"
      # What of a sighting is a frequency that follows the notes.
      FOLLOWING = %i[split_hz].freeze

      # @param data [Hash] of an analysis, symbol keys
      # @param restatement [Restatement]
      def initialize(data, restatement)
        @data = data
        @to = restatement
      end

      # @return [Hash] the parts that change
      def to_h
        return {} if @to.stays?

        { **harmony, **sounding, pitch_classes: @data[:pitch_classes].transform_values { |shares| shares.rotate(-@to.semitones) },
                                 parts: @data[:parts].map { |part| part.merge(keys: part[:keys].map { |key| named(key) }) },
                                 techniques: @data[:techniques].map { |sighting| sighting.merge(detail: detail(sighting[:detail])) } }
      end

      # @param value [Hash] with tonic and mode
      # @return [Hash] with those of the new place
      def named(value)
        key = @to.key(Harmony::Key.named(value[:tonic], value[:mode]))
        value.merge(tonic: @to.spelling.tonic(key), mode: key.mode)
      end

      private

      def harmony
        { key: @data[:key] && key(@data[:key]), chords: @data[:chords].map { |chord| chord(chord) }, loop: @data[:loop] && loop(@data[:loop]),
          loops: @data[:loops].map { |found| loop(found) } }
      end

      def sounding
        { bass:, leads: @data[:leads].map { |lead| moved(lead, :low, :middle, :high) }, lines: @data[:lines].map { |line| line(line) }, stems: @data[:stems].map do |sound|
          stem(sound)
        end }
      end

      def stem(told) = told[:pitch] && !drum?(told[:role]) ? told.merge(pitch: moved(told[:pitch], :low, :middle, :high)) : told

      def key(told)
        home = @to.key(Harmony::Key.named(told[:tonic], told[:mode]))
        named(told).merge(signature: home.signature, scale: told[:scale].map { |note| note(note) }, rivals: told[:rivals].map { |rival| named(rival) },
          stretches: told[:stretches].map { |stretch| named(stretch) }, outside: told[:outside].map { |outside| outside.merge(note: note(outside[:note])) })
      end

      def chord(told)
        changes = { label: SongHarmony.moved_label(told[:label], @to), symbol: symbol(told[:symbol]), borrowed_from: told[:borrowed_from] && key_name(told[:borrowed_from]),
                    function_of: function_of(told), rivals: told[:rivals].map { |rival| rival.merge(symbol: symbol(rival[:symbol])) } }
        told.merge(changes, %i[written voicing].select { |name| told[name] }.to_h { |name| [name, told[name].map { |written| written_note(written) }] },
          told[:notes] ? { notes: told[:notes].map { |name| note(name) }, names: told[:names].map { |name| symbol(name) } } : {})
      end

      def function_of(told)
        case told[:function]
        when KEYED then told[:function_of] && key_name(told[:function_of])
        when NOTED then told[:function_of] && note(told[:function_of])
        else told[:function_of]
        end
      end

      def loop(told) = told.merge(symbols: told[:symbols].map { |name| symbol(name) })

      def bass
        told = @data[:bass]
        moved(told, :lowest, :highest).merge(notes: told[:notes].map { |note| moved(note, :pitch).merge(name: note(note[:name])) })
      end

      # Notes of the kit stay what they are.
      def line(told)
        return told if drum?(told[:role])

        told.merge(notes: told[:notes].map { |beat, beats, pitch, velocity| [beat, beats, pitch && up(pitch), velocity] },
          sections: told[:sections].map do |section|
            section.merge(departures: section[:departures].map do |apart|
              apart.merge(strokes: apart[:strokes].map do |stroke|
                moved(stroke, :pitch)
              end)
            end)
          end)
      end

      def detail(told)
        told.to_h do |name, value|
          next [name, note(value)] if name == :note
          next [name, (value * (2.0**(@to.semitones / 12.0))).round] if FOLLOWING.include?(name) && value.is_a?(Numeric)

          [name, value]
        end
      end

      def drum?(role) = Layers::Role::STRUCK.include?(role) || role == Layers::Role::DRUMS

      def moved(told, *names) = told.merge(names.to_h { |name| [name, told[name] && up(told[name])] })

      def up(pitch) = (pitch + @to.semitones).clamp(PITCHES)

      # Names without octave, of whichever way of writing signs.
      def note(name)
        moved = @to.spelling.spell((Harmony::PitchClass.parse(name) + @to.semitones) % 12)
        name.match?(/[♭♯]/) ? Readings::Words.signs(moved) : moved
      rescue ArgumentError
        name
      end

      def written_note(name) = Harmony::NoteName.of(up(Harmony::NoteName.parse(name)), @to.spelling)

      def symbol(name)
        SongHarmony.moved_symbol(name, @to)
      rescue Errors::UnreadableChord
        name
      end

      # A key as it is written in a sentence, or "outside", or the dominant of a degree.
      def key_name(words)
        tonic, mode = words.split(" ", 2)
        return words unless mode && Harmony::Key::MODES.include?(mode)

        @to.key(Harmony::Key.named(tonic, mode)).then { |key| "#{@to.spelling.tonic(key)} #{key.mode}" }
      end
    end
  end
end
