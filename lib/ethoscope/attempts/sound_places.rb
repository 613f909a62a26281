# frozen_string_literal: true

module Ethoscope
  module Attempts
    # Figures of the sound that stand for a place, a band or a register, of both songs: how loud and how wide each section is against the rest of its song, how much of the
    # whole each band has, how wide each register is, and how late it is struck. The way is our own.
    class SoundPlaces
      # The kind of difference that it would be, what the place is called in the table of repeatability and in words (of a band its edges in hertz), runs of the
      # reference's bars, and both figures.
      Reading = Value.of(:kind, :place, :name, :bars, :there, :here) do
        # @return [Float] how much more the attempt has
        def apart = here - there
      end
      # Power of silence.
      SILENCE = 1e-9
      # A band so many dB under the whole is no part of the sound.
      FAINT = -45.0
      # Three third octaves in a band; the first is around this frequency.
      LOWEST = 31.5
      HIGHEST = 20_000.0
      # Sides so many dB under the middle are none: such a section is mono and has no width to speak of.
      MONO = -35.0
      # Sections of fewer bars that lie on others say little.
      BARS = 2

      # @param names [Array<String, Array(Float, Float)>] of one place, or the edges of bands beside each other
      # @return [String] such as "low end", "90 to 360 Hz" or "2.9 to 20.0 kHz"
      def self.named(names)
        return names.first if names.first.is_a?(String)

        low, high = names.flatten.minmax.map { |edge| edge < 1000 ? [edge.round(-1), "Hz"] : [([edge, HIGHEST].min / 1000).round(1), "kHz"] }
        "#{low[0]}#{" #{low[1]}" unless low[1] == high[1]} to #{high.join(" ")}"
      end

      # @param laid [Laid]
      def initialize(laid)
        @laid = laid
      end

      # @return [Array<Reading>]
      def all = levels + widths + bands + registers + feel

      # @return [Array<Reading>] LU by section, each against the middle of what all sections are apart
      def levels
        against_the_rest("section_level") { |song, bars| bars.sum { |bar| song.energy[bar - 1] } / bars.size }
      end

      # @return [Array<Reading>] dB of the sides against the middle by section, the same way
      def widths
        against_the_rest("section_width") { |song, bars| side_level(bars.map { |bar| song.data[:bars][bar - 1] }).then { |level| level > MONO ? level : nil } }
      end

      # @return [Array<Reading>] dB under the whole by band of three third octaves
      def bands
        shares = @laid.songs.map { |song| shares_of(song) }
        shares.transpose.each_with_index.filter_map do |pair, band|
          Reading.new(kind: "spectrum", place: "spectrum #{band}", name: hertz(band), bars: [], there: pair[0], here: pair[1]) if pair.max > FAINT
        end
      end

      # @return [Array<Reading>] per cent of the energy at the sides by register
      def registers
        told = @laid.songs.map { |song| song.data[:mix][:registers].to_h { |register| [register[:name], 100.0 * register[:side]] } }
        both(*told) { |name, there, here| Reading.new(kind: "width_band", place: "width #{name}", name:, bars: [], there:, here:) }
      end

      # @return [Array<Reading>] ms by which a register is struck after the others
      def feel
        told = @laid.songs.map { |song| Measures::SongFeel.registers(song.data[:groove].fetch(:timing, [])).to_h { |row| row.values_at(:register, :late_ms) }.compact }
        both(*told) { |name, there, here| Reading.new(kind: "feel", place: "feel #{name}", name:, bars: [], there:, here:) }
      end

      # @param bars [Array<Hash>] in the schema
      # @return [Float] dB of the sides against the middle
      def side_level(bars)
        loud = bars.map { |bar| 10**(bar[:energy] / 10.0) }
        side = loud.zip(bars).sum { |power, bar| power * bar[:width] }
        [10 * Math.log10((side + SILENCE) / (loud.sum - side + SILENCE)), MONO].max
      end

      private

      def both(there, here) = (there.keys & here.keys).map { |name| yield(name, there[name], here[name]) }

      # Bars of each section of the reference that have their like.
      def sections
        @sections ||= @laid.reference.data[:sections].filter_map do |section|
          bars = (section[:first_bar]...(section[:first_bar] + section[:bars])).select { |bar| @laid.bars.key?(bar) }
          bars if bars.size >= BARS
        end
      end

      def against_the_rest(kind)
        told = sections.map { |bars| [bars, yield(@laid.reference, bars), yield(@laid.attempt, bars.map { |bar| @laid.bars.fetch(bar) })] }.select(&:all?)
        return [] if told.size < 2

        usual = Signal::Middle.of(told.map { |_, there, here| here - there })
        told.map do |bars, there, here|
          Reading.new(kind:, place: kind, name: nil, bars: @laid.runs(bars), there:, here: here - usual)
        end
      end

      def shares_of(song)
        power = (10**(song.bands / 10)).mean(axis: 0).mean(axis: 0)
        (10 * Numo::NMath.log10((power / power.sum) + SILENCE)).to_a
      end

      # Its edges in hertz.
      def hertz(band) = [band - 0.5, band + 0.5].map { |at| LOWEST * (2**at) }
    end
  end
end
