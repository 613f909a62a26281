# frozen_string_literal: true

module Ethoscope
  # What one run of the engine says of one recording: plain frozen data in the schema that command line, interface, store
  # and front end share (docs/schema.md).
  class Analysis
    # Changes when results may change, so that stored analyses say what made them.
    ENGINE_VERSION = "0.8.0"

    # The one way from a recording to an analysis: whoever wants one comes through here. What was measured of a recording once is enough to derive
    # from again, with what a person has put right since.
    #
    # @param recording [Audio::Recording, nil] nil when its features are known
    # @param features [Engine::Features, nil] what an earlier run measured
    # @param corrections [Corrections] what a person has put right
    # @param sources [Sources, #call] stems and a score, or what gives them for the features of the mix
    # @param measured [#call, nil] is given the features when they were measured now
    # @yieldparam stage [Symbol] one of Engine::Pipeline::STAGES; from :rhythm on where the features are known
    # @yieldparam share [Float] how much of the work is done, 0 to 1
    # @return [Analysis]
    # @raise [Errors::UnusableAudio] when the recording is silent
    def self.of(recording = nil, features: nil, corrections: Corrections.none, sources: Sources.none, measured: nil, &progress)
      unless features
        features = Engine::Features.of(recording) { |stage| progress&.call(stage, Engine::Pipeline::STAGES.fetch(stage)) }
        measured&.call(features)
      end
      Engine::Pipeline.new(features, corrections, sources: sources.respond_to?(:call) ? sources.call(features) : sources, &progress).analysis
    end

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
