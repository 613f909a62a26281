# frozen_string_literal: true

module Ethoscope
  module Attempts
    module Finders
      # Techniques of the reference that the attempt does without, and such as both use by another amount. A technique that is seen in one song and not in the
      # other may have been overlooked there, so the sound of the very bars must say so too, where there is a sound that does. The way is our own.
      class Techniques
        # A sighting is looked for again when it is so sure; and may lie so many bars off.
        SURE = 0.76
        NEAR = 1
        # What the sound of the bars must say, by technique: how much of the strokes is left in a drop, and dB by which the top rises or opens.
        DROPPED = 0.45
        KEPT = 0.75
        RISES = 5.0
        OPENS = 5.0
        # A section that is dull in both songs, but by so much less here, is not filtered here.
        OPENS_WIDE = 10.0
        # Bars before, against which a drop is one.
        BEFORE = 4
        # No bar before this one has bars enough before it.
        FIRST = 4
        # Bands that a riser and an opening filter show in, and those that they stand against.
        TOP = 7..9
        HIGH = 6..9
        LOW = 0..3
        # The share of bars that are less bright stands for how bright a song is.
        BRIGHT = 0.75
        # Steps that are told.
        STEPS = 3
        # Figures of sightings: what they are called, their unit, and their tolerance.
        AMOUNTS = { depth_db: ["depth", "dB", 3.0], rises_by_db: ["rise", "dB", 8.0] }.freeze

        # @param laid [Laid]
        def initialize(laid)
          @laid = laid
        end

        # @return [Array<Difference>]
        def differences
          [*drops, *sighted("riser") { |sighting, again| again.nil? && riser?(sighting) }, *sighted("filtered_section") do |sighting, again|
            filtered?(sighting, again ? OPENS_WIDE : OPENS)
          end,
           *amounts]
        end

        private

        def songs = [@laid.reference, @laid.attempt]

        # Bars in which the kit falls silent there and plays on here, without a sighting: the strokes themselves tell.
        def drops
          there, here = songs.map { |song| strokes(song) }
          bars = (FIRST..@laid.reference.size).select { |bar| dropped?(there, bar) && (other = @laid.bars[bar]) && other >= FIRST && played_on?(here, other) }
          @laid.runs(bars).select { |_, last| border?(last + 1) }.map { |run| missing("drum_drop", run, 0.9) }
        end

        def border?(bar) = @laid.reference.borders.include?(bar) || bar == @laid.reference.size + 1

        def strokes(song) = Kit::ROLES.sum { |role| song.struck(role).sum(axis: 1) }.to_a

        def before(strokes, bar) = strokes[[bar - 1 - BEFORE, 0].max...(bar - 1)].max(2).sum / 2

        def dropped?(strokes, bar) = before(strokes, bar) > 2 && strokes[bar - 1] < DROPPED * before(strokes, bar)

        def played_on?(strokes, bar) = strokes[bar - 1] > KEPT * before(strokes, bar)

        def sighted(kind)
          seen(@laid.reference, kind).select { |sighting| sighting[:confidence] >= SURE && lies?(sighting) && yield(sighting, again(sighting)) }
                                     .map { |sighting| missing(kind, sighting.values_at(:first_bar, :last_bar), sighting[:confidence]) }
        end

        def seen(song, kind) = song.data[:techniques].select { |sighting| sighting[:kind] == kind }

        def lies?(sighting) = @laid.bars.key?(sighting[:first_bar]) && @laid.bars.key?(sighting[:last_bar])

        # The sighting of the same technique at the same place of the attempt.
        def again(sighting)
          first, last = sighting.values_at(:first_bar, :last_bar).map { |bar| @laid.bars.fetch(bar) }
          seen(@laid.attempt, sighting[:kind]).find { |other| other[:first_bar] <= last + NEAR && other[:last_bar] >= first - NEAR }
        end

        # How far the top rises towards the end of the last bar.
        def riser?(sighting)
          bar = sighting[:last_bar]
          rise(@laid.reference, bar) - rise(@laid.attempt, @laid.bars.fetch(bar)) > RISES
        end

        def rise(song, bar)
          beats = song.meter.beats
          curve = song.bands[true, true, TOP].mean(axis: 2).flatten
          stop = bar * beats
          return 0.0 if stop < 2 * beats

          curve[(stop - 2)...stop].mean - curve[(stop - (2 * beats))...(stop - beats)].mean
        end

        # How much brighter the attempt is there, each against its own bright bars.
        def filtered?(sighting, least)
          there = (sighting[:first_bar]..sighting[:last_bar]).to_a.select { |bar| @laid.bars.key?(bar) }
          opening(@laid.attempt, there.map { |bar| @laid.bars.fetch(bar) }) - opening(@laid.reference, there) > least
        end

        def opening(song, bars)
          every = song.bands[true, true, HIGH].mean(axis: [1, 2]) - song.bands[true, true, LOW].mean(axis: [1, 2])
          every[bars.map { |bar| bar - 1 }].mean - every.to_a.sort[(song.size * BRIGHT).floor.clamp(0, song.size - 1)]
        end

        def missing(kind, run, sure)
          entry = Ethoscope::Techniques::Library.entry(kind)
          Difference.of(kind: "technique_missing", measure: "techniques.technique", bars: [run], technique: kind, reference: entry.name, attempt: "not there", distance: 2, sure:,
            words: "#{capital(@laid.where([run]))}: missing “#{entry.name}”.", how: how_to(entry, run))
        end

        def capital(words) = "#{words[0].upcase}#{words[1..]}"

        # With the figures of the reference's sighting, in the tempo of the attempt.
        def how_to(entry, run)
          sighting = seen(@laid.reference, entry.kind).find { |one| one[:first_bar] <= run.last && one[:last_bar] >= run.first }
          sighting ||= { detail: {}, first_bar: run.first, last_bar: run.last }
          told = Ethoscope::Techniques::HowTo.new(bpm: @laid.alignment.attempt_bpm, key: @laid.attempt.analysis.key, meter: @laid.reference.meter, shift: @laid.semitones)
          told.steps(entry, sighting).first(STEPS)
        end

        def amounts
          @laid.reference.data[:techniques].select { |sighting| lies?(sighting) }.flat_map do |sighting|
            other = again(sighting) or next []
            AMOUNTS.filter_map { |name, (what, unit, tolerance)| amount(sighting, other, name, what, unit, tolerance) }
          end
        end

        def amount(sighting, other, name, what, unit, tolerance)
          there, here = [sighting, other].map { |one| one[:detail][name] }
          return nil unless there && here && (there - here).abs > tolerance

          run = sighting.values_at(:first_bar, :last_bar)
          words = [there, here].map { |value| "#{Readings::Words.signed(value)} #{unit}" }
          Difference.of(kind: "technique_amount", measure: "techniques.technique", bars: [run], technique: sighting[:kind], reference: words[0], attempt: words[1],
            distance: (there - here).abs.round(2), tolerance:, unit:, words: "#{sighting[:name]} in #{@laid.where([run])}: its #{what} is #{words[1]}, not #{words[0]}.",
            how: ["Set the #{what} to #{words[0]}."])
        end
      end
    end
  end
end
