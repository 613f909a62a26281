# frozen_string_literal: true

require "strscan"

module Ethoscope
  module Harmony
    # Reads a chord symbol in any of the usual ways of writing it: "Bbm7", "B♭-7", "Bb min7" are one chord.
    # Terms after Kostka & Payne, "Tonal Harmony".
    class ChordParser
      NONE = /\A(n\.?\s*c\.?|n|no chord|[–—-])\z/i
      ROOT = /([A-G])(bb|##|♭♭|♯♯|[b#♭♯x])?/
      LONGEST = 40
      # Tokens in the order in which they are tried: what is written, and the step that takes it.
      TOKENS = [
        [/[\s(),]+/, :skip],
        [/half[- ]?dim(inished)?7?|hdim7?|ø7?/i, :half_diminished],
        [%r{dim(inished)?|°|º|o(?=7|\z|/)}, :diminished],
        [/aug(mented)?/, :augmented],
        [/sus2sus4|sus24|sus42|sus[24]?/i, :suspend],
        [/add\s*([b#♭♯]?)(2|4|6|9|11|13)/, :add],
        [/(no|omit)\s*(3|5)(rd|th)?/, :leave_out],
        [/alt(ered)?/, :alter_all],
        [/(?:maj(or)?|Maj(or)?|MAJ|Ma(?!dd)|ma(?!dd)|M|Δ|△|∆)/, :major],
        [/(?:min(or)?|Min|MIN|mi|m)/, :minor],
        [/[b♭−-]5|[#♯+]5/, :fifth],
        [/([b♭#♯])(9|11|13)/, :alter],
        [/[−-](9|11|13)/, :lowered_or_minor],
        [/[−-]/, :minor],
        [/\+/, :augmented],
        [%r{6/9|69|6add9}, :six_nine],
        [/13|11|9|7/, :seventh],
        [/6/, :six],
        [/5/, :power],
        [/2/, :two],
        [/4/, :four]
      ].freeze
      THIRDS = %w[3 b3].freeze

      # @param text [String]
      def initialize(text)
        @text = text.to_s.strip.unicode_normalize(:nfc)
      end

      # @return [ChordSymbol]
      # @raise [Errors::UnreadableChord]
      def symbol
        fail_with("a chord can't be empty; write N.C. for no chord") if @text.empty?
        fail_with("a chord symbol is at most #{LONGEST} signs long") if @text.size > LONGEST
        return ChordSymbol.none if @text.match?(NONE)

        @scan = StringScanner.new(@text)
        root = read_root
        read_suffix
        bass = read_bass
        ChordSymbol.new(root:, intervals: intervals.freeze, bass: bass == root ? nil : bass)
      end

      private

      def fail_with(message) = raise(Errors::UnreadableChord, message)

      def read_root
        return note_name if @scan.scan(ROOT)

        first = @text[0]
        fail_with("#{first}… starts small; write the root as a capital, such as #{@text.capitalize}") if first.match?(/[a-g]/)
        fail_with("H is not used here; write B, or Bb for the note below it") if first.match?(/[Hh]/)
        fail_with("“#{first}” is no note; a chord starts with A to G")
      end

      def note_name = @scan[1] + @scan[2].to_s.tr("♭♯", "b#").sub("x", "##")

      def read_suffix
        @third = @seventh = @written = nil
        @fifth = "5"
        @extras = []
        @left_out = []
        read_token until @scan.eos? || @scan.check(%r{/(?!9)})
        @third ||= "3" unless @sus || @power
        # A triangle by itself stands for the major seventh.
        take_seventh("7") if @triangle && @seventh.nil? && !@extras.include?("6")
      end

      def read_token
        step = TOKENS.find { |pattern, _| @scan.scan(pattern) }
        return unread unless step

        send(step.last)
      end

      def unread
        fail_with("“#{@scan.rest[%r{\A[^/]+}] || @scan.rest}” can't be read in “#{@text}”; known are m, maj7, 7, 9, sus4, dim, aug, 6, add9, b5, #11, /bass")
      end

      def read_bass
        return nil unless @scan.skip(%r{/\s*})

        fail_with("after the slash stands the bass note, such as #{@text.split("/").first}/E") unless @scan.scan(ROOT)
        name = note_name
        fail_with("“#{@scan.rest}” after the bass note can't be read; a slash takes one note") unless @scan.eos?
        name
      end

      def skip; end

      def take_third(name)
        fail_with("“#{@text}” says two different thirds") if @third && @third != name
        fail_with("“#{@text}” says a third and a suspension; a suspended chord has no third") if @sus
        @third = name
      end

      def take_seventh(name)
        fail_with("“#{@text}” says two sevenths") if @seventh
        @seventh = name
      end

      def minor
        take_third("b3")
      end

      def major
        fail_with("“#{@text}” says major twice") if @major
        @major = true
        @triangle = @scan.matched.match?(/[Δ△∆]/)
      end

      def diminished
        take_third("b3")
        @fifth = "b5"
        @diminished = true
      end

      def half_diminished
        take_third("b3")
        @fifth = "b5"
        take_seventh("b7")
      end

      def augmented
        @fifth = "#5"
      end

      def suspend
        fail_with("“#{@text}” says a third and a suspension; a suspended chord has no third") if @third
        @sus = true
        @extras << "9" if @scan.matched.include?("2")
        @extras << "4" unless @scan.matched.match?(/\Asus2\z/i)
      end

      def add
        sign = sign_of(@scan[1])
        number = { "2" => "9", "4" => "11" }.fetch(@scan[2], @scan[2])
        take_extra(sign + number)
      end

      def leave_out = @left_out << @scan[2]

      def alter_all
        take_seventh("b7") unless @seventh
        @fifth = nil
        @extras.push("b9", "#9", "b13")
      end

      def fifth = @fifth = @scan.matched.match?(/[#♯+]/) ? "#5" : "b5"

      def alter = take_extra(sign_of(@scan[1]) + @scan[2])

      # After a seventh "-9" lowers the ninth; after the root it is a minor ninth chord.
      def lowered_or_minor
        return take_extra("b#{@scan[1]}") if @seventh

        @scan.pos -= @scan[1].bytesize
        minor
      end

      def sign_of(sign) = sign.tr("♭♯", "b#")

      def take_extra(name)
        fail_with("“#{@text}” asks for a tone that no chord has") unless IntervalName::ALL.key?(name)
        @extras << name
      end

      def six_nine = @extras.push("6", "9")

      def six
        fail_with("“#{@text}” says a sixth and a seventh; with a seventh the sixth is written 13") if @seventh
        @extras << "6"
      end

      def power
        fail_with("“5” stands alone, as in C5; an altered fifth is written b5 or #5") if @third || @seventh || @sus
        @power = true
      end

      def two = @third || @seventh ? take_extra("9") : @extras.push("9")

      def four
        @sus = true
        @extras << "4"
      end

      def seventh
        number = @scan.matched
        fail_with("“#{@text}” says a sixth and a seventh; with a seventh the sixth is written 13") if @extras.include?("6")
        if @seventh == "b7" && @fifth == "b5" && @third == "b3" && number != "7" && !@written
          @written = number
        else
          take_seventh(kind_of_seventh(number))
        end
        pile(number)
      end

      def kind_of_seventh(number)
        return "7" if @major

        @diminished && number == "7" ? "bb7" : "b7"
      end

      def pile(number)
        @extras << "9" if %w[9 11 13].include?(number)
        @extras << "11" if number == "11"
        @extras << "13" if number == "13"
      end

      def intervals
        extras = @extras.uniq
        # An altered ninth or eleventh takes the place of the plain one that the pile brought along.
        extras.delete("9") if extras.intersect?(%w[b9 #9])
        extras.delete("11") if extras.include?("#11")
        named = ["1", (@third unless @left_out.include?("3")), *extras, (@fifth unless @left_out.include?("5")), @seventh]
        named.compact.uniq.sort_by { |name| IntervalName::ALL.keys.index(name) }.sort_by.with_index { |name, i| [order(name), i] }
      end

      # Root, third, fifth, sixth, seventh, then the tones above.
      def order(name) = %w[9 b9 #9 11 #11 b13 13].include?(name) && !(@sus && name == "9" && @seventh.nil?) ? 1 : 0
    end
  end
end
