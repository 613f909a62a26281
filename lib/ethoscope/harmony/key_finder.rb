# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Ranks the keys of a recording, names the mode, and finds where the key changes. The method is our own.
    class KeyFinder
      # One key with its share of the belief.
      Candidate = Value.of(:key, :odds)
      # A key that holds from one bar to another (from 1, both inclusive).
      Stretch = Value.of(:key, :first_bar, :last_bar, :confidence)

      # Modes that the model does not know are told from their neighbours by one note: mode, the note that it has, the one
      # that its neighbour has in its place.
      REFINED = { "major" => ["lydian", 6, 5], "minor" => ["harmonic minor", 11, 10] }.freeze
      # The telling note must be this many times as strong as the one that it replaces, and have this share of the sound: where a song uses neither, neither tells.
      TELLING = 4.0
      HEARD = 0.04
      # Scale degrees that a pentatonic scale leaves out, and the share of sound under which they are silent.
      LEFT_OUT = { "major" => [5, 11], "mixolydian" => [5, 10], "minor" => [2, 8], "dorian" => [2, 9], "phrygian" => [1, 8] }.freeze
      SILENT = 0.012
      # Price of a change of key between sections, in natural log units of odds; moving by a single sharp or flat is more often
      # a colour than a change.
      CHANGE_PRICE = 8.0
      NEAR_PRICE = 22.0
      # Belief of a whole section against that price.
      SECTION_BELIEF = 2.0
      CANDIDATES = 6

      # @param evidence [KeyEvidence]
      # @param balance [Numo::DFloat] shape [12], how much each pitch class sounds
      # @param model [KeyModel]
      def initialize(evidence, balance, model: KeyModel.shipped)
        @evidence = evidence
        @squares = (balance - balance.min)**2
        @model = model
        @odds = model.odds(evidence.rows)
      end

      # @return [Array<Candidate>] best first; the belief in all modes with the same third decides on the tonic
      def candidates
        ranked = (0..11).to_a.product(KeyModel::MODES.each_index.to_a).sort_by { |tonic, mode| [-family(tonic, mode), -@odds[tonic, mode]] }
        first = ranked.first
        rest = ranked.drop(1).sort_by { |tonic, mode| -@odds[tonic, mode] }
        [first, *rest].first(CANDIDATES).map { |tonic, mode| Candidate.new(key: refined(key(tonic, mode)), odds: @odds[tonic, mode].round(3)) }
      end

      # @return [Float] belief in the tonic and third of the first candidate, whatever the mode
      def confidence
        tonic, mode = (0..11).to_a.product(KeyModel::MODES.each_index.to_a).max_by { |pair| family(*pair) }
        family(tonic, mode).round(3)
      end

      # @param key [Key]
      # @return [Boolean] true when the two degrees that its pentatonic scale leaves out are silent
      def pentatonic?(key)
        left_out = LEFT_OUT[key.mode] or return false
        left_out.all? { |step| share(key, step) < SILENT }
      end

      # Keys that share their notes are told apart over the whole recording only.
      #
      # @param ranges [Array<Range<Integer>>] half beats of each section
      # @param bars [Array<Range<Integer>>] bars of each section, from 1
      # @return [Array<Stretch>] keys in order; one when the key never changes
      def stretches(ranges, bars)
        rows = ranges.map { |range| log_odds_by_signature(range) }
        path = best_path(rows)
        runs = path.each_index.slice_when { |a, b| path[a] != path[b] }
        runs.map { |run| stretch(run, path, rows, bars) }
      end

      private

      # How much of the sound is the note so many semitones over the tonic.
      def share(key, step) = @squares[(key.pitch_class + step) % 12] / [@squares.sum, 1e-9].max

      def key(tonic, mode) = Key.new(pitch_class: tonic, mode: KeyModel::MODES[mode])

      def family(tonic, mode)
        minor = key(tonic, mode).minor?
        KeyModel::MODES.each_index.sum { |other| key(tonic, other).minor? == minor ? @odds[tonic, other] : 0.0 }
      end

      def refined(key)
        name, own, neighbour = REFINED[key.mode]
        return key unless name

        telling, replaced = [own, neighbour].map { |step| share(key, step) }
        telling > TELLING * replaced && telling > HEARD ? Key.new(pitch_class: key.pitch_class, mode: name) : key
      end

      # A scale's place on the circle of fifths, 0 to 11, whatever its tonic.
      def place(key) = ((key.pitch_class * 7) + Key::SIGNATURE_SHIFT.fetch(key.mode)) % 12

      def log_odds_by_signature(range)
        odds = @model.odds(@evidence.rows(range))
        sums = Numo::DFloat.zeros(12)
        (0..11).each { |tonic| KeyModel::MODES.each_index { |mode| sums[place(key(tonic, mode))] += odds[tonic, mode] } }
        Numo::NMath.log(sums + 1e-6) * SECTION_BELIEF
      end

      # Viterbi over sections.
      def best_path(rows)
        total = rows.first.to_a
        back = rows.drop(1).map do |row|
          from = (0..11).map { |to| (0..11).max_by { |place| total[place] - price(place, to) } }
          total = (0..11).map { |to| total[from[to]] - price(from[to], to) + row[to] }
          from
        end
        state = total.each_with_index.max[1]
        back.reverse.each_with_object([state]) { |from, path| path.unshift(state = from[state]) }
      end

      def price(from, to)
        apart = (to - from) % 12
        case [apart, 12 - apart].min
        when 0 then 0.0
        when 1 then NEAR_PRICE
        else CHANGE_PRICE
        end
      end

      def stretch(run, path, rows, bars)
        state = path[run.first]
        odds = Numo::NMath.exp(rows[run.first..run.last].sum.then { |sum| sum - sum.max })
        Stretch.new(key: at_place(state), first_bar: bars[run.first].begin, last_bar: bars[run.last].end, confidence: (odds[state] / odds.sum).round(2))
      end

      # The recording's own key, moved to where its notes are these.
      def at_place(state)
        home = candidates.first.key
        semitones = ((state - place(home)) * 7) % 12
        home.transpose(semitones)
      end
    end
  end
end
