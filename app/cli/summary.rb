# frozen_string_literal: true

module Cli
  # An analysis for people: one screen of plain text.
  class Summary
    # @param name [String] what the recording is called
    # @param analysis [Ethoscope::Analysis]
    def initialize(name, analysis)
      @name = name
      @data = analysis.to_h
    end

    # @return [String]
    def to_s
      lines = facts.map { |label, text| format("%<label>-11s %<text>s", label:, text:) }
      [title, *lines, "", *sections, "", *layers, *changes, *techniques].join("\n")
    end

    private

    def title
      format("%<name>s  %<bars>d bars, %<length>s", name: @name, bars: @data[:bars].size, length: clock(@data[:duration]))
    end

    def clock(seconds) = format("%<minutes>d:%<rest>04.1f", minutes: seconds / 60, rest: seconds % 60)

    def facts
      { "tempo" => tempo, "meter" => meter, "feel" => feel, "key" => key, "outside" => outside, "tuning" => tuning, "loop" => loop_text,
        "bass" => bass, "loudness" => loudness, "width" => width }.compact
    end

    def tempo
      tempo = @data[:tempo]
      return "no steady pulse found; bars are two seconds each" unless tempo[:bpm]

      rivals = tempo[:candidates].drop(1).first(2).map { |rival| format("%<bpm>.2f (%<odds>.2f: %<reason>s)", **rival) }
      line = format("%<bpm>.2f BPM  sure %<confidence>.2f", **tempo)
      line += course unless tempo[:constant]
      rivals.empty? ? line : "#{line}, or #{rivals.join(", ")}"
    end

    def course
      low, high = @data[:tempo_map].map { |entry| entry[:bpm] }.minmax
      format(", moving %<low>.1f to %<high>.1f", low:, high:)
    end

    def meter = format("%<meter>s  sure %<meter_confidence>.2f", **@data.slice(:meter, :meter_confidence))

    def feel
      groove = @data[:groove]
      spread = groove[:timing].max_by { |timing| timing[:onsets] }&.fetch(:spread_ms)
      line = format("%<percent>d %% of a pair of %<unit>ss", percent: groove[:swing_ratio] * 100, unit: groove[:swing_unit])
      spread ? "#{line}, #{groove[:feel]}: onsets within #{spread} ms" : line
    end

    def key
      key = @data[:key] or return "none found"
      rival = key[:rivals].first
      line = format("%<tonic>s %<mode>s  sure %<confidence>.2f, or %<rt>s %<rm>s (%<ro>.2f)",
        **key.slice(:tonic, :mode, :confidence), rt: rival[:tonic], rm: rival[:mode], ro: rival[:odds])
      moves = key[:stretches].drop(1).map { |stretch| format("%<tonic>s %<mode>s from bar %<first_bar>d", **stretch) }
      [line, *moves].join("; ")
    end

    def outside
      notes = @data[:key] ? @data[:key][:outside].first(3) : []
      notes.map { |note| format("%<note>s %<percent>d %% of the time", note: note[:note], percent: note[:share] * 100) }.join(", ").then do |text|
        text.empty? ? nil : text
      end
    end

    def bass
      tones = @data[:bass][:tones].sort_by { |_, share| -share }.first(3).map { |tone, share| format("%<tone>s %<percent>d %%", tone:, percent: share * 100) }
      tones.empty? ? nil : tones.join(", ")
    end

    def tuning = format("%<cents>+.1f cents, A4 at %<a4>.1f Hz", **@data[:tuning])

    def loop_text
      loop = @data[:loop] or return "none found"
      "#{loop[:degrees].join(" ")}, #{loop[:bars]} bars, #{loop[:starts].size} times (#{loop[:symbols].join(" ")})"
    end

    def loudness
      level = @data[:loudness]
      return "below the gate" unless level[:integrated]

      format("%<integrated>.1f LUFS, range %<range>.1f LU, true peak %<true_peak>.1f dBTP", **level)
    end

    def width
      return "mono" if @data[:channels] == 1

      @data[:mix][:registers].map { |register| format("%<name>s %<percent>d %%", name: register[:name], percent: register[:side] * 100) }.join(", ")
    end

    def sections
      @data[:sections].map do |section|
        format("%<letter>-3s %<label>-12s bars %<first>3d-%<last>-3d %<chords>-34s %<drums>s", letter: section[:letter], label: section[:label],
          first: section[:first_bar], last: section[:first_bar] + section[:bars] - 1, chords: chords_of(section), drums: drums_of(section)).rstrip
      end
    end

    def chords_of(section)
      inside = @data[:chords].select do |chord|
        chord[:bar].between?(section[:first_bar], section[:first_bar] + section[:bars] - 1)
      end
      inside.first(6).map { |chord| chord[:symbol] }.join(" ")
    end

    def drums_of(section)
      pattern = @data[:drums].find { |candidate| candidate[:first_bar] == section[:first_bar] } or return ""
      [pattern[:names].first, pattern[:hat_rate] && "hats #{pattern[:hat_rate]}"].compact.join(", ")
    end

    def layers
      @data[:layers].map do |layer|
        cells = layer[:activity].map { |value| " .:*#"[(value * 4.99).floor] }.join
        format("%<role>-7s %<cells>s", role: layer[:role], cells:)
      end
    end

    def changes
      words = @data[:changes].map do |change|
        parts = { "+" => change[:enters], "-" => change[:leaves] }.flat_map { |sign, roles| roles.map { |role| sign + role } }
        parts << "hats #{change[:hats]}" if change[:hats]
        parts.empty? ? nil : "bar #{change[:bar]}: #{parts.join(" ")}"
      end
      words.compact.empty? ? [] : ["changes #{words.compact.join("; ")}"]
    end

    def techniques
      @data[:techniques].map do |sighting|
        format("%<name>s, bars %<first_bar>d-%<last_bar>d (%<confidence>.2f)",
               **sighting.slice(:name, :first_bar, :last_bar, :confidence))
      end
    end
  end
end
