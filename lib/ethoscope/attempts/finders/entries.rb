# frozen_string_literal: true

module Ethoscope
  module Attempts
    module Finders
      # Layers that come in or stop a few bars early or late, where notes of both songs tell it. The way is our own.
      class Entries
        # So many bars apart it is the same entry; a rest of so many bars is none; and what plays for fewer is a fill.
        NEAR = 3
        REST = 1
        FEWEST = 2
        SURE = 0.95
        # Kind, sentence by whether it is late, and what to do.
        SAID = {
          "entry" => { true => "The %<role>s come%<s>s in %<far>s late: in bar %<here>d, not %<there>d.",
                       false => "The %<role>s come%<s>s in %<far>s early: in bar %<here>d, not %<there>d." },
          "exit" => { true => "The %<role>s stop%<s>s %<far>s late: after bar %<here>d, not %<there>d.",
                      false => "The %<role>s stop%<s>s %<far>s early: after bar %<here>d, not %<there>d." }
        }.freeze
        HOW = { "entry" => "Let the %<role>s come in with bar %<there>d.", "exit" => "Let the %<role>s stop after bar %<there>d." }.freeze
        # By kind the end of a run that it is about.
        ENDS = { "entry" => :first, "exit" => :last }.freeze

        # @param laid [Laid]
        def initialize(laid)
          @laid = laid
          @lines = ToldLines.new(laid)
        end

        # @return [Array<Difference>]
        def differences
          played.flat_map do |role, songs|
            both = songs.map { |bars| runs(bars) }
            ENDS.flat_map { |kind, side| moved(*both, side).map { |there, here| difference(kind, role, there, here) } }
          end
        end

        private

        # By role the bars, in the count of the reference, in which each song plays it.
        def played
          kit = Kit::ROLES.select { |role| @laid.told?(role) }.to_h { |role| [role, @laid.songs.map { |song| struck(song, role) }] }
          lines = @lines.roles.select { |role| @lines.written?(role) }.to_h { |role| [role, @lines.bars(role)] }
          { **kit, **lines }.transform_values { |(there, here)| [there & common, common.select { |bar| here.include?(@laid.bars.fetch(bar)) }] }
        end

        def common = @common ||= @laid.bars.keys.sort

        def struck(song, role) = (song.told(role).sum(axis: 1) > 0.5).where.to_a.map { |bar| bar + 1 }

        def runs(bars)
          bars.slice_when { |one, other| other > one + 1 + REST }.map { |run| [run.first, run.last] }.select { |first, last| last - first + 1 >= FEWEST }
        end

        # Ends of both that are the same one, but not in the same bar.
        def moved(there, here, side)
          theirs, mine = [there, here].map { |list| list.map(&side) }
          theirs.filter_map do |bar|
            other = mine.min_by { |one| (one - bar).abs }
            [bar, other] if other && other != bar && (other - bar).abs <= NEAR && !mine.include?(bar) && !theirs.include?(other)
          end
        end

        def difference(kind, role, there, here)
          far = (here - there).abs
          said = { **Ethoscope::Layers::Role.in_words(role), there:, here:, far: far == 1 ? "a bar" : "#{Readings::Words.number(far)} bars" }
          first, last = [there, here].minmax
          bars = kind == "entry" ? [first, last - 1] : [first + 1, last]
          Difference.of(kind:, measure: "layers.plays", bars: [bars], role:, reference: "bar #{there}", attempt: "bar #{here}", distance: far, unit: "bars", sure: SURE,
            words: format(SAID.fetch(kind).fetch(here > there), **said), how: [format(HOW.fetch(kind), **said)])
        end
      end
    end
  end
end
