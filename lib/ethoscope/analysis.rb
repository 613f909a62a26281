# frozen_string_literal: true

module Ethoscope
  # What one run of the engine says of one recording: plain frozen data in the schema that command line, interface, store
  # and front end share (docs/schema.md).
  class Analysis
    # Changes when results may change, so that stored analyses say what made them.
    ENGINE_VERSION = "0.3.1"

    # @param recording [Audio::Recording]
    # @param corrections [Corrections] what a person has put right
    # @yieldparam stage [Symbol] one of Pipeline::STAGES
    # @yieldparam share [Float] how much of the work is done, 0 to 1
    # @return [Analysis]
    # @raise [Errors::UnusableAudio] when the recording is silent
    def self.of(recording, corrections = Corrections.none, &progress)
      features = Features.of(recording) { |stage| progress&.call(stage, Pipeline::STAGES.fetch(stage)) }
      Pipeline.new(features, corrections, &progress).analysis
    end

    # Derives everything again from what was measured once, with what a person has put right.
    #
    # @param features [Features]
    # @param corrections [Corrections]
    # @param sources [Sources] stems and a score, where there are any
    # @yieldparam stage [Symbol] one of Pipeline::STAGES, from :rhythm on
    # @yieldparam share [Float] how much of the work is done, 0 to 1
    # @return [Analysis]
    def self.derived(features, corrections, sources = Sources.none, &) = Pipeline.new(features, corrections, sources:, &).analysis

    # @param data [Hash] as {#to_h} gives it, keys strings or symbols; of this engine or an older one
    # @return [Analysis]
    def self.from_h(data) = new(Schema::Upgrade.of(Plain.symbolized(data)))

    # @param data [Hash] symbol keys, in the schema
    def initialize(data)
      @data = Plain.frozen(data)
      freeze
    end

    # @return [Hash] the whole schema, frozen
    def to_h = @data

    # @param name [Symbol] a part of the schema, such as :tempo
    # @return [Object]
    # @raise [KeyError] when the schema has no such part
    def fetch(name) = @data.fetch(name)

    # @return [Integer] number of bars
    def bars = @data.fetch(:bars).size

    # @return [Harmony::Key, nil] nil when no chord sounds
    def key
      found = @data.fetch(:key)
      found && Harmony::Key.named(found[:tonic], found[:mode])
    end

    def ==(other) = other.is_a?(Analysis) && to_h == other.to_h
  end
end
