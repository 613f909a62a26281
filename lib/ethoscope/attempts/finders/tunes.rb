# frozen_string_literal: true

module Ethoscope
  module Attempts
    module Finders
      # Pitched layers that stems or notes of both songs tell: left out, added, moved by octaves, or with other notes. The way is our own.
      class Tunes
        BASS = "bass"
        # Stems and notes leave little to doubt.
        SURE = 0.95
        SAID = {
          missing: ["layer_missing", "layers.plays", "The %<role>s %<is>s missing in %<where>s.", "Put the %<role>s in, in %<where>s.", "plays", "rests"],
          extra: ["layer_extra", "layers.plays", "Yours has %<role>s in %<where>s where the reference has none.", "Let the %<role>s rest in %<where>s.", "rests", "plays"],
          moved: ["register", "lines.register", "The %<role>s lie%<s>s %<far>s in %<where>s.", "Move the %<role>s back in %<where>s.", "its octave", "%<far>s"],
          other: ["line", "lines.notes", "The %<role>s play%<s>s other notes in %<where>s: %<share>s of them are not those of the reference.",
                  "Compare its notes with those of the sheet, bar by bar, in %<where>s.", "its notes", "%<share>s others"]
        }.freeze
        # A layer that is gone, and one that is moved by an octave, in tolerances of their measures.
        GONE = 3.0
        REGISTER = 3.0

        # @param laid [Laid]
        # @param except [Hash{String => Array<Integer>}] see {ToldLines}
        def initialize(laid, except: {})
          @laid = laid
          @lines = ToldLines.new(laid, except:)
        end

        # @return [Boolean] whether both tell the bass, so that it need not be heard
        def bass? = @lines.roles.include?(BASS)

        # @return [Array<Difference>]
        def differences = @lines.roles.flat_map { |role| of_role(role) }

        private

        def of_role(role)
          told = @lines.states(role).reject { |state, _, _| state == :same }
          told.group_by { |state, by, _| [state, by] }.map { |(state, by), group| difference(role, state, by, group.map(&:last)) }
        end

        def difference(role, state, by, pieces)
          kind, measure, words, how, reference, attempt = SAID.fetch(state)
          runs = @laid.runs(pieces.flat_map { |piece| piece.reference.map { |bar| bar + 1 } })
          share = @lines.apart(role, pieces)
          said = { **Ethoscope::Layers::Role.in_words(role), where: @laid.where(runs), far: octaves(by), share: "#{(share * 100).round} %" }
          distance, tolerance, unit = size(state, by, share)
          octave = role == BASS && state == :moved
          Difference.of(kind: octave ? "bass_octave" : kind, measure:, bars: runs, role: octave ? nil : role, distance:, tolerance:, unit:, sure: SURE,
            words: format(words, **said), how: [format(how, **said)], reference:, attempt: format(attempt, **said))
        end

        def size(state, moved, share)
          return [moved.abs, REGISTER, "semitones"] if state == :moved

          state == :other ? [share.round(3), Measures::Registry.fetch("lines.notes").exact, "of 1"] : [GONE, 1.0, ""]
        end

        def octaves(moved) = "#{moved.abs == 12 ? "an octave" : "two octaves"} #{moved.positive? ? "higher" : "lower"}"
      end
    end
  end
end
