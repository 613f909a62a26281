# frozen_string_literal: true

require "etc"
require "json"

module Cli
  # What the songs of a folder share, beside those of another folder or beside the generated songs that ship.
  class Styles
    # @param folder [String] sound files, or analyses as `ethoscope analyze --out` writes them
    # @param err [IO] one line a file
    # @param against [String, nil] another such folder
    # @param json [Boolean]
    # @param jobs [Integer] worker processes
    def initialize(folder, err:, against: nil, json: false, jobs: Etc.nprocessors)
      @folder = folder
      @err = err
      @against = against
      @json = json
      @jobs = jobs
    end

    # @return [String]
    # @raise [Ethoscope::Errors::Unfit] when a folder holds no song
    def to_s
      songs = songs(@folder)
      builder = Ethoscope::Profile::Builder.new(songs, baseline:)
      return json(songs, builder) if @json

      ["#{songs.size} songs, beside #{baseline.songs.size} #{baseline.name}", "", *builder.claims.said.map { |claim| line(claim) }].join("\n")
    end

    private

    # What is said, and all that is measured, in a line each.
    def json(songs, builder)
      JSON.pretty_generate({ songs: songs.map(&:title), baseline: { name: baseline.name, songs: baseline.songs.size }, statements: builder.claims.said.map(&:to_h),
                             measures: builder.measures })
    end

    def line(claim)
      elsewhere = claim.elsewhere ? format("%<share>3d %% elsewhere", share: (claim.elsewhere * 100).round) : ""
      note = { "few" => ", too few songs to tell", "common" => ", as in most music", "own" => "" }.fetch(claim.standing)
      format("%<n>2d of %<m>-3d %<words>-60s %<elsewhere>s%<note>s", n: claim.n, m: claim.m, words: claim.words, elsewhere:, note:)
    end

    def baseline
      @baseline ||= @against ? Ethoscope::Profile::Baseline.new(Command.shown(@against), songs(@against).map(&:traits)) : Ethoscope::Profile::Baseline.shipped
    end

    def songs(folder)
      SongFolder.new(folder, err: @err, jobs: @jobs).analyses.map { |title, analysis| Ethoscope::Profile::Song.new(title:, vector: Ethoscope::Measures::Vector.of(analysis)) }
    end
  end
end
