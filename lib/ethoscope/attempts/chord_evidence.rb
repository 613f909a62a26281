# frozen_string_literal: true

module Ethoscope
  module Attempts
    # What speaks for another chord, bar by bar. The way is our own.
    class ChordEvidence
      NAMES = ["notes unlike", "bass unlike", "other name", "other root", "notes less like than elsewhere", "bass less like than elsewhere", "unsure"].freeze

      # The chord that fills most of a bar, how sure that is, and the share of the bar under each root and kind (maj or min).
      Heard = Value.of(:symbol, :shares, :sure)

      # @param laid [Laid]
      def initialize(laid)
        @songs = laid.songs
        @pairs = laid.bars.sort
        @semitones = laid.semitones
      end

      # @return [Array<Array(Integer, Integer)>] the bars of both, from 1, in the order of {#rows}
      attr_reader :pairs

      # @return [Numo::DFloat] shape [pairs, NAMES]
      def rows
        notes, bass = %i[treble bass].map { |part| alike(part) }
        usual = [notes, bass].map { |list| Signal::Middle.of(list) }
        Numo::DFloat.cast(@pairs.each_with_index.map do |bars, i|
          there, here = heard(bars)
          names = [shared(there.shares, here.shares), shared(roots(there), roots(here))]
          [1 - notes[i], 1 - bass[i], 1 - names[0], 1 - names[1], usual[0] - notes[i], usual[1] - bass[i], 1 - [there.sure, here.sure].min]
        end)
      end

      # @param bars [Array(Integer, Integer)]
      # @return [Array(Heard, Heard)] the chord of either; that of the attempt in its own key
      def heard(bars) = @songs.zip(bars).map { |song, bar| chord(song, bar) }

      private

      def alike(part)
        one, other = @songs.each_with_index.map { |song, i| unit(song.public_send(part)[@pairs.map { |bars| bars[i] - 1 }, true, true].mean(axis: 1)) }
        (one * other[true, Array.new(12) { |i| (i + @semitones) % 12 }]).sum(axis: 1).to_a
      end

      def unit(rows)
        centred = rows - rows.mean(axis: 1, keepdims: true)
        centred / Numo::NMath.sqrt((centred**2).sum(axis: 1, keepdims: true)).clip(Resemblance::TINY, nil)
      end

      def chord(song, bar)
        span = song.data[:bars][bar - 1].values_at(:start, :end)
        inside = song.chords_within(*span).map { |one| [one, ([one[:end], span[1]].min - [one[:start], span[0]].max) / (span[1] - span[0])] }
        most = inside.max_by(&:last)&.first
        shares = inside.each_with_object(Hash.new(0.0)) { |(one, share), sum| sum[root_and_kind(one[:label])] += share }
        Heard.new(symbol: most&.fetch(:symbol), shares:, sure: most&.fetch(:confidence) || 0.0)
      end

      def root_and_kind(label)
        root, kind = label.split("/").first.split(":")
        [Harmony::PitchClass.parse(root), kind.to_s.match?(/\A(?:min|dim|hdim)/) ? "min" : "maj"]
      end

      # The share of the bar in which both sound the same, the attempt's chords moved to where the reference's lie.
      def shared(there, here)
        there.sum { |(root, kind), share| [share, here.fetch([(root + @semitones) % 12, kind], 0.0)].min }
      end

      def roots(heard) = heard.shares.each_with_object(Hash.new(0.0)) { |((root, _), share), sum| sum[[root, nil]] += share }
    end
  end
end
