# frozen_string_literal: true

module Learning
  # Learns the curves of {Ethoscope::Layers::Activity}: a logistic regression a role over the bars of all songs.
  class LayerLearner
    STEPS = 800
    RATE = 0.05
    PENALTY = 0.002
    # A high line that stands out is a lead or a voice, and which of them the voice's own model says: of a lead only songs teach in which nobody sings.
    LIKE_A_VOICE = "lead"

    # @param song [Corpus::Song]
    # @return [Hash{String => Array}] by role: rows of features with 1.0 or 0.0 at the end, one a bar
    def self.measure(song)
      hearing = Ethoscope::Engine::Hearing.new(song.features)
      measured = Ethoscope::Layers::Activity.new(song.features.short, hearing.notes, hearing.grid, hearing.drums).rows
      bars = hearing.grid.bar_edges.each_cons(2).to_a
      sung = song.truth[:layers].any? { |layer| layer[:role] == Ethoscope::Layers::Voice::ROLE }
      measured.keys.to_h do |role|
        next [role, []] if sung && role == LIKE_A_VOICE

        names = Judge::ROLES.fetch(role)
        spans = song.truth[:layers].select { |layer| names.include?(layer[:role]) }.flat_map { |layer| layer[:spans] }
        [role, measured.fetch(role).zip(bars).map { |row, bar| [*row, playing?(spans, *bar) ? 1.0 : 0.0] }]
      end
    end

    def self.playing?(spans, start, finish)
      spans.sum { |from, to| [[to, finish].min - [from, start].max, 0].max } > (finish - start) / 2
    end
    private_class_method :playing?

    # @param measured [Array<Hash>] what {measure} gave for each song
    def initialize(measured)
      @rows = measured.first.keys.to_h { |role| [role, measured.flat_map { |song| song.fetch(role) }] }
    end

    # @return [Hash{String => Array<Float>}] bias and slopes by role
    def learn = @rows.transform_values { |rows| fit(Numo::DFloat.cast(rows)) }

    # @param curves [Hash{String => Array<Float>}]
    # @return [Hash{String => Float}] share of bars judged rightly, by role
    def accuracy(curves)
      @rows.to_h do |role, rows|
        matrix = Numo::DFloat.cast(rows)
        score = (with_bias(matrix) * Numo::DFloat[*curves.fetch(role)]).sum(axis: 1)
        [role, (Numo::DFloat.cast(score.gt(0)).eq(matrix[true, -1]).count_true.to_f / rows.size).round(3)]
      end
    end

    private

    def with_bias(matrix) = Numo::DFloat.ones(matrix.shape[0], 1).concatenate(matrix[true, 0...-1].dup, axis: 1)

    def fit(matrix)
      inputs = with_bias(matrix)
      wanted = matrix[true, -1].dup
      weights = Numo::DFloat.zeros(inputs.shape[1])
      momentum = weights.dup
      STEPS.times do
        belief = 1 / (1 + Numo::NMath.exp((inputs * weights).sum(axis: 1) * -1))
        gradient = Numo::Linalg.dot(inputs.transpose.dup, wanted - belief) / wanted.size
        momentum = (momentum * 0.9) + gradient - (weights * PENALTY)
        weights += momentum * RATE
      end
      weights.to_a.map { |weight| weight.round(3) }
    end
  end
end
