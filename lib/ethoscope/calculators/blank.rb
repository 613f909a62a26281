# frozen_string_literal: true

module Ethoscope
  module Calculators
    # A gap in a sentence: its name, what goes into it in words, its kind (see {KINDS}), the unit that stands behind it ("" for none), what it may be (a
    # range of numbers, or a list of words), what it holds when nobody says (nil: nothing), and whether it may be left empty, to be worked out.
    Blank = Value.of(:name, :about, :kind, :unit, :among, :usual, :open)

    # Reads what a person writes into it. The way is our own.
    class Blank
      KINDS = %i[number whole key note chord chords degrees bars costs choice].freeze

      # @param name [Symbol]
      # @param about [String]
      # @param kind [Symbol]
      # @param unit [String]
      # @param among [Range, Array<String>, nil]
      # @param usual [String, nil]
      # @param open [Boolean]
      # @raise [ArgumentError] when there is no such kind
      def initialize(name:, about:, kind: :number, unit: "", among: nil, usual: nil, open: false)
        raise ArgumentError, "unknown kind: #{kind}" unless KINDS.include?(kind)

        super
      end

      # @param text [String, Numeric, nil] as written, or as a program hands it over
      # @return [Object, nil] nil when nothing is written
      # @raise [Errors::Unfit] when it can't be read
      def read(text)
        written = text.to_s.strip
        written.empty? ? nil : Reader.new(about).public_send(kind, written, among)
      end

      # @return [Hash] for interface and command line
      def to_h
        { name: name.to_s, about:, kind: kind.to_s, unit:, usual:, open:, choices: among.is_a?(Array) ? among : nil }
      end

      # Turns text into values, a method a kind.
      class Reader
        FIGURE = /\A[-−+]?\d*[.,]?\d+\z/
        NOTE_ALONE = /\A([A-Ga-g])([b#♭♯]{0,2})(-?\d)\z/
        KEY = /\A([A-Ga-g])\s*([b#♭♯]|flat|sharp)?\s*(m|min|maj|[a-z ]+)?\z/
        SHORT_MODES = { nil => "major", "maj" => "major", "m" => "minor", "min" => "minor" }.freeze
        COST = /\A(?<what>[^:]+):\s*(?:(?<price>\d+(?:[.,]\d+)?)|(?<from>.+))?\z/
        MOST = 64

        # @param about [String] what is read, in words
        def initialize(about)
          @about = about
        end

        # @param text [String]
        # @param among [Range, nil]
        # @return [Float]
        def number(text, among)
          refuse("a number, such as #{example(among)}", text) unless text.match?(FIGURE)
          within(text.tr(",−", ".-").to_f, among)
        end

        # @return [Integer]
        def whole(text, among)
          refuse("a whole number, such as #{example(among).to_i}", text) unless text.match?(/\A[-−+]?\d+\z/)
          within(text.tr("−", "-").to_i, among)
        end

        # @return [Harmony::Key]
        def key(text, _among)
          match = KEY.match(text) or refuse("a key, such as Eb minor", text)
          sign = { "flat" => "b", "sharp" => "#" }.fetch(match[2], match[2].to_s)
          mode = SHORT_MODES.fetch(match[3]&.strip) { |name| name }
          refuse("a key with one of the modes #{Harmony::Key::MODES.join(", ")}", text) unless Harmony::Key::MODES.include?(mode)
          Harmony::Key.named(match[1].upcase + sign, mode)
        end

        # @return [Integer] MIDI pitch
        def note(text, _among)
          match = NOTE_ALONE.match(text) or refuse("a note with its octave, such as Eb2", text)
          pitch = Harmony::NoteName.parse("#{match[1].upcase}#{match[2]}#{match[3]}")
          within(pitch, 0..127)
        end

        # @return [Harmony::ChordSymbol]
        def chord(text, _among) = Harmony::ChordSymbol.parse(text)

        # @return [Array<Harmony::ChordSymbol>]
        def chords(text, _among) = words(text).map { |symbol| Harmony::ChordSymbol.parse(symbol) }

        # @return [Array<String>]
        def degrees(text, _among) = words(text)

        # @return [Array<Integer>] bars of each section
        def bars(text, _among) = words(text).map { |word| whole(word, 1..999) }

        # @return [Array<Hash>] what, and its price or who lends it
        def costs(text, _among)
          text.split(/[,;\n]/).map(&:strip).reject(&:empty?).first(MOST).map do |entry|
            match = COST.match(entry) or refuse("entries such as “bass: 20” or “strings: lent by Ada”, with commas between", entry)
            { what: match[:what].strip, price: match[:price]&.tr(",", ".")&.to_f, from: match[:from]&.strip }
          end
        end

        # @return [String]
        def choice(text, among)
          among.find { |word| word.casecmp?(text) } || refuse("one of #{among.join(", ")}", text)
        end

        private

        def words(text) = text.split(/[\s,|]+/).grep_v(/\A[–—-]*\z/).first(MOST)

        def within(value, among)
          return value if among.nil? || among.cover?(value)

          refuse("between #{Figures.plain(among.begin)} and #{Figures.plain(among.end)}", Figures.plain(value))
        end

        def example(among) = among&.cover?(84.5) ? "84.5" : Figures.plain(among&.begin || 1)

        def refuse(wanted, text) = raise(Errors::Unfit, "#{@about} must be #{wanted}, not “#{text[0, 40]}”")
      end
      private_constant :Reader
    end
  end
end
