# frozen_string_literal: true

require "json"

module Learning
  # Learns the networks of {Ethoscope::Attempts::Odds} from pairs of songs into which known differences were planted. Every pair teaches twice: what one song has and the
  # other has not is the other way round when they change places.
  class DifferenceLearner
    Odds = Ethoscope::Attempts::Odds
    HIDDEN = { drums: 16, bass: 8, chords: 4 }.freeze
    EPOCHS = 500
    PENALTY = 0.001
    SKIPPED = "skip"
    # What a planted difference is called seen from the other song.
    REVERSED = { "missing" => "extra", "extra" => "missing", "up" => "down", "down" => "up" }.freeze
    # Planted kinds as states.
    STATES = { "layer_missing" => "missing", "layer_extra" => "extra", "pattern" => "pattern", "bass_octave" => "up", "chord" => "chord" }.freeze

    # One pair: both analyses, counted alike, and what was planted.
    Pair = Ethoscope::Value.of(:reference, :attempt, :truth)

    # @param pairs [Array<Pair>]
    def initialize(pairs)
      @pairs = pairs
    end

    # @param name [Symbol] of {Ethoscope::Attempts::Odds::STATES}
    # @return [Ethoscope::Signal::WeightTable]
    def learn(name)
      rows = @pairs.flat_map { |pair| both_ways(pair, name) }.reject { |_, state| state == SKIPPED }
      inputs = Numo::DFloat.cast(rows.map(&:first))
      states = Odds::STATES.fetch(name).drop(1)
      targets = Numo::DFloat.cast(rows.map { |_, state| states.map { |one| one == state ? 1.0 : 0.0 } })
      middle = inputs.mean(axis: 0)
      spread = inputs.stddev(axis: 0) + 1e-6
      table = NetworkLearner.new((inputs - middle) / spread, targets, names: Odds.inputs(name), outputs: states, hidden: HIDDEN.fetch(name), epochs: EPOCHS, penalty: PENALTY).learn
      unscaled(table, middle, spread, Odds.inputs(name), HIDDEN.fetch(name))
    end

    private

    def both_ways(pair, name)
      songs = [pair.reference, pair.attempt].map { |analysis| Ethoscope::Attempts::Prints.new(analysis) }
      laid = Ethoscope::Attempts::Laid.new(*songs, Ethoscope::Attempts::Aligner.new(*songs).alignment, Ethoscope::Attempts::Wishes.none)
      back = laid.turned
      there = Odds.evidence(name, laid)
      here = Odds.evidence(name, back)
      there.zip(here).flat_map { |(row, bars, role), (turned, _, _)| state(pair, name, bars, role).then { |one| [[row, one], [turned, REVERSED.fetch(one, one)]] } }
    end

    # What was planted in all of these bars; skipped where it was in some of them, or where a technique was that changes what plays.
    def state(pair, name, bars, role)
      called = bars.map { |bar| state_of(pair, name, bar, role) }.uniq
      called.one? ? called.first : SKIPPED
    end

    def state_of(pair, name, bar, role)
      here = pair.truth[:differences].select { |difference| difference[:bars].any? { |first, last| bar.between?(first, last) } }
      return SKIPPED if name != :chords && here.any? { |difference| difference[:kind] == "technique_missing" }

      found = here.find { |difference| STATES.key?(difference[:kind]) && fits?(difference, name, role) }
      found ? STATES.fetch(found[:kind]) : "same"
    end

    def fits?(difference, name, role)
      case name
      when :chords then difference[:kind] == "chord"
      when :bass then difference[:role] == "bass" || difference[:kind] == "bass_octave"
      else difference[:role] == role
      end
    end

    # The same network for inputs as they are.
    def unscaled(table, middle, spread, names, hidden)
      units = (1..hidden).map { |unit| "hidden #{unit}" }
      into = table.block(names, units) / spread.reshape(names.size, 1)
      bias = table.block(["bias"], units)[0, true] - (into * middle.reshape(names.size, 1)).sum(axis: 0)
      outputs = table.columns - units
      cells = names.each_with_index.to_h { |name, i| [name, into[i, true].to_a] }
      cells["bias"] = bias.to_a + table.block(["bias"], outputs)[0, true].to_a
      units.each { |unit| cells[unit] = ([nil] * hidden) + table.block([unit], outputs)[0, true].to_a }
      Ethoscope::Signal::WeightTable.new(units + outputs, cells)
    end
  end
end
