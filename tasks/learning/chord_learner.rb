# frozen_string_literal: true

module Learning
  # Learns the network of {Ethoscope::Harmony::ChordModel} from half beats whose chord is known: cross entropy, mini-batches,
  # a falling rate. It may go on from a table that was learnt from other songs, the slower for it.
  class ChordLearner
    Model = Ethoscope::Harmony::ChordModel
    HIDDEN = 24
    EPOCHS = 12
    BATCH = 512
    RATE = 0.01
    LATER_EPOCHS = 8
    LATER_RATE = 0.004
    PENALTY = 1e-4
    # Qualities that the truth knows beyond the model's, and what they count as.
    COUNTS_AS = { "maj(9)" => "maj", "9" => "7", "7(b9)" => "7", "maj9" => "maj7", "min9" => "min7", "sus4(b7)" => "sus4", "min6" => "min",
                  "minmaj7" => "min", "min(9)" => "min" }.freeze

    # @param song [Corpus::Song]
    # @return [Array] inputs [half beats, 12, inputs] and levels as binary strings, class of each half beat (-1: none of the model's)
    def self.measure(song)
      edges = half_beats(song.truth[:beats])
      notes = Ethoscope::Harmony::NoteActivation.of(song.features.spectra, edges)
      [Numo::SFloat.cast(Model.inputs(notes)).to_binary, Numo::SFloat.cast(notes.level).to_binary, classes(edges, song.truth)]
    end

    # The true beats, so that what is learnt of chords does not hang on what is known of bars; one more at each end for silence.
    def self.half_beats(beats)
      first = beats[0] - (beats[1] - beats[0])
      last = beats[-1] + (beats[-1] - beats[-2])
      [first.clamp(0, nil), *beats, last].uniq.each_cons(2).flat_map { |from, to| [from, (from + to) / 2] } + [last]
    end
    private_class_method :half_beats

    # @return [Array<Integer>] the class that fills most of each half beat
    def self.classes(edges, truth)
      edges.each_cons(2).map do |from, to|
        chord = truth[:chords].max_by { |span| [to, span[:end]].min - [from, span[:start]].max }
        heard = [to, chord[:end]].min - [from, chord[:start]].max
        heard.positive? ? class_of(chord[:label]) : class_of("N")
      end
    end

    # @param label [String] as the truth has it
    # @return [Integer] root * qualities + quality; -1 for a quality that is not learnt
    def self.class_of(label)
      return 12 * Model::QUALITIES.size if label.start_with?("N")

      root, quality = label.split("/").first.split(":")
      place = Model::QUALITIES.index(COUNTS_AS.fetch(quality || "maj", quality || "maj"))
      place ? (Ethoscope::Harmony::PitchClass.parse(root) * Model::QUALITIES.size) + place : -1
    end

    # @param measured [Array] what {measure} gave for each song
    # @param from [Ethoscope::Signal::WeightTable, nil] what was learnt before
    def initialize(measured, from: nil)
      @from = from
      kept = measured.map do |inputs, levels, classes|
        rows = Numo::SFloat.from_binary(inputs).reshape(classes.size, 12, Model::INPUTS.size)
        keep = classes.each_index.select { |i| classes[i] >= 0 }
        [rows[keep, true, true], Numo::SFloat.from_binary(levels)[keep], classes.values_at(*keep)]
      end
      @inputs = kept.map(&:first).reduce { |a, b| a.concatenate(b) }
      @levels = kept.map { |row| row[1] }.reduce { |a, b| a.append(b) }
      @classes = kept.flat_map(&:last)
    end

    # @return [Integer] half beats to learn from
    def size = @classes.size

    # @return [Ethoscope::Signal::WeightTable]
    def learn
      random = Random.new(0)
      weights = @from ? before : start(random)
      adam = Adam.new(weights, penalty: PENALTY)
      epochs, most = @from ? [LATER_EPOCHS, LATER_RATE] : [EPOCHS, RATE]
      epochs.times do |epoch|
        rate = most * 0.5 * (1 + Math.cos(Math::PI * epoch / epochs))
        (0...size).to_a.shuffle(random:).each_slice(BATCH) { |batch| adam.step(gradients(weights, batch), rate) }
      end
      table(weights)
    end

    private

    def start(random)
      draw = ->(rows, columns, scale) { Numo::DFloat.cast(Array.new(rows) { Array.new(columns) { random.rand(-1.7..1.7) * scale } }) }
      inputs = Model::INPUTS.size
      qualities = Model::QUALITIES.size
      { into: draw.call(inputs, HIDDEN, 1 / Math.sqrt(inputs)), bias: Numo::DFloat.zeros(HIDDEN), out: draw.call(HIDDEN, qualities, 0.1),
        direct: Numo::DFloat.zeros(inputs, qualities), quality_bias: Numo::DFloat.zeros(qualities), none: Numo::DFloat.zeros(3) }
    end

    def before
      units = @from.columns - Model::QUALITIES
      { into: @from.block(Model::INPUTS, units), bias: @from.block(["bias"], units)[0, true].dup, out: @from.block(units, Model::QUALITIES),
        direct: @from.block(Model::INPUTS, Model::QUALITIES), quality_bias: @from.block(["bias"], Model::QUALITIES)[0, true].dup,
        none: @from.block(["none"], Model::QUALITIES.first(3))[0, true].dup }
    end

    def gradients(weights, batch)
      count = batch.size
      rows = Numo::DFloat.cast(@inputs[batch, true, true])
      flat = rows.reshape(count * 12, Model::INPUTS.size)
      before = Numo::Linalg.dot(flat, weights[:into]) + weights[:bias]
      hidden = before.clip(0, nil)
      quiet = none_inputs(rows, batch)
      excess = belief(weights, flat, hidden, quiet, batch)
      of_chords = excess[true, 0...-1].dup.reshape(count * 12, Model::QUALITIES.size)
      of_hidden = Numo::Linalg.dot(of_chords, weights[:out].transpose.dup) * Numo::DFloat.cast(before.gt(0))
      { into: Numo::Linalg.dot(flat.transpose.dup, of_hidden), bias: of_hidden.sum(axis: 0), out: Numo::Linalg.dot(hidden.transpose.dup, of_chords),
        direct: Numo::Linalg.dot(flat.transpose.dup, of_chords), quality_bias: of_chords.sum(axis: 0),
        none: Numo::Linalg.dot(quiet.transpose.dup, excess[true, -1].dup) }
    end

    def none_inputs(rows, batch)
      levels = Numo::NMath.log(Numo::DFloat.cast(@levels[batch]) + Model::FAINT)
      Numo::DFloat.vstack([Numo::DFloat.ones(batch.size), levels, rows[true, 0, 12...24].max(axis: 1)]).transpose.dup
    end

    # Belief in every class less the truth, per half beat of the batch.
    def belief(weights, flat, hidden, quiet, batch)
      count = batch.size
      scores = Numo::DFloat.zeros(count, (12 * Model::QUALITIES.size) + 1)
      chords = Numo::Linalg.dot(flat, weights[:direct]) + Numo::Linalg.dot(hidden, weights[:out]) + weights[:quality_bias]
      scores[true, 0...-1] = chords.reshape(count, 12 * Model::QUALITIES.size)
      scores[true, -1] = Numo::Linalg.dot(quiet, weights[:none])
      odds = Numo::NMath.exp(scores - scores.max(axis: 1, keepdims: true))
      odds /= odds.sum(axis: 1, keepdims: true)
      batch.each_with_index { |item, i| odds[i, @classes[item]] -= 1 }
      odds / count
    end

    def table(weights)
      units = (1..weights[:bias].size).map { |unit| "hidden #{unit}" }
      blank = [nil] * units.size
      cells = Model::INPUTS.each_with_index.to_h { |name, i| [name, weights[:into][i, true].to_a + weights[:direct][i, true].to_a] }
      cells["bias"] = weights[:bias].to_a + weights[:quality_bias].to_a
      units.each_with_index { |name, i| cells[name] = blank + weights[:out][i, true].to_a }
      cells["none"] = blank + weights[:none].to_a
      Ethoscope::Signal::WeightTable.new(units + Model::QUALITIES, cells)
    end
  end
end
