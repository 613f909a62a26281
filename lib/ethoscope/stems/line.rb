# frozen_string_literal: true

module Ethoscope
  module Stems
    # The notes of a stem that plays one at a time: they begin where its level rises, repeated ones too; the pitch of each is the strongest of the time up to
    # the next, its octave the lowest that has a fundamental
    # (onsets after Bello et al., "A tutorial on onset detection in music signals", IEEE TSAP 2005; pitches by {Harmony::NoteActivation} over the notes themselves).
    class Line
      # Hertz in which a stem sounds.
      AUDIBLE = (30.0..12_000.0)
      # An onset reaches this share of the strongest half per cent, and they are this far apart, in seconds.
      ONSET = 0.05
      STRONGEST = 0.995
      APART = 0.06
      # A note is read from so many seconds after its onset on.
      SETTLED = 0.03
      # A note counts when it reaches this share of the stem's strong notes.
      STRONG = 0.05
      STRONG_SHARE = 0.9
      # The same note anew (or an octave of it) needs a stronger onset and a rise of level: the rest is vibrato.
      REPEATED = 0.25
      RISE = 1.1
      # The octave below is meant when its fundamental reaches this share of the strongest; that above, when the note's own reaches less than this, which for a
      # bass is less, for its fundamental is weak.
      BELOW = 0.5
      ABOVE = { "bass" => 0.06 }.freeze
      ABOVE_USUALLY = 0.2
      OCTAVE = 0.3
      # A note ends where it falls under this share of its top.
      GONE = 0.1
      # Frames before and after an onset between which the level rises.
      BEFORE = (-5..-2)
      AFTER = (0..5)

      # A note: seconds in the stem's time from and to, MIDI pitch, and how hard it is struck, 0 to 1.
      Note = Value.of(:start, :end, :pitch, :velocity)

      # @param features [Engine::Features] of the stem
      # @param role [String]
      def initialize(features, role)
        @features = features
        @rate = features.short.rate
        @level = features.short.level(AUDIBLE)
        @onset = features.onset.total
        @above = ABOVE.fetch(role, ABOVE_USUALLY)
      end

      # @return [Array<Note>] in order
      def notes
        kept = heard
        hard = [Signal::Series.percentile(Numo::DFloat[*kept.map { |start, _| struck(start) }], STRONG_SHARE), 1e-9].max if kept.any?
        kept.each_with_index.map do |(start, pitch), i|
          stop = [kept[i + 1]&.first, @features.duration].compact.first
          Note.new(start:, end: fallen(start, stop), pitch:, velocity: (struck(start) / hard).clamp(0.05, 1.0).round(2))
        end
      end

      private

      # Moments and pitches of notes, what only wavers left out.
      def heard
        times = attacks
        return [] if times.size < 2

        pitches(times).each_with_object([]) do |(time, pitch), kept|
          kept << [time, pitch] unless kept.any? && ((kept.last.last - pitch) % 12).zero? && wavering?(time)
        end
      end

      # Of onsets that are too near each other the strongest.
      def attacks
        strong = Signal::Series.percentile(@onset, STRONGEST)
        Rhythm::Attacks.of(@onset, @rate).over(strong * ONSET).each_with_object([]) do |(time, height), kept|
          if kept.any? && time - kept.last.first < APART
            kept[-1] = [time, height] if height > kept.last.last
          else
            kept << [time, height]
          end
        end.map(&:first)
      end

      def wavering?(time)
        frame = (time * @rate).round
        strong = Signal::Series.percentile(@onset, STRONGEST)
        @onset[around(frame, -1..1)].max < strong * REPEATED || struck(time) / [@level[around(frame, BEFORE)].mean, 1e-9].max < RISE
      end

      def around(frame, frames) = (frame + frames.begin).clamp(0, @level.size - 1)..(frame + frames.end).clamp(0, @level.size - 1)

      def struck(time) = @level[around((time * @rate).round, AFTER)].max

      def pitches(times)
        edges = [*times.map { |time| time + SETTLED }, @features.duration + SETTLED]
        activation = Harmony::NoteActivation.of(@features.spectra, edges)
        rows = Numo::DFloat.cast(activation.activation) * Numo::DFloat.cast(activation.level).reshape(activation.size, 1)
        fundamentals = Numo::DFloat.cast(@features.spectra.means_between(edges))[true, 0...(3 * Harmony::NoteActivation::NOTES)]
                                   .reshape(activation.size, Harmony::NoteActivation::NOTES, 3).max(axis: 2)
        tops = rows.max(axis: 1)
        least = Signal::Series.percentile(tops, STRONG_SHARE) * STRONG
        times.each_index.reject { |i| tops[i] < least }.map { |i| [times[i], pitch(rows[i, true].to_a, fundamentals[i, true].to_a)] }
      end

      def pitch(row, fundamentals)
        top = row.index(row.max)
        loudest = fundamentals.max
        top += 12 if top + 12 < row.size && fundamentals[top] < @above * loudest && fundamentals[top + 12] >= OCTAVE * loudest
        top -= 12 if top >= 12 && fundamentals[top - 12] >= BELOW * loudest && row[top - 12].positive?
        top + Harmony::NoteActivation::LOWEST
      end

      def fallen(start, stop)
        frames = around((start * @rate).round, 0..((stop - start) * @rate).round)
        part = @level[frames]
        top = part.max_index
        gone = (part[top..] < part[top] * GONE).where.to_a.first
        gone ? [start + ((top + gone) / @rate), stop].min : stop
      end
    end
  end
end
