# frozen_string_literal: true

module Ethoscope
  module Sheet
    # Edits of how bars are counted and which key holds where: each gives the aspect and its new value.
    class CountEdits
      # Two moments this near are the same.
      SAME_SECONDS = 1e-3

      # @param data [Hash] the schema of a sheet
      # @param current [Hash{String => Hash}] the reading that holds for each aspect
      def initialize(data, current)
        @data = data
        @timeline = Timeline.new(data)
        @current = current
      end

      # Takes a tempo with the meter that goes with it, as one change.
      #
      # @param bpm [Float]
      # @param meter [String]
      # @return [Array<Array(String, Hash)>]
      def count(bpm:, meter:)
        follows = @data[:tempo][:constant] ? {} : { follows: true }
        [["tempo", { bpm:, **follows }], ["meter", { name: meter }]]
      end

      # Moves all first beats.
      #
      # @param beats [Float] later, or earlier where negative
      # @return [Array(String, Hash)]
      def downbeat(beats:)
        ["meter", value("meter").merge(name: @data[:meter], first_downbeat: @timeline.seconds(1, 1 + beats).round(4))]
      end

      # Says how many beats stand before the first whole bar.
      #
      # @param beats [Float]
      # @return [Array(String, Hash)]
      # @raise [Errors::Unfit] when a pickup would be a whole bar
      def pickup(beats:)
        raise Errors::Unfit, "a pickup is shorter than a bar: 0 to #{@timeline.beats_per_bar - 1} beats" unless beats.between?(0, @timeline.beats_per_bar - 1)

        ["meter", value("meter").merge(name: @data[:meter], first_downbeat: @data[:beats].fetch(beats.to_i))]
      end

      # @param at [Float] seconds of a moment at which a bar begins, whatever was counted before
      # @return [Array(String, Hash)]
      def bar_line(at:)
        lines = (value("meter")[:lines] || []).reject { |line| (line - at).abs < SAME_SECONDS }
        ["meter", value("meter").merge(name: @data[:meter], lines: (lines + [at.round(4)]).sort)]
      end

      # Bars as they were counted before lines were set.
      #
      # @return [Array(String, Hash)]
      def no_bar_lines = ["meter", value("meter").merge(name: @data[:meter]).except(:lines)]

      # @param bar [Integer] from which on
      # @param bpm [Float] this tempo holds
      # @return [Array(String, Hash)]
      def tempo_change(bar:, bpm:) = changed(bar, bpm:)

      # @param bar [Integer] from which on beats are even, at the tempo that fits what is counted there best
      # @return [Array(String, Hash)]
      def even(bar:)
        bpm = @timeline.even_tempo(bar, later_changes(bar).first || @data[:end])
        bar == 1 ? ["tempo", tempo.except(:follows).merge(bpm:)] : changed(bar, bpm:)
      end

      # @param bar [Integer] from which on the tempo moves evenly
      # @param to_bar [Integer] at whose start it has arrived
      # @param bpm [Float] from this
      # @param to [Float] to this tempo, which holds from there on
      # @return [Array(String, Hash)]
      # @raise [Errors::Unfit] when it ends before it begins
      def ramp(bar:, to_bar:, bpm:, to:)
        raise Errors::Unfit, "a ramp ends at a later bar than it begins" unless to_bar > bar

        changed(bar, bpm:, to:, bars: to_bar - bar)
      end

      # One tempo for the whole song, in even beats.
      #
      # @return [Array(String, Hash)]
      def steady = ["tempo", tempo.except(:changes, :follows)]

      # @param factor [Float] 2 counts twice as fast, 0.5 half as fast
      # @return [Array(String, Hash)]
      def times(factor:) = ["tempo", tempo.merge(bpm: (tempo[:bpm] * factor).round(2))]

      # @param bar [Integer] from which on
      # @param tonic [String]
      # @param mode [String]
      # @return [Array(String, Hash)]
      def modulation(bar:, tonic:, mode:)
        raise Errors::Unfit, "the key of bar 1 is the key of the song" if bar == 1

        at = @timeline.seconds(bar).round(4)
        kept = (value("key")[:modulations] || []).reject { |change| (change[:at] - at).abs < SAME_SECONDS }
        ["key", key.merge(modulations: (kept + [{ at:, tonic:, mode: }]).sort_by { |change| change[:at] })]
      end

      # One key for the whole song again.
      #
      # @return [Array(String, Hash)]
      def one_key = ["key", key.except(:modulations)]

      private

      def value(aspect)
        reading = @current.fetch(aspect)
        reading[:source] == "measured" ? {} : reading[:value] || {}
      end

      # The tempo as a person said it, or as it is played where nobody did.
      def tempo
        told = value("tempo")
        return told if told[:bpm]

        bpm = @data[:tempo][:bpm] or raise Errors::Unfit, "set a tempo first"
        told.merge(bpm:, follows: true)
      end

      def changed(bar, **change)
        raise Errors::Unfit, "the tempo of bar 1 is the tempo of the song" if bar == 1 && !change[:to]

        at = @timeline.seconds(bar).round(4)
        changes = (value("tempo")[:changes] || []).reject { |other| (other[:at] - at).abs < SAME_SECONDS } + [{ at:, **change }]
        ["tempo", tempo.merge(changes: changes.sort_by { |one| one[:at] })]
      end

      def later_changes(bar) = (value("tempo")[:changes] || []).map { |change| change[:at] }.select { |at| at > @timeline.seconds(bar) + SAME_SECONDS }

      def key
        found = @data[:key] or raise Errors::Unfit, "set a key first"
        found.slice(:tonic, :mode).merge(value("key"))
      end
    end
  end
end
