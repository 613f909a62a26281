# frozen_string_literal: true

module Ethoscope
  module Stems
    # How the sounds of a stem begin and end: the mean course of the level around its onsets. The method is our own.
    class Envelope
      # Hertz in which a stem sounds.
      AUDIBLE = (30.0..12_000.0)
      # Onsets are measured against the strongest half per cent of frames.
      STRONGEST = 0.995
      # An attack ends where it reaches so much of its top, and begins where it left so little.
      TOP = 0.9
      FOOT = 0.2
      # A shape is the mean of what so many of the sounds reach.
      KNOWN = 0.1
      # An onset counts when it reaches this share of the strongest.
      ONSET = 0.3
      APART_SECONDS = 0.08
      BEFORE_SECONDS = 0.1
      AFTER_SECONDS = 1.2
      # The attack is over within this time.
      RISE_SECONDS = 0.4
      # Decay is over at this level under the top, in dB.
      GONE = -20.0
      # Words for attack, in ms, and for decay.
      ATTACKS = { 25 => "sharp", 70 => "soft" }.freeze
      DECAYS = { 180 => "short", 600 => "medium" }.freeze

      # @param features [Engine::Features] of the stem
      def initialize(features)
        @rate = features.short.rate
        @level = features.short.level(AUDIBLE)
        @onset = features.onset.total
      end

      # @return [Array<Float>] seconds at which sounds begin
      def onsets
        @onsets ||= begin
          curve = @onset.to_a
          floor = Signal::Series.percentile(@onset, STRONGEST) * ONSET
          found = Signal::Series.peaks(curve).select { |frame| curve[frame] > floor }
          apart = (APART_SECONDS * @rate).round
          found.each_with_object([]) { |frame, kept| kept.empty? || frame - kept.last >= apart ? kept << frame : nil }.map { |frame| frame / @rate }
        end
      end

      # @return [Hash, nil] attack_ms, decay_ms (nil when it does not die away within 1.2 s), attack and decay in words; nil without onsets
      def shape
        mean = course or return nil
        first = mean[0...[((BEFORE_SECONDS + RISE_SECONDS) * @rate).round, mean.size].min].to_a
        top = first.index { |value| value >= first.max * TOP }
        attack = ((top - (first[0..top].rindex { |value| value < first.max * FOOT } || 0)) * 1000 / @rate).round
        gone = mean[top..].to_a.index { |value| value < mean[top] * (10**(GONE / 20)) }
        decay = gone && (gone * 1000 / @rate).round
        { attack_ms: attack, decay_ms: decay, attack: word(ATTACKS, attack, "slow"), decay: decay ? word(DECAYS, decay, "long") : "held" }
      end

      private

      # Mean level from before onsets to the next one or the end of the window, less what sounded before.
      def course
        frames = onsets.map { |time| (time * @rate).round }
        before = (BEFORE_SECONDS * @rate).round
        after = (AFTER_SECONDS * @rate).round
        sums = Numo::DFloat.zeros(before + after)
        counts = Numo::DFloat.zeros(before + after)
        frames.each_with_index do |frame, i|
          stop = [frame + after, (frames[i + 1] || @level.size) - 2, @level.size].min
          next if frame < before || stop <= frame

          part = @level[(frame - before)...stop]
          sums[0...part.size] += part / [part.max, 1e-9].max
          counts[0...part.size] += 1
        end
        counts[before].positive? ? (sums / counts.clip(1, nil)).then { |mean| mean[(counts > counts.max * KNOWN).where] } : nil
      end

      def word(words, value, otherwise) = words.find { |limit, _| value <= limit }&.last || otherwise
    end
  end
end
