# frozen_string_literal: true

module Ethoscope
  module Checklist
    # Items that make something in the style of several references: ranges in the place of single figures.
    class ProfilePlan
      # @param songs [Array<Profile::Song>]
      # @param target [Hash] bpm and key (a {Harmony::Key}) wanted for the new track, nil where the profile decides
      # @param entries [#call] gives the library's entry of a kind of technique, nil for an unknown one
      def initialize(songs, target: {}, entries: Techniques::Library.method(:entry))
        @songs = songs
        @entries = entries
        @profile = Profile::Builder.new(songs, entries:).profile
        @target = target
      end

      # @return [Array<Item>]
      def items
        [frame, tempo, key, *chords, *sounds, *groove, arrangement, *techniques, *marks, loudness, check].compact
      end

      private

      def item(stage, title, target, tolerance: "", measure: nil, minutes: 10, steps: [], fallback: "", about: nil)
        Item.new(stage:, title:, target:, tolerance:, measure:, minutes:, steps:, fallback:, from: "profile", about:)
      end

      def frame
        bars = middle(@songs.map(&:bars))
        item("Frame", "Length", "about #{bars} bars", tolerance: "±16 bars",
          measure: { value: bars, tolerance: 16, unit: "bars" }, minutes: 5)
      end

      def tempo
        low, high = @profile[:tempo][:range]
        return nil unless low || @target[:bpm]

        value = @target[:bpm] || @profile[:tempo][:middle]
        tolerance = low ? [(high - low) / 2, 0.5].max.round(1) : 1.0
        item("Tempo and key", "Tempo", format("%.2f BPM", value), tolerance: "±#{tolerance} BPM",
          measure: { value:, tolerance:, unit: "BPM" }, minutes: 5)
      end

      def key
        modes = @profile[:keys][:modes]
        return nil if modes.empty? && @target[:key].nil?

        wanted = @target[:key] ? Readings::Words.signs(@target[:key].to_s) : "any #{modes.max_by(&:last).first} key"
        item("Tempo and key", "Key", wanted, tolerance: "same mode", minutes: 5)
      end

      def chords
        degrees = @profile[:degrees].select { |row| row[:songs].count(true) * 2 >= @songs.size }.first(5)
        return [] if degrees.empty?

        loop = @profile[:loops].first
        [item("Chords and bass", "Vocabulary", degrees.map do |row|
          row[:degree]
        end.join(" "), tolerance: "one more at most", minutes: 15),
         loop && item("Chords and bass", "Loop", loop[:degrees].first(8).join(" "), tolerance: "same order", minutes: 15,
           steps: ["Write the loop in the new key.", "Change one chord the last time it comes round."])].compact
      end

      # Layers that are told by stems, notes or by ear, and play in half of the songs.
      def sounds
        @profile[:sounds].select { |row| row[:songs].count(true) * 2 >= @songs.size }.map do |row|
          target = [*row[:sounds].first(2), "in #{row[:songs].count(true)} of #{@songs.size} songs"].join("; ")
          item("Sounds", "A sound for the #{row[:name]}", target, tolerance: "by ear", minutes: 25, steps: SoundItems::STEPS, fallback: SoundItems::FALLBACK)
        end
      end

      def marks
        @profile[:marks].map do |mark|
          item("Techniques", "#{mark[:type].capitalize}: #{mark[:text]}"[0, SongPlan::LONGEST_TITLE], "“#{mark[:title]}”, bar #{mark[:first_bar]}", tolerance: "by ear",
            steps: SongPlan::MARK_STEPS.fetch(mark[:type]))
        end
      end

      def groove
        kinds = @profile[:layers][:kinds]
        verse = kinds.index { |kind| kind[:name] == "verse" } || 0
        return [] if kinds.empty?

        @profile[:layers][:roles].select { |row| %w[kick snare hats].include?(row[:role]) }.map do |row|
          item("Groove", "#{row[:role].capitalize} in the #{kinds[verse][:name]}",
            "plays in #{row[:counts][verse]} of #{kinds[verse][:of]} songs", tolerance: "by ear", minutes: 15)
        end
      end

      def arrangement
        lengths = @songs.flat_map { |song| song.data[:sections].map { |section| section[:bars] } }.tally.max_by(&:last)
        item("Arrangement", "Section length", "#{lengths.first} bars", tolerance: "±4 bars",
          measure: { value: lengths.first, tolerance: 4, unit: "bars" }, minutes: 20)
      end

      def techniques
        @profile[:techniques].select { |row| row[:songs].count(true) * 2 >= @songs.size }.map do |row|
          entry = @entries.call(row[:kind])
          item("Techniques", row[:name], "in #{row[:songs].count(true)} of #{@songs.size} songs", tolerance: "at least once",
            minutes: 15, steps: entry ? how_to.steps(entry) : SongPlan::OWN_STEPS)
        end
      end

      def how_to
        @how_to ||= Techniques::HowTo.new(bpm: @target[:bpm] || @profile[:tempo][:middle], key: @target[:key], meter: Rhythm::Meter.named(@songs.first.meter))
      end

      def loudness
        levels = @songs.filter_map { |song| song.data[:loudness][:integrated] }
        return nil if levels.empty?

        level = middle(levels)
        item("Mix", "Loudness", "#{Readings::Words.signed(level)} LUFS", tolerance: "±1.5 LU",
          measure: { value: level, tolerance: 1.5, unit: "LUFS" })
      end

      def check
        item("Check", "Level-matched listening against each reference", "#{@songs.size} of #{@songs.size}", minutes: 20)
      end

      def middle(values) = values.sort[values.size / 2]
    end
  end
end
