# frozen_string_literal: true

module Ethoscope
  module Attempts
    # Two recordings of one song are two witnesses of its count. Where they count it differently, what both make likely decides; the reference's own count leads
    # unless both together speak against it clearly. Says what either is to be read again with. The way is our own.
    class Settling
      # How much likelier both must make another count than the reference's.
      CLEARLY = 4.0
      # What was not among the candidates is not impossible.
      UNLIKELY = 0.005
      # Tempi whose ratio is this near to one of RELATED are the same tempo counted otherwise.
      RELATED = [2.0, 0.5, 1.5, 2 / 3.0, 4.0, 0.25].freeze
      NEAR = 0.11
      # A candidate within this share of a tempo is that tempo.
      SAME_TEMPO = 0.02
      # A bar of which so much is cut off by the beginning of the file is still one.
      PARTLY = 0.25
      # Where music repeats, a bar that is over at the beginning may seem to be over some bars later.
      BEGINNING = 5
      # Bars of the attempt that begin some beats later must fit this much better.
      BETTER = 0.06

      # Reads both again as far as that is needed for their bars to be counted alike.
      #
      # @param reference [Analysis]
      # @param attempt [Analysis]
      # @yieldparam which [Symbol] :reference or :attempt
      # @yieldparam said [Hash] bpm, meter and first_downbeat, as far as they are another
      # @yieldreturn [Analysis] that song with what was said
      # @return [Array(Analysis, Analysis, Hash)] both, and what was said of either
      def self.settle(reference, attempt)
        said = new(reference, attempt).count
        reference = yield(:reference, said[:reference]) if said[:reference]
        attempt = yield(:attempt, said[:attempt]) if said[:attempt]
        new(reference, attempt).first_downbeats.each do |which, first|
          said[which] = { **said.fetch(which, {}), first_downbeat: first }
          again = yield(which, said[which])
          which == :attempt ? attempt = again : reference = again
        end
        [reference, attempt, said]
      end

      # @param reference [Analysis]
      # @param attempt [Analysis]
      # @param leads [Boolean] whether the reference's count holds, whatever both together make likely
      def initialize(reference, attempt, leads: false)
        @reference = reference
        @attempt = attempt
        @leads = leads
      end

      # @return [Hash{Symbol => Hash}] :reference and :attempt, each with bpm and meter as far as they are to be read again; empty where nothing is
      def count
        ours, theirs = [@reference, @attempt].map { |analysis| analysis.fetch(:tempo)[:bpm] }
        found = { reference: {}, attempt: {} }
        settle_tempo(found, ours, theirs) if ours && theirs
        settle_meter(found)
        found.reject { |_, said| said.empty? }
      end

      # @return [Hash{Symbol => Float}] seconds of a first beat of :attempt or of :reference under which their bars are counted alike; empty where they are
      def first_downbeats
        return {} unless @reference.fetch(:meter) == @attempt.fetch(:meter) && @attempt.bars > 1

        alignment = Aligner.new(prints, Prints.new(@attempt)).alignment
        late = latest(alignment.semitones)
        return { attempt: late } if late
        return {} unless alignment.laid?

        { attempt: one?(alignment.cut) ? before(@attempt) : nil,
          reference: one?(alignment.added) && !@leads ? before(@reference) : nil }.compact
      end

      private

      def prints = @prints ||= Prints.new(@reference)

      def beats = Rhythm::Meter.named(@attempt.fetch(:meter)).beats

      # The relation of both counts, unless they are the same.
      def settle_tempo(found, ours, theirs)
        relation = RELATED.min_by { |ratio| Math.log(theirs / ours / ratio).abs }
        return if Math.log(theirs / ours / relation).abs > NEAR || Math.log(theirs / ours).abs < Math.log(theirs / ours / relation).abs

        as_reference = odds(@reference, ours) * odds(@attempt, theirs / relation)
        as_attempt = odds(@reference, ours * relation) * odds(@attempt, theirs)
        other?(as_reference, as_attempt) ? found[:reference][:bpm] = (ours * relation).round(2) : found[:attempt][:bpm] = (theirs / relation).round(2)
      end

      def other?(as_reference, as_attempt) = !@leads && as_attempt > CLEARLY * as_reference

      def odds(analysis, bpm)
        analysis.fetch(:tempo)[:candidates].select { |one| ((one[:bpm] / bpm) - 1).abs < SAME_TEMPO }.map { |one| one[:odds] }.max || UNLIKELY
      end

      def settle_meter(found)
        ours, theirs = [@reference, @attempt].map { |analysis| analysis.fetch(:meter) }
        return if ours == theirs

        joint = [ours, theirs].to_h { |name| [name, meter_odds(@reference, name) * meter_odds(@attempt, name)] }
        other?(*joint.values_at(ours, theirs)) ? found[:reference][:meter] = theirs : found[:attempt][:meter] = ours
      end

      def meter_odds(analysis, name) = analysis.fetch(:meters).find { |one| one[:name] == name }&.fetch(:odds) || UNLIKELY

      # How alike the songs are when every bar of the attempt begins so many beats later.
      def fit(late, shift)
        played = Prints.new(@attempt)
        played = Late.new(played, late) unless late.zero?
        matrix = Resemblance.new(prints, played).matrix(shift)
        pairs = Path.new(matrix - Aligner::WORTH, prints.borders).pairs.select(&:all?)
        pairs.empty? ? 0.0 : pairs.sum { |one, other| matrix[one - 1, other - 1] } / [prints.size, played.size].min
      end

      # Seconds of the beat on which the bars of the attempt fit those of the reference clearly better than on their own first.
      def latest(shift)
        fits = (0...beats).to_h { |late| [late, fit(late, shift)] }
        best = fits.max_by { |late, fit| [fit, -late] }.first
        best.zero? || fits[best] < fits[0] + BETTER ? nil : moment(best)
      end

      # Whether a single bar is over near the beginning: one that was not counted in the other song.
      def one?(runs) = runs.one? && runs.first.size == 1 && runs.first.first <= BEGINNING

      # Where a bar before the first one would begin, if enough of it sounds.
      def before(analysis)
        bars = analysis.fetch(:bars)
        length = bars[1][:end] - bars[1][:start]
        start = bars[0][:start] - length
        start > -PARTLY * length ? start.round(4) : nil
      end

      def moment(late)
        bar = @attempt.fetch(:bars).first
        (bar[:start] + ((bar[:end] - bar[:start]) * late / beats)).round(4)
      end
    end
  end
end
