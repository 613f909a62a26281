# frozen_string_literal: true

module Ethoscope
  module Readings
    # Puts an {Analysis} into statements, in the order of work: tempo, meter, key, tuning, loop, form, loudness.
    class Reader
      # A loop that tells less of the song is a doubt.
      DOUBT = 0.5
      ASPECTS = %w[tempo meter key tuning loop form loudness].freeze
      # A rival worth naming in the statement itself.
      CLOSE_RIVAL = 0.12
      # A chord that ends this soon after a section began belongs to the section before.
      SETTLED_SECONDS = 0.3

      # @param analysis [Analysis]
      def initialize(analysis)
        @data = analysis.to_h
      end

      # @return [Array<Reading>] one for each of ASPECTS
      def readings = [tempo, meter, key, tuning, loop_reading, form, loudness]

      # @param aspect [String]
      # @param value [Hash]
      # @return [String] a person's value as a statement, see {Heard}
      # @raise [Errors::Unfit]
      def self.heard(aspect, value) = Heard.statement(aspect, value)

      private

      def reading(aspect, value, statement, note: "", confidence: 0.0, rivals: [], why: "")
        Reading.new(aspect:, value:, statement:, note:, confidence:, rivals:, why:, bars: nil)
      end

      def tempo
        tempo = @data[:tempo]
        unless tempo[:bpm]
          return reading("tempo", { bpm: nil }, "No steady pulse found",
            why: "Onsets repeat at no rate between 42 and 220 BPM. Bars are two seconds each.")
        end

        rivals = tempo[:candidates].drop(1).map { |rival| { label: format("%.2f BPM", rival[:bpm]), odds: rival[:odds] } }
        first = rivals.first
        note = first ? "or #{first[:label].delete_suffix(" BPM")}" : "no alternative"
        reading("tempo", { bpm: tempo[:bpm], parts: @data[:parts].map { |part| part[:bpm] } }.reject { |_, value| value == [] }, tempo_statement,
          note:, confidence: tempo[:confidence], rivals:, why: tempo_why)
      end

      # Parts have a tempo each; their mean is that of none.
      def tempo_statement
        return format("%<bpm>.2f BPM, %<course>s", bpm: @data[:tempo][:bpm], course: tempo_course) if @data[:parts].empty?

        first, *rest = @data[:parts]
        "#{Words.number(@data[:parts].size).capitalize} parts: #{[format("%.2f BPM", first[:bpm]), *rest.map do |part|
          format("then %<bpm>.2f from bar %<first_bar>d", **part.slice(:bpm, :first_bar))
        end].join(", ")}"
      end

      def tempo_course
        return "steady throughout" if @data[:tempo][:constant]

        low, high = @data[:tempo_map].map { |entry| entry[:bpm] }.minmax
        format("moving %<low>.1f to %<high>.1f", low:, high:)
      end

      def tempo_why
        kind = if @data[:tempo][:constant] then "One tempo fits all #{@data[:beats].size} beats."
               elsif @data[:parts].any? then "Each part keeps its own tempo; there is no mean."
               else "The tempo moves; this is the middle of all bars."
               end
        rival = @data[:tempo][:candidates][1]
        rival ? "#{kind} It could be counted #{format("%.2f", rival[:bpm])}: #{rival[:reason]}." : "#{kind} No other count comes near."
      end

      def meter
        groove = @data[:groove]
        swing = groove[:swing_ratio] > 0.5 ? "swung #{(groove[:swing_ratio] * 100).round} %" : "straight"
        rivals = @data[:meters].drop(1).map { |rival| { label: rival[:name], odds: rival[:odds] } }
        note = [groove[:swing_ratio] > 0.5 ? "#{groove[:swing_unit]}s late" : "#{@data[:meter]} time", groove[:feel]].compact.join(", ")
        reading("meter", { name: @data[:meter], swing: groove[:swing_ratio] }, "#{meter_words}, #{swing}", note:,
          confidence: @data[:meter_confidence], rivals:,
          why: "Bars of this length repeat best, and harmony changes on their first beat.")
      end

      def meter_words
        { "2/4" => "Two to the bar", "4/4" => "Four to the bar", "3/4" => "Three to the bar", "5/4" => "Five to the bar", "7/8" => "Seven eighths to the bar",
          "6/8" => "Two dotted beats to the bar", "12/8" => "Four dotted beats to the bar" }.fetch(@data[:meter], @data[:meter])
      end

      def key
        key = @data[:key]
        return reading("key", nil, "No key found", why: "No chord sounds clearly enough to rest on.") unless key

        name = Words.signs("#{key[:tonic]} #{key[:mode]}")
        rivals = key[:rivals].map { |rival| { label: Words.signs("#{rival[:tonic]} #{rival[:mode]}"), odds: rival[:odds] } }
        first = rivals.first
        reading("key", key.slice(:tonic, :mode), key_statement(key, name, first), note: "next #{first[:label]}, #{(first[:odds] * 100).round} %", confidence: key[:confidence],
          rivals:, why: key_why(name))
      end

      def key_statement(key, name, rival)
        names = key[:stretches].map { |stretch| [Words.signs("#{stretch[:tonic]} #{stretch[:mode]}"), stretch[:first_bar]] }
        later = names.drop(1).find { |other, _| other != names.first.first }
        return "#{names.first.first}, then #{later.first} from bar #{later.last}" if later

        rival[:odds] >= CLOSE_RIVAL ? "#{name}, or #{rival[:label]}" : "#{name}, well clear of alternatives"
      end

      def key_why(name)
        home = @data[:key][:tonic]
        starts = @data[:sections].count { |section| root_after(@data[:bars][section[:first_bar] - 1][:start]) == home }
        total = @data[:sections].size
        ["#{name} holds the chords best; #{Words.number(starts)} of #{Words.number(total)} sections open on #{Words.signs(home)}.", outside].compact.join(" ")
      end

      def outside
        note = @data[:key][:outside].first or return nil
        "From outside the scale, #{Words.signs(note[:note])} sounds #{(note[:share] * 100).round} % of the time."
      end

      # The root that sounds just after a moment; a chord that is pushed before the bar line counts for what follows.
      def root_after(time)
        chord = @data[:chords].find { |candidate| candidate[:end] > time + SETTLED_SECONDS }
        chord && chord[:label].split(":").first
      end

      def tuning
        cents = @data[:tuning][:cents]
        statement = if cents.abs < 3 then "In tune with A 440"
                    else "#{cents.abs.round} cents #{cents.negative? ? "flat" : "sharp"} of A 440"
                    end
        reading("tuning", { cents: }, statement, note: "A4 #{@data[:tuning][:a4]} Hz", confidence: @data[:tuning][:confidence],
          why: "Where the partials between 180 and 2200 Hz lie against equal temperament.")
      end

      def loop_reading
        loop = @data[:loop]
        return no_loop unless loop

        length = "#{Words.number(loop[:bars])} #{loop[:bars] == 1 ? "bar" : "bars"}"
        doubt = loop[:confidence] < DOUBT ? "Perhaps " : ""
        reading("loop", loop.slice(:bars, :degrees), "#{doubt}#{loop[:degrees].first(6).join(" ")}, #{length}, #{Words.times(loop[:starts].size)}",
          note: "first at bar #{loop[:starts].first}", confidence: loop[:confidence],
          why: "Returns at bars #{loop[:starts].first(12).join(", ")}: #{loop[:symbols].join(" ")}.")
      end

      # Sections may have loops of their own though the song has none.
      def no_loop
        own = @data[:loops]
        return reading("loop", nil, "No loop found", why: "No run of up to twelve bars comes back with the same chords.") if own.empty?

        letters = own.flat_map { |loop| loop[:letters] }.uniq.sort
        parts = letters.size == 1 ? "part #{letters.first} has one" : "parts #{letters.join(", ")} have their own"
        reading("loop", nil, "No loop for the whole song; #{parts}",
          confidence: own.map { |loop| loop[:confidence] }.max, why: "Chords repeat within parts, but no run of bars comes back through the song.")
      end

      def form
        sections = @data[:sections]
        sure = sections.sum { |section| section[:confidence] } / sections.size
        reading("form", { sections: sections.size, letters: sections.map { |section| section[:letter] } },
          "#{Words.number(sections.size).capitalize} section#{"s" if sections.size > 1} over #{@data[:bars].size} bars",
          note: sections.map { |section| section[:letter] }.first(8).join(" "), confidence: sure.round(2),
          why: "Cut where timbre and harmony change together; letters repeat where chords do.")
      end

      def loudness
        level = @data[:loudness][:integrated]
        peak = Words.signed(@data[:loudness][:true_peak])
        return reading("loudness", nil, "Too quiet to gate", why: "No block of 400 ms passes −70 LUFS.") unless level

        reading("loudness", { lufs: level }, "#{Words.signed(level)} LUFS, side energy #{spread}", note: "true peak #{peak} dB", confidence: 0.99,
          why: "Integrated over the whole file after ITU-R BS.1770-4, gated#{range}.")
      end

      def range
        range = @data[:loudness][:range]
        range ? "; from soft to loud it spans #{range} LU" : ""
      end

      def spread
        widths = @data[:bars].map { |bar| bar[:width] }
        "#{(widths.sum / widths.size * 100).round} %"
      end
    end
  end
end
