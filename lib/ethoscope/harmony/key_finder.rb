# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Ranks the 24 major and minor keys by what chords do in them, by the notes that sound, and by where phrases rest;
    # then names the mode (chord-based key finding after Noland & Sandler, ISMIR 2006; profiles from Temperley,
    # "What's key for key?", Music Perception 1999).
    class KeyFinder
      # One key with its share of the belief.
      Candidate = Value.of(:key, :odds)

      # How at home a chord is on each semitone over the tonic: [major or dominant, minor or diminished].
      AT_HOME = {
        "major" => [[1.0, -0.6], [-0.5, -0.6], [-0.1, 0.5], [-0.1, -0.5], [-0.1, 0.4], [0.8, 0.0],
                    [-0.5, -0.3], [0.75, -0.1], [0.0, -0.5], [-0.1, 0.6], [0.3, -0.5], [-0.3, 0.1]],
        "minor" => [[-0.3, 1.0], [0.0, -0.6], [-0.4, 0.2], [0.5, -0.5], [-0.5, -0.5], [0.2, 0.75],
                    [-0.5, -0.3], [0.45, 0.45], [0.65, -0.5], [-0.4, -0.1], [0.6, -0.3], [-0.4, -0.1]]
      }.freeze
      PROFILES = {
        "major" => [5.0, 2.0, 3.5, 2.0, 4.5, 4.0, 2.0, 4.5, 2.0, 3.5, 1.5, 4.0],
        "minor" => [5.0, 2.0, 3.5, 4.5, 2.0, 4.0, 2.0, 4.5, 3.5, 2.0, 3.0, 2.5]
      }.freeze
      CHORD_WEIGHT = 1.0
      PROFILE_WEIGHT = 0.7
      REST_WEIGHT = 0.9
      EDGE_WEIGHT = 0.3
      # An unusual mode must hold this much more than plain major or minor.
      MODE_RESERVE = 0.03
      # Chords against notes when the mode is named.
      MODE_CHORDS = 0.4
      # Turns score differences into odds.
      SHARPNESS = 7.0

      # @param spans [Array<ChordRecognizer::Span>] over half beats
      # @param chroma [Numo::DFloat] shape [12], all sound
      # @param rests [Array<Integer>] half beats at which a phrase starts
      def initialize(spans, chroma, rests)
        @spans = spans.reject { |span| span.chord.none? }
        @chroma = chroma
        @rests = rests
      end

      # @return [Array<Candidate>] best first; odds add up to one; empty when no chord sounds
      def candidates
        return [] if @spans.empty?

        keys = (0..11).flat_map { |tonic| %w[major minor].map { |mode| Key.new(pitch_class: tonic, mode:) } }
        scores = keys.map { |key| score(key) * SHARPNESS }
        weights = scores.map { |value| Math.exp(value - scores.max) }
        keys.zip(weights).sort_by { |_, weight| -weight }.map do |key, weight|
          Candidate.new(key: with_mode(key), odds: (weight / weights.sum).round(3))
        end
      end

      private

      def score(key)
        (CHORD_WEIGHT * chords_at_home(key)) + (PROFILE_WEIGHT * profile_match(key)) +
          (REST_WEIGHT * rest_share(key)) + (EDGE_WEIGHT * edges(key))
      end

      def chords_at_home(key)
        table = AT_HOME.fetch(key.mode)
        total = @spans.sum { |span| span.last - span.first }
        @spans.sum do |span|
          table[(span.chord.root - key.pitch_class) % 12][span.chord.minor? ? 1 : 0] * (span.last - span.first)
        end / total.to_f
      end

      def profile_match(key)
        profile = Numo::DFloat[*PROFILES.fetch(key.mode).rotate(-key.pitch_class)]
        a = profile - profile.mean
        b = @chroma - @chroma.mean
        (a * b).sum / Math.sqrt([(a**2).sum * (b**2).sum, 1e-12].max)
      end

      # The share of phrase starts whose chord is the tonic of this key.
      def rest_share(key)
        return 0.0 if @rests.empty?

        @rests.count do |half_beat|
          tonic?(@spans.find do |span|
            half_beat >= span.first && half_beat < span.last
          end, key)
        end / @rests.size.to_f
      end

      def edges(key)
        [@spans.first, @spans.last].count { |span| tonic?(span, key) } / 2.0
      end

      # A blues tonic is a dominant seventh and counts as major.
      def tonic?(span, key)
        span && span.chord.root == key.pitch_class && span.chord.minor? == key.minor?
      end

      # Of the scales with this third, the one that holds most of what sounds and most of the chords.
      def with_mode(key)
        modes = key.minor? ? ["minor", "dorian", "phrygian", "harmonic minor"] : %w[major mixolydian lydian]
        best = modes.max_by do |mode|
          candidate = Key.new(pitch_class: key.pitch_class, mode:)
          scale_share(candidate) + (MODE_CHORDS * chord_share(candidate)) + (mode == key.mode ? MODE_RESERVE : 0.0)
        end
        Key.new(pitch_class: key.pitch_class, mode: best)
      end

      def scale_share(key)
        squares = (@chroma - @chroma.min)**2
        squares[key.scale].sum / [squares.sum, 1e-9].max
      end

      # The share of the time in which all notes of the chord are in the scale.
      def chord_share(key)
        scale = key.scale
        total = @spans.sum { |span| span.last - span.first }
        @spans.sum { |span| (span.chord.pitch_classes - scale).empty? ? span.last - span.first : 0 } / total.to_f
      end
    end
  end
end
