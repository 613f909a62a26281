# frozen_string_literal: true

module Ethoscope
  module Attempts
    module Finders
      # Kick, snare and hats that are left out, added, or struck on other steps. The way is our own.
      class Kit
        ROLES = DrumEvidence::ROLES
        KINDS = { "missing" => "layer_missing", "extra" => "layer_extra", "pattern" => "pattern" }.freeze
        # A step is struck when that is likelier than not.
        STRUCK = 0.5
        FAINT = 0.3
        # Notes of MIDI or stems that differ by a stroke a bar are another pattern; by this share of them, the layer is gone.
        TOLD_APART = 0.75
        TOLD_GONE = 0.12
        TOLD_SURE = 0.99

        # @param laid [Laid]
        # @param except [Hash{String => Array<Integer>}] by piece bars of the reference that notes tell but are not looked at, for they are told as an entry that is late
        # @param odds [Odds]
        def initialize(laid, except: {}, odds: Odds.shipped(:drums))
          @laid = laid
          @except = except
          @odds = odds
        end

        # @return [Array<Difference>]
        def differences
          return [] unless comparable?

          ROLES.flat_map { |role| runs(role).map { |run| difference(role, run) } }.compact
        end

        private

        def comparable? = @laid.pieces.any? && [@laid.reference, @laid.attempt].map { |song| song.strokes("kick").shape[1] }.uniq.one?

        def runs(role)
          return told(role) if @laid.told?(role)

          Course.new(@odds, DrumEvidence.new(@laid, role).rows, @laid).runs
        end

        # Where nothing needs to be heard, every stroke counts.
        def told(role)
          states = @laid.pieces.map do |piece|
            bars = piece.reference.map { |bar| bar + 1 } - @except.fetch(role, [])
            [bars.empty? ? "same" : told_state(*patterns(role, bars)), piece]
          end
          runs = states.slice_when { |(state, piece), (after, following)| state != after || following.reference.first != piece.reference.last + 1 }
          runs.reject { |run| run.first.first == "same" }.map do |run|
            Course::Run.new(state: run.first.first, bars: run.flat_map { |_, piece| piece.reference }.map { |bar| bar + 1 }, sure: TOLD_SURE)
          end
        end

        def told_state(there, here)
          strokes = [there, here].map(&:sum)
          return "same" if (there - here).abs.sum < TOLD_APART
          return "missing" if strokes[1] <= TOLD_GONE * strokes[0]

          strokes[0] <= TOLD_GONE * strokes[1] ? "extra" : "pattern"
        end

        # Of both, how often each step is struck in these bars of the reference and those that lie on them.
        def patterns(role, bars)
          told = @laid.told?(role)
          rows = [bars, bars.map { |bar| @laid.bars.fetch(bar) }]
          @laid.songs.zip(rows).map { |song, own| (told ? song.told(role) : song.strokes(role))[own.map { |bar| bar - 1 }, true].mean(axis: 0) }
        end

        def difference(role, run)
          runs = @laid.runs(run.bars)
          there, here = patterns(role, run.bars)
          return nil if hollow?(run, role, there, here)

          said = send(run.state, role, @laid.where(runs), there, here)
          Difference.of(kind: KINDS.fetch(run.state), measure: run.state == "pattern" ? "groove.steps" : "layers.plays", bars: runs, role:,
            distance: apart(run.state, there, here), unit: run.state == "pattern" ? "strokes a bar" : "", sure: run.sure, reference: strokes(there), attempt: strokes(here), **said)
        end

        # What never strikes can't be missing, nor what stems or notes know to rest.
        def hollow?(run, role, there, here)
          song, struck, bars = { "missing" => [@laid.reference, there, run.bars], "extra" => [@laid.attempt, here, run.bars.map { |bar| @laid.bars.fetch(bar) }] }[run.state]
          song && (struck.max < FAINT || rests?(song.told(role), bars))
        end

        def rests?(told, bars) = !told.nil? && told[bars.map { |bar| bar - 1 }, true].sum.zero?

        # In strokes a bar; a layer that is missing is as far off as all it plays, half as many again.
        def apart(state, there, here)
          strokes = (there - here).abs.sum
          (state == "pattern" ? [strokes, 1.1].max : [strokes * 1.5, 2.0].max).round(2)
        end

        def missing(role, where, there, _here)
          { words: "The #{role} #{Ethoscope::Layers::Role.in_words(role)[:is]} missing in #{where}.",
            how: ["Put the #{role} in: #{strokes(there)}.", "Copy the pattern from a section where yours already plays it."] }
        end

        def extra(role, where, _there, _here)
          { words: "Yours has #{role} in #{where} where the reference has none.", how: ["Take the #{role} out in #{where}."] }
        end

        def pattern(role, where, there, here)
          more, less = [here - there, there - here].map { |apart| places(apart) }
          how = [("Add strokes on #{less}." if less), ("Remove those on #{more}." if more)].compact
          { words: "The #{role} play#{Ethoscope::Layers::Role.in_words(role)[:s]} another pattern in #{where}.", how: how.empty? ? ["Play #{strokes(there)}."] : how }
        end

        def strokes(pattern) = places(pattern)&.then { |places| "on #{places}" } || "none"

        def places(pattern)
          steps = pattern.to_a.each_index.select { |step| pattern[step] > STRUCK }
          per_beat = @laid.reference.meter.steps_per_beat
          steps.empty? ? nil : steps.map { |step| Measures::Kinds.plain(1 + (step / per_beat.to_f)) }.join(", ")
        end
      end
    end
  end
end
