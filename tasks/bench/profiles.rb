# frozen_string_literal: true

require "etc"
require "json"
require "tmpdir"
require_relative "truth_vector"

module Bench
  # Profiles of a few generated songs of one style beside a few of another: how many of their statements are true by the songs' truth, and how many the
  # other style's profile does not make.
  class Profiles
    # Songs of a profile, and draws at most.
    SONGS = 4
    DRAWS = 24
    # By how much a figure's range may be missed.
    SLACK = 0.04

    # @param folder [String] songs with their truth, which names their style
    def initialize(folder)
      @folder = File.expand_path(folder)
    end

    # Prints each draw and the sums.
    def run
      styles = Dir.mktmpdir { |results| traits(results) }.group_by { |song| song[:style] }.select { |_, songs| songs.size >= SONGS }.transform_values { |songs| songs.first(SONGS) }
      draws = styles.keys.sort.combination(2).to_a.sample(DRAWS, random: Random.new(1))
      puts "| style | beside | statements | true | false | not judged | not shared |", "|---|---|---|---|---|---|---|"
      rows = draws.flat_map { |one, other| [row(styles, one, other), row(styles, other, one)] }
      rows.each { |row| puts "| #{row.values.join(" | ")} |" }
      summary(rows)
    end

    private

    def traits(results)
      ENV["OPENBLAS_NUM_THREADS"] ||= "1"
      Cli::Folder.new(@folder, results, jobs: Etc.nprocessors, err: File.open(File::NULL, "w")).analyse_all?
      Dir[File.join(results, "*.json")].map { |path| song(path) }
    end

    def song(path)
      truth = File.join(@folder, File.basename(path))
      vector = Ethoscope::Measures::Vector.of(Ethoscope::Analysis.from_h(JSON.parse(File.read(path), symbolize_names: true)))
      { style: JSON.parse(File.read(truth))["style"], heard: vector.traits,
        truth: Learning::TraitLearner.told(Ethoscope::Measures::SongTraits.of(TruthVector.read(truth))) }
    end

    def said(songs) = Ethoscope::Profile::Claims.new(songs.map { |song| song[:heard] }).said

    def row(styles, style, beside)
      claims = said(styles[style])
      others = said(styles[beside]).map(&:id)
      verdicts = claims.map { |claim| verdict(claim, styles[style].map { |song| song[:truth][claim.trait] }) }
      claims.zip(verdicts) { |claim, verdict| warn "#{style}: #{claim.words}, #{claim.n} of #{claim.m}, sure #{claim.sure}" if verdict == false } if ENV["WRONG"]
      { style:, beside:, statements: claims.size, right: verdicts.count(true), wrong: verdicts.count(false), unjudged: verdicts.count(nil),
        own: claims.count { |claim| !shared?(claim, styles[beside]) && !others.include?(claim.id) } }
    end

    # A figure's statement has no name of its own: it is shared when the other songs lie in its range too.
    def shared?(claim, songs) = claim.kind.kind == :figure && clear?(songs.map { |song| within?(claim, song[:heard][claim.trait]) })

    # nil where the truth does not tell.
    def verdict(claim, values)
      return nil if values.compact.empty? || (claim.trait == "mix.techniques" && !Ear::JUDGED.include?(claim.value))

      clear?(values.map { |value| value.nil? ? nil : held?(claim, value) })
    end

    def held?(claim, value)
      case claim.kind.kind
      when :figure then within?(claim, value)
      when :set then value.include?(claim.value)
      else value == claim.value
      end
    end

    def within?(claim, value)
      low, high = claim.value.minmax
      [0.5, 1, 2].any? { |factor| (factor == 1 || claim.trait == "time.tempo") && (value * factor).between?(low - (SLACK * low.abs), high + (SLACK * high.abs)) }
    end

    def clear?(verdicts) = verdicts.compact.then { |told| told.any? && told.count(true) >= Ethoscope::Profile::Claim::CLEAR * told.size }

    def summary(rows)
      right, wrong, unjudged = %i[right wrong unjudged].map { |name| rows.sum { |row| row[name] } }
      statements = rows.map { |row| row[:statements] }
      puts "", format("%<draws>d profiles of %<songs>d songs: %<share>.1f %% of %<judged>d judged statements true; %<unjudged>d have no truth", draws: rows.size, songs: SONGS,
        share: 100.0 * right / (right + wrong), judged: right + wrong, unjudged:)
      shares = rows.map { |row| 100.0 * row[:own] / row[:statements] }
      puts format("statements a profile: least %<least>d, middle %<middle>d; not shared with the other style: %<own>.0f %% in all, least %<lowest>.0f %%", least: statements.min,
        middle: statements.sort[statements.size / 2], own: 100.0 * rows.sum { |row| row[:own] } / statements.sum, lowest: shares.min)
    end
  end
end
