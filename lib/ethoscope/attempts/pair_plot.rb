# frozen_string_literal: true

module Ethoscope
  module Attempts
    # What a difference is seen in, of both songs in one plot: a figure by bar, by step of the bar, by band or by pitch. The way is our own.
    class PairPlot
      # What is plotted and its unit, the names of the places, the figure of both at each (nil where there is none), and the places that the difference is about.
      Plot = Value.of(:title, :unit, :places, :reference, :attempt, :marked)
      BY_KIND = {
        "tempo" => :tempo, "swing" => :off_beats, "feel" => :feel, "level" => :energy, "range" => :energy, "section_level" => :energy, "width" => :sides, "section_width" => :sides,
        "brightness" => :bands, "spectrum" => :bands, "width_band" => :registers, "chord" => :chords, "bass_octave" => :low_notes, "pattern" => :steps,
        "layer_missing" => :activity, "layer_extra" => :activity, "technique_missing" => :technique
      }.freeze
      # What a technique is heard in.
      TECHNIQUES = { "drum_drop" => :strokes, "riser" => :top, "filtered_section" => :top }.freeze
      # Bars beside those of a technique that show what is usual.
      AROUND = 4
      # Notes of a bass, by MIDI number.
      LOW = (28..55)
      # Bands so many dB apart are underlined.
      APART = 5

      # @param laid [Laid]
      def initialize(laid)
        @laid = laid
        @places = SoundPlaces.new(laid)
      end

      # @param difference [Difference]
      # @return [Plot, nil] nil where no plot shows it
      def of(difference)
        way = BY_KIND[difference.kind]
        way && send(way, difference)
      end

      private

      def songs = @laid.songs

      # A figure by bar of the reference; of the attempt at the bars that lie on them.
      def by_bar(title, unit, bars, difference, &)
        there, here = songs.map(&)
        Plot.new(title:, unit:, places: bars.map(&:to_s), reference: bars.map { |bar| there[bar - 1]&.round(2) },
          attempt: bars.map { |bar| @laid.bars[bar]&.then { |other| here[other - 1]&.round(2) } }, marked: bars.each_index.select { |i| difference.each_bar.include?(bars[i]) })
      end

      def every = (1..@laid.reference.size).to_a

      def around(difference) = every & ((difference.each_bar.min - AROUND)..(difference.each_bar.max + AROUND)).to_a

      def tempo(difference) = by_bar("tempo by bar", "BPM", every, difference) { |song| song.data[:bars].map { |bar| bar[:bpm] } }

      def energy(difference) = by_bar("level by bar", "LUFS", every, difference) { |song| song.data[:bars].map { |bar| bar[:energy] } }

      def sides(difference) = by_bar("sides against the middle by bar", "dB", every, difference) { |song| song.data[:bars].map { |bar| @places.side_level([bar]) } }

      def strokes(difference)
        by_bar("strokes of the kit by bar", "strokes", around(difference), difference) { |song| Finders::Kit::ROLES.sum { |role| song.struck(role).sum(axis: 1) }.to_a }
      end

      def top(difference)
        by_bar("what lies above 2.8 kHz by bar", "dB", around(difference), difference) { |song| song.bands[true, true, Prints::HIGH..].mean(axis: [1, 2]).to_a }
      end

      def technique(difference) = TECHNIQUES[difference.technique]&.then { |way| send(way, difference) }

      def activity(difference)
        return nil unless songs.any? { |song| song.activity(difference.role) }

        by_bar("presence of #{difference.role} by bar", "%", every, difference) { |song| song.activity(difference.role)&.then { |row| (row * 100).to_a } || [] }
      end

      # Over the bars of the difference, how often each step is struck.
      def steps(difference)
        bars = difference.each_bar.select { |bar| @laid.bars.key?(bar) }
        there, here = songs.zip([bars, bars.map { |bar| @laid.bars.fetch(bar) }]).map do |song, own|
          rows = @laid.told?(difference.role) ? song.told(difference.role) : song.strokes(difference.role)
          (rows[own.map { |bar| bar - 1 }, true].mean(axis: 0) * 100).round.to_a
        end
        plot("strokes of the #{difference.role} by step", "%", steps_of_bar(there.size), there, here)
      end

      def bands(difference)
        readings = @places.bands
        plot("energy by band against the whole", "dB", readings.map { |reading| SoundPlaces.named([reading.name]) }, *both(readings), marked: marked(readings, difference))
      end

      def registers(difference)
        readings = @places.registers
        plot("energy at the sides by register", "%", readings.map(&:name), *both(readings), marked: marked(readings, difference))
      end

      def feel(difference)
        readings = @places.feel
        plot("how late each register is struck", "ms", readings.map(&:name), *both(readings), marked: marked(readings, difference))
      end

      # Of the register that is struck most, how far each step of the bar is from the grid.
      def off_beats(_difference)
        told = songs.map { |song| song.data[:groove].fetch(:timing, []).max_by { |row| row[:onsets] } }
        return nil unless told.all? && told.map { |row| row[:offsets_ms].size }.uniq.one?

        rows = told.map { |row| row[:offsets_ms].map { |offset| offset&.to_f } }
        plot("how late each step is struck (#{told.map { |row| row[:register] }.uniq.join(", ")})", "ms", steps_of_bar(rows.first.size), *rows)
      end

      def steps_of_bar(steps)
        per_beat = [steps / @laid.reference.meter.beats, 1].max
        Array.new(steps) { |step| (step % per_beat).zero? ? ((step / per_beat) + 1).to_s : "" }
      end

      def both(readings) = [readings.map { |reading| reading.there.round(1) }, readings.map { |reading| reading.here.round(1) }]

      # Places whose name the difference says.
      def marked(readings, difference) = readings.each_index.select { |i| readings[i].name.is_a?(String) ? difference.words.include?(readings[i].name) : wide?(readings[i]) }

      def wide?(reading) = reading.apart.abs > APART

      # Which pitch classes sound over the bass in the bars, those of the attempt in the key of the reference.
      def chords(difference)
        there, here = profiles(difference) { |song, bars| song.treble[bars, true, true].mean(axis: [0, 1]) }
        names = (0..11).map { |pitch| Harmony::PitchClass.spell(pitch, @laid.reference.analysis.key&.tonic || "C") }
        plot("notes over the bass", "", names, there.to_a, here[Array.new(12) { |i| (i + @laid.semitones) % 12 }].to_a)
      end

      def low_notes(difference)
        lowest = @laid.reference.lowest
        there, here = profiles(difference) { |song, bars| song.notes[bars, true, true].mean(axis: [0, 1]) }
        at = ->(row, pitch) { pitch.between?(lowest, lowest + row.size - 1) ? row[pitch - lowest] : nil }
        names = LOW.map { |pitch| (pitch % 12).zero? ? Harmony::NoteName.of(pitch, Measures::Restatement::UNKEYED) : "" }
        plot("low notes", "", names, LOW.map { |pitch| at.call(there, pitch) }, LOW.map { |pitch| at.call(here, pitch + @laid.semitones) })
      end

      def profiles(difference)
        bars = difference.each_bar.select { |bar| @laid.bars.key?(bar) }
        songs.zip([bars, bars.map { |bar| @laid.bars.fetch(bar) }]).map { |song, own| yield(song, own.map { |bar| bar - 1 }) }
      end

      def plot(title, unit, places, there, here, marked: [])
        Plot.new(title:, unit:, places:, reference: there.map { |value| value&.round(2) }, attempt: here.map { |value| value&.round(2) }, marked:)
      end
    end
  end
end
