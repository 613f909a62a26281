# frozen_string_literal: true

module Ethoscope
  module Checklist
    # Targets as things to do, stage by stage; the same stages for one song and for a profile.
    class Plan
      STAGES = [Stages::Frame, Stages::TempoAndKey, Stages::Sounds, Stages::ChordsAndBass, Stages::Groove, Stages::Arrangement, Stages::Techniques, Stages::Mix, Stages::Check].freeze

      # @param song [Profile::Song]
      # @param aim [String] exact, style or study
      # @param wanted [Hash] see {SongTargets}
      # @param entries [#call] gives the library's entry of a kind of technique, nil for an unknown one
      # @param from [Integer] the bar with which the work begins
      # @return [Plan] that recreates one song
      def self.of_song(song, aim:, wanted: {}, entries: Techniques::Library.method(:entry), from: 1)
        of(SongTargets.new(song, exact: aim == "exact", wanted:, entries:, from:))
      end

      # @param songs [Array<Profile::Song>]
      # @param wanted [Hash] see {ProfileTargets}
      # @param entries [#call]
      # @return [Plan] that makes something in the style of several songs
      def self.of_profile(songs, wanted: {}, entries: Techniques::Library.method(:entry)) = of(ProfileTargets.new(songs, wanted:, entries:))

      def self.of(source) = new(source.all, source.brief, source.warnings)
      private_class_method :of

      # @param targets [Array<Measures::Target>]
      # @param brief [Brief]
      # @param warnings [Array<Item>] what is to be known before one begins
      def initialize(targets, brief, warnings = [])
        @targets = targets
        @brief = brief
        @warnings = warnings
      end

      # @return [Array<Item>] in the order of the stages
      def items
        return @warnings + stages(@targets) if @brief.profile

        doubts = Doubts.new(@targets, @brief)
        stages(doubts.settled) + doubts.items
      end

      private

      def stages(targets)
        by_stage = targets.group_by { |target| target.kind.stage }
        STAGES.flat_map { |stage| stage.new(by_stage.fetch(stage::NAME, []), @brief).items }
      end
    end
  end
end
