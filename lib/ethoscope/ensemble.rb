# frozen_string_literal: true

module Ethoscope
  # Stems and score laid over the beats of a song: who plays what, by the best source that tells it.
  class Ensemble
    # A step holds what is played this close to it, in steps.
    NEAR = 0.5
    # Stems are the whole mix when the sum of their energies lies within this of the mix's, in so many of the bars that are not quiet beside the loudest.
    WHOLE = (0.4..2.5)
    NEARLY_ALL = 0.9
    QUIET = 0.01
    # A note that comes so many beats early belongs to the chord that it is played for.
    EARLY_BEATS = 0.1

    # @return [Array<Stems::Sound>]
    attr_reader :sounds
    # @return [Midi::Placement, nil] nil without a score
    attr_reader :placement
    # @return [Array<Midi::Part>]
    attr_reader :parts

    # @param sources [Sources]
    # @param features [Engine::Features] of the mix
    # @param grid [Rhythm::BeatGrid]
    # @param swing [Rhythm::Swing, nil]
    # @param placement [Midi::Placement, nil] where the score lies, when that is known
    def initialize(sources, features, grid, swing, placement: nil)
      @score = sources.score
      @mix = features
      @grid = grid
      @sounds = sources.stems.map { |stem| Stems::Sound.new(stem, grid, swing) }
      @placement = placement || (@score && PlacementSearch.new(@score, features, grid, sources.place).placement)
      # A file of another song would tell of that one.
      @parts = @placement&.believable? ? Midi::Parts.of(@score, sources.roles).reject { |part| part.silent? && !sources.roles.key?(part.name) } : []
    end

    # @param drums [Rhythm::DrumSteps, nil] of the mix
    # @param bass [Array<Harmony::BassNote>] of the mix
    # @return [Array<Ensemble::Player>] with what the mix tells of other roles, where that is given
    def players(drums: nil, bass: [])
      return told if drums.nil? && bass.empty?

      Ensemble::Players.new(grid: @grid, drums:, bass:, sounds: playing, parts:, placement:).all.reject { |player| player.source == "mix" && silent_roles.include?(player.role) }
    end

    # @param mix [Array<Layers::Layer>] what the mix tells
    # @return [Array<Layers::Layer>] one for each part, the better source first for each role
    def layers(mix) = Layers::Roster.new(mix.reject { |layer| silent_roles.include?(layer.role) }, playing, parts, placement, @grid).layers

    # @return [Array<String>] roles that a mix tells and that no stem plays, where the stems together are the mix: nothing is said of them
    def silent_roles
      @silent_roles ||= whole? ? Layers::Activity::ROLES - told.map(&:role) - kit_in_one : []
    end

    # @param steps [Rhythm::StepGrid]
    # @return [Array<Rhythm::ToldStrokes>] of each piece of the kit that a stem or a score tells, one a layer
    def strokes(steps)
      players.select { |player| Layers::Role::STRUCK.include?(player.role) }.flat_map do |player|
        player.pieces.map { |piece, events| Rhythm::ToldStrokes.new(role: player.role, piece:, layer: player.pieces.size > 1 ? piece : player.name, source: player.source, velocity: velocities(events, steps)) }
      end
    end

    # @param heard [Array<Harmony::ChordRecognizer::Span>] what the mix tells
    # @return [Array<Harmony::ChordRecognizer::Span>] chords of the written notes over half beats, with what the mix tells as a rival where
    #   that is another chord; none without a score
    def chords(heard)
      return [] if parts.empty?

      by_half = heard.flat_map { |span| [span] * (span.last - span.first) }
      ChordReader.new(parts, placement, @grid).spans.map { |span| with_rival(span, by_half[span.first...span.last].to_a) }
    end

    # @param spans [Array<Harmony::ChordRecognizer::Span>]
    # @return [Array<Harmony::BassNote>] the bass that a score or a stem tells; none where neither does
    def bass(spans)
      told = players.find { |player| player.role == "bass" } or return []
      chords = spans.flat_map { |span| [span.chord] * (span.last - span.first) }
      told.events.select(&:pitch).filter_map { |event| bass_note(event, chords) }
    end

    # @param spans [Array<Harmony::ChordRecognizer::Span>]
    # @return [Array<Array<Integer>>] for each the written pitches that sound when it begins, low to high; empty without a score
    def voicings(spans)
      return [] if parts.empty?

      carriers = players.select { |player| player.source == "midi" && ChordReader::CARRIERS.include?(player.role) }
      spans.map { |span| pitches_at(carriers, (span.first / 2.0) - @grid.pickup) }
    end

    # @param role [String]
    # @return [String] the best source that tells of it
    def source_of(role) = players.find { |player| player.role == role }&.source || "mix"

    # @return [String] the best source that tells of any piece of the kit
    def drum_source = Rhythm::DrumSteps::PIECES.map { |piece| source_of(piece) }.max_by { |source| %w[mix stem midi].index(source) }

    # @param sections [Array<Form::Section>]
    # @param whole [Array<Float>] energy of the mix by bar
    # @return [Array<Hash>] what was measured on each stem
    def stems(sections, whole)
      kicks = players.select { |player| player.role == "kick" }.map(&:name)
      sounds.map { |sound| sound.to_h(sections:, whole:, ducked_by: kicks.first) }
    end

    # @return [Array<Corrections::SectionStart>] where the markers of a believable score begin sections; none with fewer than two
    def marked_sections
      return [] unless @placement&.believable?

      names = @score.markers.map { |marker| marker.text.strip }.reject(&:empty?)
      return [] if names.size < 2

      letters = names.map { |name| label(name) }.uniq.each_with_index.to_h { |name, i| [name, ("A".ord + (i % 26)).chr] }
      @score.markers.reject { |marker| marker.text.strip.empty? }.map do |marker|
        name = label(marker.text)
        Corrections::SectionStart.new(label: name, letter: letters.fetch(name), start: placement.seconds(marker.at).clamp(0.0, @grid.bar_edges.last))
      end
    end

    # @param sections [Array<Form::Section>]
    # @return [Hash, nil] what the score says and where it lies; nil without one
    def score(sections) = @score && Midi::ScoreFacts.new(@score, parts, placement, @grid, sections).to_h

    private

    # The pieces of a kit that one stem of all drums holds.
    def kit_in_one = sounds.any? { |sound| sound.role == Layers::Role::DRUMS } ? Layers::Role::STRUCK : []

    # Whether the stems together are about as loud as the mix, in nearly all bars.
    def whole?
      return false if sounds.empty?

      power = (@mix.field.left + @mix.field.right).sum(axis: 1)
      whole = @grid.bar_edges.each_cons(2).map { |from, to| power[@mix.field.frames(from, to)].mean }
      ratios = sounds.map { |sound| sound.loudness.energies }.transpose.map(&:sum).zip(whole).reject { |_, all| all < whole.max * QUIET }.map { |own, all| own / all }
      ratios.count { |ratio| WHOLE.cover?(ratio) } >= NEARLY_ALL * ratios.size
    end

    # "Verse 2" is a verse.
    def label(text) = text.strip.downcase.sub(/\s*\d+\z/, "").then { |name| name.empty? ? text.strip : name }[0, 40]

    def told = @told ||= Ensemble::Players.new(grid: @grid, sounds: playing, parts:, placement:).all

    # What sounds within the first quarter of a beat.
    def pitches_at(carriers, beat)
      carriers.flat_map { |player| player.events.select { |event| event.pitch && event.beat < beat + 0.25 && event.beat + event.beats > beat + 0.05 } }.map(&:pitch).uniq.sort
    end

    def with_rival(span, heard)
      other = heard.group_by(&:chord).max_by { |_, group| group.size }&.last&.first
      return span if other.nil? || other.chord == span.chord || other.chord.none?

      Harmony::ChordRecognizer::Span.new(**span.to_h, rivals: [[other.chord, other.confidence], *span.rivals].uniq(&:first).first(2))
    end

    # A return of a shared effect plays nothing itself.
    def playing = sounds.reject { |sound| sound.role == Layers::Role::RETURN }

    def velocities(events, steps)
      out = Numo::DFloat.zeros(steps.bars, steps.steps)
      events.each do |event|
        step = (event.beat * steps.per_beat).round
        bar, place = step.divmod(steps.steps)
        out[bar, place] = [out[bar, place], event.velocity.clamp(0.01, 1.0)].max if bar.between?(0, steps.bars - 1)
      end
      out
    end

    def bass_note(event, chords)
      chord = chords[((event.beat + EARLY_BEATS + @grid.pickup) * 2).floor] or return nil
      start, stop = [event.beat, event.beat + event.beats].map { |beat| @grid.seconds(beat).round(3) }
      Harmony::BassNote.new(pitch: event.pitch, beat: event.beat, beats: event.beats, start:, end: stop, tone: Harmony::BassLine.tone(event.pitch, chord), sure: 1.0)
    end
  end
end
