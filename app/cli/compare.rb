# frozen_string_literal: true

require "json"

module Cli
  # One song laid against another: an attempt against its reference, or two versions of one song.
  class Compare
    # @param err [IO] what can't be used, a line each
    # @param progress [Progress, nil]
    # @param beside [Boolean] use NAME.stems and NAME.mid
    # @param wishes [Ethoscope::Attempts::Wishes]
    def initialize(err:, progress: nil, beside: false, wishes: Ethoscope::Attempts::Wishes.none)
      @err = err
      @progress = progress
      @beside = beside
      @wishes = wishes
    end

    # @param reference [String] a recording
    # @param attempt [String] another
    # @return [Array(Ethoscope::Attempts::SideBySide, Hash)] and what either had to be read again with
    # @raise [Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio]
    def of(reference, attempt)
      paths = { reference:, attempt: }
      features = {}
      first = paths.to_h { |which, path| [which, analysis(path) { |measured| features[which] = measured }] }
      one, other, said = Ethoscope::Attempts::Settling.settle(first[:reference], first[:attempt]) { |which, count| again(features[which], paths[which], count) }
      [Ethoscope::Attempts::SideBySide.new(one, other, wishes: @wishes), said]
    end

    # @param folder [String] songs
    # @param attempt [String] a recording
    # @return [Hash] how it stands to their style, each run that is too near to one song with its title
    # @raise [Ethoscope::Errors::UnreadableAudio, Ethoscope::Errors::UnusableAudio, Ethoscope::Errors::Unfit]
    def in_style(folder, attempt)
      theirs = SongFolder.new(folder, err: @err).analyses
      all = [analysis(attempt), *theirs.values]
      own, *songs = all.zip([Command.shown(attempt), *theirs.keys]).map { |one, title| Ethoscope::Profile::Song.new(title:, vector: Ethoscope::Measures::Vector.of(one)) }
      mine, *prints = all.map { |one| Ethoscope::Attempts::Prints.new(one) }
      near = Ethoscope::Attempts::TooNear.new(mine, prints).runs
      told = Ethoscope::Attempts::InStyle.new(own, songs, bpm: @wishes.bpm, near:).to_h
      { **told, near: told[:near].map { |run| { title: songs[run[:song]].title, **run.except(:song) } } }
    end

    private

    def analysis(path, &measured)
      Ethoscope::Analysis.of(Ethoscope::Audio::Decoder.new(path).decode, measured:, sources: sources(path)) { |stage, share| @progress&.at(stage, share) }
    end

    def again(features, path, count) = Ethoscope::Analysis.of(features:, corrections: Ethoscope::Corrections.of(**count), sources: sources(path))

    def sources(path) = @beside ? Beside.of(path, err: @err).method(:sources) : Ethoscope::Sources.none
  end
end
