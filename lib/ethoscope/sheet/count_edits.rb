# frozen_string_literal: true

module Ethoscope
  module Sheet
    # Edits of how bars are counted and which key holds where: each gives the aspect and its new value.
    class CountEdits
      # @param data [Hash] the schema of a sheet
      # @param current [Hash{String => Hash}] the reading that holds for each aspect
      def initialize(data, current)
        @data = data
        @timeline = Timeline.new(data)
        @current = current
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

      # @param bar [Integer] from which on
      # @param bpm [Float] this tempo holds
      # @return [Array(String, Hash)]
      def tempo_change(bar:, bpm:)
        raise Errors::Unfit, "the tempo of bar 1 is the tempo of the song" if bar == 1

        at = @timeline.seconds(bar).round(4)
        changes = (value("tempo")[:changes] || []).reject { |change| (change[:at] - at).abs < 1e-3 } + [{ at:, bpm: }]
        ["tempo", tempo.merge(changes: changes.sort_by { |change| change[:at] })]
      end

      # One tempo for the whole song again.
      #
      # @return [Array(String, Hash)]
      def steady = ["tempo", tempo.except(:changes)]

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
        kept = (value("key")[:modulations] || []).reject { |change| (change[:at] - at).abs < 1e-3 }
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

      def tempo
        bpm = value("tempo")[:bpm] || @data[:tempo][:bpm] or raise Errors::Unfit, "set a tempo first"
        value("tempo").merge(bpm:)
      end

      def key
        found = @data[:key] or raise Errors::Unfit, "set a key first"
        found.slice(:tonic, :mode).merge(value("key"))
      end
    end
  end
end
