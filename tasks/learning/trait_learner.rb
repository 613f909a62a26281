# frozen_string_literal: true

require "csv"
require_relative "../bench/ear"
require_relative "../bench/truth_vector"

module Learning
  # The tables of a profile: what other music is like, as the engine hears it off generated songs, and how often what it hears of a trait is so.
  class TraitLearner
    # Kinds of techniques whose truth the generator tells.
    JUDGED = Bench::Ear::JUDGED
    NAMELESS = /\A[A-Z]\z/
    # Figures are rightly heard within this of the truth.
    NEAR = 0.04

    # @param song [Corpus::Song]
    # @return [Hash] heard and truth (traits)
    def self.measure(song)
      heard = Ethoscope::Measures::Vector.of(Ethoscope::Analysis.of(features: song.features)).traits
      { heard:, truth: Ethoscope::Measures::SongTraits.of(Bench::TruthVector.new(song.truth).vector) }
    end

    # @param truth [Hash] traits; what it does not tell is left out
    # @return [Hash] the truth without what can't be told of this song
    def self.told(truth)
      names = truth["form.labels"].to_a.any? { |label| label.match?(NAMELESS) } ? truth.except("form.labels", "form.opening", "form.early_chorus") : truth
      names.reject { |id, _| id.start_with?("lines.") || (id.start_with?("mix.") && id != "mix.techniques") }
    end

    # @param songs [Array<Hash>] heard and truth (traits)
    def initialize(songs)
      @songs = songs
    end

    # @return [String] baseline.csv
    def baseline
      CSV.generate do |csv|
        csv << ["song", *traits.map(&:id)]
        @songs.each.with_index(1) { |song, number| csv << [number, *traits.map { |trait| song[:heard][trait.id].then { |value| value.nil? ? nil : Ethoscope::Profile::Baseline.cell(trait, value) } }] }
      end
    end

    # @return [String] reliability.csv
    def reliability
      CSV.generate do |csv|
        csv << %w[trait value right wrong missed neither]
        traits.each { |trait| rows(trait).each { |value, counts| csv << [trait.id, value, *counts] } }
      end
    end

    private

    def traits = Ethoscope::Measures::Traits.all

    def rows(trait)
      both = @songs.map { |song| [song[:heard][trait.id], self.class.told(song[:truth])[trait.id]] }.reject { |heard, truth| heard.nil? || truth.nil? }
      return figure(both) if trait.kind == :figure

      values = both.flatten(trait.kind == :set ? 2 : 1).uniq
      values &= JUDGED if trait.id == "mix.techniques"
      values.sort_by(&:to_s).to_h { |value| [value, counts(both.map { |pair| pair.map { |own| trait.kind == :set ? own.include?(value) : own == value } })] }
    end

    def figure(both)
      return {} if both.empty?

      right = both.count { |heard, truth| (Math.log2(heard / truth.to_f) - Math.log2(heard / truth.to_f).round).abs < NEAR }
      { nil => [right, both.size - right, 0, both.size] }
    end

    def counts(pairs) = [[true, true], [true, false], [false, true], [false, false]].map { |pair| pairs.count(pair) }
  end
end
