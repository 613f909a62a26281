# frozen_string_literal: true

module Ethoscope
  # What an analysis could not tell. Beats, chords and sections carry everything else; whatever stands beside them may fail without
  # taking the song with it: the fault is kept here with its place, and its part of the analysis stays empty.
  #
  #   gaps = Gaps.new
  #   gaps.beside("lead lines", []) { raise "odd" } # => []
  #   gaps.list.first.what                          # => "lead lines"
  class Gaps
    # One thing that could not be told: what it is in words, why in words (nil where it is a fault of the engine), and the fault
    # with its place (nil where it is none).
    Gap = Value.of(:what, :reason, :fault)
    ROOT = File.expand_path("..", __dir__)

    # @return [Array<Gap>] in the order in which they came about
    attr_reader :list

    def initialize
      @list = []
    end

    # @param what [String] what is worked out, in words
    # @param otherwise [Object] what stands in its place when that fails
    # @yieldreturn [Object]
    # @return [Object]
    def beside(what, otherwise)
      yield
    rescue StandardError => e
      @list << Gap.new(what:, reason: nil, fault: "#{e.class} at #{place(e)}: #{e.message.lines.first.to_s.strip[0, 200]}")
      otherwise
    end

    # Keeps that something a person asked for could not be done.
    #
    # @param what [String]
    # @param reason [String] in words
    def told(what, reason) = @list << Gap.new(what:, reason:, fault: nil)

    private

    # The file and line of the core in which it was raised.
    def place(error)
      line = error.backtrace.to_a.find { |candidate| candidate.start_with?(ROOT) } || error.backtrace.to_a.first.to_s
      line.delete_prefix("#{ROOT}/")[/\A[^:]+:\d+/] || "an unknown place"
    end
  end
end
