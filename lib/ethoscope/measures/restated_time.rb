# frozen_string_literal: true

module Ethoscope
  module Measures
    # What of an analysis is said in BPM, milliseconds and seconds, in the tempo of a {Restatement}; bars and beats stay. The way is our own.
    class RestatedTime
      # How many digits figures keep.
      BPM_DIGITS = 3
      SECOND_DIGITS = 4

      # @param data [Hash] of an analysis, symbol keys
      # @param restatement [Restatement]
      def initialize(data, restatement)
        @data = data
        @to = restatement
      end

      # @return [Hash] the parts whose words change; where things lie in the recording stays
      def said
        return {} if @to.same_speed?

        { tempo:, tempo_map: @data[:tempo_map].map { |entry| faster(entry, :bpm) }, parts: @data[:parts].map { |part| faster(part, :bpm) },
          bars: @data[:bars].map { |bar| faster(bar, :bpm) }, groove:,
          lines: @data[:lines].map { |line| line.merge(feel: line[:feel] && shorter(line[:feel], :ms, :late_ms, :spread_ms, :strum_ms)) },
          techniques: @data[:techniques].map { |sighting| sighting.merge(detail: detail(sighting[:detail])) }, stems: @data[:stems].map { |stem| stem(stem) } }
      end

      # @return [Hash] the parts that say where things lie, on the new clock
      def placed
        return {} if @to.same_speed?

        { duration: seconds(@data[:duration]), end: seconds(@data[:end]), beats: seconds(@data[:beats]), downbeats: seconds(@data[:downbeats]),
          tempo_map: @data[:tempo_map].map { |entry| earlier(entry, :time) }, bars: spans(:bars), chords: spans(:chords), sections: spans(:sections),
          techniques: spans(:techniques),
          bass: @data[:bass].merge(notes: @data[:bass][:notes].map { |note| earlier(note, :start, :end) }),
          layers: @data[:layers].map { |layer| layer(layer) }, loudness: loudness, stems: @data[:stems].map { |stem| earlier(stem, :offset) } }
      end

      # @param value [Hash] with bpm, and bpm and to of its changes
      # @return [Hash] in the new tempo
      def tempo_value(value) = faster(value, :bpm).merge(value[:changes] ? { changes: value[:changes].map { |change| faster(change, :bpm, :to) } } : {})

      private

      def tempo
        told = @data[:tempo]
        { **faster(told, :bpm, :better), candidates: told[:candidates].map { |candidate| faster(candidate, :bpm) }, pulse: told[:pulse].map do |rate, strength|
          [bpm(rate), strength]
        end,
                                         **shorter(told, :residuals, :drift_ms).slice(:residuals, :drift_ms) }
      end

      def groove = @data[:groove].merge(timing: @data[:groove][:timing].map { |timing| shorter(timing, :offsets_ms, :spread_ms) })

      def detail(told)
        told.to_h do |name, value|
          next [name, value] unless value.is_a?(Numeric)
          next [name, @to.seconds(value).round(1).then { |ms| (ms % 1).zero? ? ms.to_i : ms }] if name == :ms || name.end_with?("_ms")

          [name, name.end_with?("_bpm") ? (value * @to.ratio).round(1) : value]
        end
      end

      # Echoes in note values follow the tempo; free ones stay.
      def stem(told)
        told.merge(echo: told[:echo] && told[:echo][:unit] ? shorter(told[:echo], :ms) : told[:echo], timing: shorter(told[:timing], :late_ms, :spread_ms))
      end

      def layer(told)
        told.merge(spans: seconds(told[:spans]), rivals: told[:rivals].map { |rival| rival.merge(spans: seconds(rival[:spans])) })
      end

      # One figure a second of the new clock: that of the second it comes from.
      def loudness
        told = @data[:loudness][:short_term]
        count = [(told.size / @to.ratio).round, 1].max
        @data[:loudness].merge(short_term: Array.new(told.empty? ? 0 : count) { |second| told[[(second * @to.ratio).floor, told.size - 1].min] })
      end

      def spans(name) = @data[name].map { |told| earlier(told, :start, :end) }

      def faster(told, *names) = told.merge(names.select { |name| told[name] }.to_h { |name| [name, bpm(told[name])] })

      def shorter(told, *names) = told.merge(names.select { |name| told[name] }.to_h { |name| [name, scaled(told[name], 2)] })

      def earlier(told, *names) = told.merge(names.select { |name| told[name] }.to_h { |name| [name, seconds(told[name])] })

      def bpm(value) = (value * @to.ratio).round(BPM_DIGITS)

      def seconds(value) = scaled(value, SECOND_DIGITS)

      def scaled(value, digits)
        case value
        when Array then value.map { |inner| scaled(inner, digits) }
        when nil then nil
        else @to.seconds(value).round(digits)
        end
      end
    end
  end
end
