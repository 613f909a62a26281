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
      [title, *lines, "", *sections, "", *layers, *techniques].join("\n")
    end

    private

    def title
      format("%<name>s  %<bars>d bars, %<length>s", name: @name, bars: @data[:bars].size, length: clock(@data[:duration]))
    end

    def clock(seconds) = format("%<minutes>d:%<rest>04.1f", minutes: seconds / 60, rest: seconds % 60)

    def facts
      { "tempo" => tempo, "meter" => meter, "key" => key, "tuning" => tuning, "loop" => loop_text, "loudness" => loudness,
        "swing" => swing }
    end

    def tempo
      tempo = @data[:tempo]
      return "no steady pulse found; bars are two seconds each" unless tempo[:bpm]

      rivals = tempo[:candidates].drop(1).first(2).map { |rival| format("%<bpm>.2f (%<odds>.2f)", **rival) }
      line = format("%<bpm>.2f BPM  sure %<confidence>.2f", **tempo)
      line += ", changes over the song" unless tempo[:constant]
      rivals.empty? ? line : "#{line}, or #{rivals.join(", ")}"
    end

    def meter = format("%<meter>s  sure %<meter_confidence>.2f", **@data.slice(:meter, :meter_confidence))

    def key
      key = @data[:key] or return "none found"
      rival = key[:rivals].first
      format("%<tonic>s %<mode>s  sure %<confidence>.2f, or %<rt>s %<rm>s (%<ro>.2f)",
             **key.slice(:tonic, :mode, :confidence), rt: rival[:tonic], rm: rival[:mode], ro: rival[:odds])
    end

    def tuning = format("%<cents>+.1f cents, A4 at %<a4>.1f Hz", **@data[:tuning])

    def loop_text
      loop = @data[:loop] or return "none found"
      "#{loop[:degrees].join(" ")}, #{loop[:bars]} bars, #{loop[:starts].size} times (#{loop[:symbols].join(" ")})"
    end

    def loudness
      level = @data[:loudness][:integrated]
      level ? "#{level} LUFS, peak #{@data[:loudness][:peak_db]} dBFS" : "below the gate"
    end

    def swing
      format("%<percent>d %% of a pair of %<unit>ss", percent: @data[:groove][:swing_ratio] * 100,
        unit: @data[:groove][:swing_unit])
    end

    def sections
      @data[:sections].map do |section|
        format("%<letter>-3s %<label>-12s bars %<first>3d-%<last>-3d %<chords>s", letter: section[:letter], label: section[:label],
          first: section[:first_bar],
          last: section[:first_bar] + section[:bars] - 1,
          chords: chords_of(section))
      end
    end

    def chords_of(section)
      inside = @data[:chords].select do |chord|
        chord[:bar].between?(section[:first_bar], section[:first_bar] + section[:bars] - 1)
      end
      inside.first(6).map { |chord| chord[:symbol] }.join(" ")
    end

    def layers
      @data[:layers].map do |layer|
        cells = layer[:activity].map { |value| " .:*#"[(value * 4.99).floor] }.join
        format("%<role>-7s %<cells>s", role: layer[:role], cells:)
      end
    end

    def techniques
      @data[:techniques].map do |sighting|
        format("%<name>s, bars %<first_bar>d-%<last_bar>d (%<confidence>.2f)",
               **sighting.slice(:name, :first_bar, :last_bar, :confidence))
      end
    end
  end
end
