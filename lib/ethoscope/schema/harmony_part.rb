# frozen_string_literal: true

module Ethoscope
  class Schema
    # Tuning, key, chords and loops.
    class HarmonyPart
      # Where nobody knows the key, what is heard as chords may be none: they are up to this much less sure, by judgement.
      KEYLESS = 0.15

      # @param findings [Engine::Findings]
      # @param confidence [Engine::Confidence]
      def initialize(findings, confidence)
        @found = findings
        @confidence = confidence
        @edges = findings.grid.half_beat_edges
      end

      # @return [Hash]
      def to_h
        tuning = @found.features.tuning
        { tuning_cents: tuning.cents,
          tuning: { cents: tuning.cents, confidence: tuning.confidence, a4: (440 * (2**(tuning.cents / 1200))).round(1), histogram: tuning.histogram },
          key: key_part, pitch_classes:, chords:, loop: @found.parts.loop&.described(key), loops:,
          cadences: @found.parts.cadences }
      end

      private

      def loops = @found.parts.loops.map { |letters, loop| loop.described(key).merge(letters:) }

      def keys = @found.parts.keys

      def key = keys.key

      def key_part
        return nil if keys.candidates.empty?

        best, *rest = keys.candidates.map { |candidate| named(candidate.key).merge(odds: candidate.odds) }
        named(key).merge(confidence: confidence_of_key, signature: key.signature, rivals: rivals(best, rest),
          scale: key.scale.map { |note| key.spell(note) }, pentatonic: keys.pentatonic,
          stretches: keys.stretches.map { |stretch| named(stretch.key).merge(stretch.to_h.except(:key)) },
          outside: @found.parts.outside.map { |note| { note: key.spell(note.pitch_class), share: note.share, bars: note.bars } })
      end

      def named(key) = { tonic: key.tonic, mode: key.mode }

      # When a person has set another key, the engine's first choice is a rival.
      def rivals(best, rest)
        others = (best.slice(:tonic, :mode) == named(key) ? rest : [best, *rest]).first(5)
        @confidence.beside(confidence_of_key, others.map { |other| KeyRival.new(**other, tonic: beside(other)) }).map(&:to_h)
      end

      KeyRival = Value.of(:tonic, :mode, :odds)
      private_constant :KeyRival

      def confidence_of_key = @confidence.of(:key, keys.confidence)

      # A key on the same tonic keeps its name: beside A flat major stands A flat minor.
      def beside(other) = Harmony::PitchClass.parse(other[:tonic]) == key.pitch_class ? key.tonic : other[:tonic]

      def pitch_classes
        all, bass = [@found.count.hearing.recognizer.treble, @found.count.hearing.recognizer.bass].map { |chroma| shares(chroma.mean(axis: 0)) }
        { all:, bass: }
      end

      def shares(row)
        squares = row**2
        (squares / [squares.sum, 1e-9].max).to_a.map { |share| share.round(4) }
      end

      def chords
        @found.chords.spans.each_with_index.map { |span, i| chord(span, following(i)).merge(written: written(@found.chords.voicings[i] || [])) }
      end

      # Names with octaves, middle C being C4.
      def written(pitches) = pitches.map { |pitch| "#{key.spell(pitch % 12)}#{(pitch / 12) - 1}" }

      # Degrees count from the key that holds in their bar.
      def key_in(bar)
        return key if keys.stretches.size < 2

        keys.stretches.find { |stretch| bar.between?(stretch.first_bar, stretch.last_bar) }&.key || key
      end

      # The next chord that sounds.
      def following(index) = @found.chords.spans.drop(index + 1).map(&:chord).reject(&:none?).first

      def chord(span, following)
        bar, beat = @found.grid.place(span.first)
        key = key_in(bar)
        degree = Harmony::Degree.of(span.chord, key)
        function = Harmony::Function.of(span.chord, key, following)
        { start: @edges[span.first].round(5), end: @edges[span.last].round(5), label: span.chord.label(key), symbol: span.chord.symbol(key),
          degree: degree&.numeral, borrowed_from: degree&.borrowed_from, function: function&.kind, function_of: function&.of,
          confidence: sureness(span), rivals: span.rivals.map { |chord, odds| { symbol: chord.symbol(key), odds: } },
          bar:, beat:, beats: (span.last - span.first) / 2.0 }
      end

      def sureness(span)
        key_sure = keys.candidates.empty? ? 0.0 : @confidence.of(:key, keys.confidence)
        (@confidence.of(:chord, span.confidence) * (1 - (KEYLESS * (1 - key_sure)))).round(3)
      end
    end
  end
end
