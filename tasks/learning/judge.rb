# frozen_string_literal: true

module Learning
  # Holds an analysis against the truth, statement by statement: [kind, stated confidence, share that is right].
  class Judge
    NEAR_TEMPO = 0.04
    NEAR_DOWNBEAT = 0.07
    NEAR_BOUNDARY = 0.5
    # Truth roles that each row of the sheet stands for.
    ROLES = { "kick" => %w[kick], "snare" => %w[snare], "hats" => %w[hats], "bass" => %w[bass], "chords" => %w[chords pad], "lead" => %w[lead],
              "vocal" => %w[vocal] }.freeze

    # @param analysis [Hash] the schema
    # @param truth [Hash] as the corpus has it
    def initialize(analysis, truth)
      @found = analysis
      @truth = truth
    end

    # @return [Array<Array(String, Float, Float)>]
    def statements = [*rhythm, *key, *chords, *sections, *layers]

    private

    def share(is) = is ? 1.0 : 0.0

    def rhythm
      return [] unless @found[:tempo][:bpm]

      [["tempo", @found[:tempo][:confidence], share(((@found[:tempo][:bpm] / @truth[:tempo_bpm]) - 1).abs <= NEAR_TEMPO)],
       ["meter", @found[:meter_confidence], share(@found[:meter] == @truth[:meter])],
       ["downbeats", @found[:downbeat_confidence], share(downbeats_right?)]]
    end

    def downbeats_right?
      hits = @found[:downbeats].count { |time| @truth[:downbeats].any? { |other| (other - time).abs < NEAR_DOWNBEAT } }
      hits > 0.8 * [@found[:downbeats].size, @truth[:downbeats].size].max
    end

    def key
      found = @found[:key] or return []
      tonic, mode = @truth[:keys].group_by { |key| key.values_at(:tonic, :mode) }.max_by { |_, keys| keys.sum { |key| key[:end] - key[:start] } }.first
      same = [found, { tonic:, mode: }].map { |one| Ethoscope::Harmony::Key.named(*one.values_at(:tonic, :mode)) }.map { |one| [one.pitch_class, one.minor?] }
      [["key", found[:confidence], share(same.uniq.size == 1)]]
    end

    # Root and third, over the time that the chord is said to sound.
    def chords
      @found[:chords].reject { |chord| chord[:label] == "N" }.map do |chord|
        right = @truth[:chords].sum do |other|
          common = [chord[:end], other[:end]].min - [chord[:start], other[:start]].max
          common.positive? && kin(other[:label]) == kin(chord[:label]) ? common : 0.0
        end
        ["chord", chord[:confidence], right / (chord[:end] - chord[:start])]
      end
    end

    def kin(label)
      root, quality = label.split("/").first.split(":")
      label.start_with?("N") ? nil : [Ethoscope::Harmony::PitchClass.parse(root), quality.to_s.start_with?("min", "dim", "hdim")]
    end

    def sections
      @found[:sections].drop(1).map do |section|
        ["section", section[:confidence], share(@truth[:sections].any? { |other| (other[:start] - section[:start]).abs < NEAR_BOUNDARY })]
      end
    end

    def layers
      @found[:layers].map do |layer|
        spans = @truth[:layers].select { |other| ROLES.fetch(layer[:role]).include?(other[:role]) }.flat_map { |other| other[:spans] }
        right = @found[:bars].each_with_index.count { |bar, i| (layer[:activity][i] >= 0.5) == playing?(spans, bar) }
        ["layer_#{layer[:role]}", layer[:confidence], right / @found[:bars].size.to_f]
      end
    end

    def playing?(spans, bar) = spans.sum { |from, to| [[to, bar[:end]].min - [from, bar[:start]].max, 0].max } > (bar[:end] - bar[:start]) / 2
  end
end
