# frozen_string_literal: true

module Ethoscope
  module Techniques
    # Noise that swells up to a section and stops there: the quiet moments of the highest registers rise through the last bar, over all that
    # the section had before, and fall again with the first bar of the next one. The method is our own.
    class Rises
      # How sure a rise is at the least, by judgement.
      SURE = 0.6
      # What is reached in a twentieth of the time is loudest.
      LOUDEST = 0.95
      # What a part reaches in a tenth of its time is usual for it.
      USUAL_TOP = 0.9
      # From low to high, in Hz.
      REGISTERS = [500.0..1500.0, 1500.0..4000.0, 4000.0..7000.0, 7000.0..11_000.0].freeze
      # The moments of a half beat that count as quiet.
      QUIET = 0.2
      # How far the top stands over what was before and after, in dB; how far the register under it may stay behind; and which share of the
      # steps goes up.
      OVER_DB = 7.0
      BELOW_DB = -1.5
      CLIMBS = 0.6
      # A filter that opens over noise drops out of its lower registers towards the end; a swell does not, in dB.
      SWELL_DB = -0.5
      # One rise: the section it leads to, the half beat at which it begins, how far it stands out, and how its lower register ends.
      Rise = Value.of(:section, :first, :half, :over_db, :ends_db)

      # @param scene [Scene]
      def initialize(scene)
        @scene = scene
        @halves = scene.bar_beats * 2
        edges = scene.grid.half_beat_edges.drop(2 * scene.grid.pickup)
        @floors = REGISTERS.map { |range| floors(range, edges) }
      end

      # @return [Array<Rise>]
      def list = @list ||= @scene.sections.drop(1).filter_map { |section| before(section) }

      # @param rise [Rise]
      # @return [Boolean] true for a swell of one sound, false for a sweep
      def swell?(rise) = rise.ends_db > SWELL_DB

      # @param rise [Rise]
      # @param kind [String]
      # @return [Sighting]
      def sighting(rise, kind)
        last = (rise.half - 1).div(@halves)
        bars = ([rise.first.div(@halves), last].min + 1)..(last + 1)
        start = @scene.grid.half_beat_edges[(2 * @scene.grid.pickup) + rise.first]
        @scene.sighting(kind, bars, start:, confidence: SURE + (rise.over_db / 60), evidence: evidence(rise),
          detail: { beats: ((rise.half - rise.first) / 2.0).round(1), rises_by_db: rise.over_db.round(1) })
      end

      private

      def evidence(rise)
        shown = [rise.half - (4 * @halves), 0].max
        @scene.evidence("quiet moments above 7 kHz, by half beat", @floors.last[shown...[rise.half + @halves, @floors.last.size].min].to_a, unit: "dB",
          threshold: @floors.last[shown...(rise.half - (2 * @halves))].to_a.max, first_bar: shown.div(@halves) + 1, step: 1.0 / @halves)
      end

      def floors(range, edges)
        short = @scene.features.short
        level = short.level(range)
        loud = [Signal::Series.percentile(level, LOUDEST), 1e-9].max
        Numo::DFloat[*edges.each_cons(2).map do |from, to|
          quiet = Signal::Series.percentile(level[Signal::Series.frames(from, to, short.rate, short.size)], QUIET)
          20 * Math.log10((quiet / loud) + 1e-3)
        end]
      end

      def before(section)
        half = @scene.beats_in(section).begin * 2
        return nil if half < 2 * @halves || half + 2 > @floors.first.size

        body = [half - (6 * @halves), 0].max...[half - (2 * @halves), 1].max
        under, top = @floors.last(2).map { |floor| over(floor, body, half) }
        climbing = steps_up(@floors.last, half)
        return nil unless top >= OVER_DB && under > BELOW_DB && climbing >= CLIMBS

        first = half - length(body, half)
        Rise.new(section:, first:, half:, over_db: top, ends_db: ending([first, half - @halves].min, half))
      end

      # How far the last beat stands over the loud part of the body and over the bar after.
      def over(floor, body, half)
        last = floor[(half - 2)...half].mean
        after = Signal::Series.percentile(floor[half...[half + @halves, floor.size].min].dup, 0.5)
        [last - Signal::Series.percentile(floor[body].dup, USUAL_TOP), last - after].min
      end

      def steps_up(floor, half) = floor[(half - @halves)...half].to_a.each_cons(2).count { |a, b| b > a - 0.5 } / (@halves - 1.0)

      # Half beats for which the top stays over the body.
      def length(body, half)
        usual = Signal::Series.percentile(@floors.last[body].dup, USUAL_TOP)
        [(1..(2 * @halves)).take_while { |back| @floors.last[half - back] > usual + 2 }.size, 1].max
      end

      def ending(first, half)
        course = @floors[1][first...half].to_a
        (course.last(2).sum / 2) - (course[0...-2].max || course.last)
      end
    end
  end
end
