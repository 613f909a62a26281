# frozen_string_literal: true

module Ethoscope
  module Checklist
    # What is wanted of the new track although the songs whose style it is to have do not do so: no fault, but to be known before one begins. The way is our own.
    class Outside
      # A tempo is in the zone when it is no farther from it than so much of it.
      NEAR = 0.05

      # @param claims [Profile::Claims] of the songs
      # @param wanted [Hash] bpm and key
      def initialize(claims, wanted)
        @claims = claims.all
        @wanted = wanted
      end

      # @return [Array<Item>]
      def items = [tempo, mode].compact

      private

      def tempo
        zone = @claims.find { |claim| claim.trait == "time.tempo" } or return nil
        low, high = zone.value
        bpm = @wanted[:bpm] or return nil
        return nil if [0.5, 1, 2].any? { |factor| (bpm * factor).between?(low * (1 - NEAR), high * (1 + NEAR)) }

        item("The tempo lies outside the style", "#{Measures::Kinds.plain(bpm)} BPM",
          "#{zone.n} of #{zone.m} songs lie between #{low.round(1)} and #{high.round(1)} BPM, folded to where they are felt.")
      end

      def mode
        minor = @claims.find { |claim| claim.trait == "harmony.minor" } || @claims.find { |claim| claim.trait == "harmony.mode" }
        key = @wanted[:key]
        return nil if minor.nil? || key.nil? || minor?(minor) == key.minor?

        item("The mode lies outside the style", Readings::Words.signs(key.to_s),
          "#{minor.n} of #{minor.m} songs: #{minor.words[0].downcase}#{minor.words[1..]}.")
      end

      def minor?(claim) = claim.kind.kind == :fact ? claim.value : Harmony::Key.named("C", claim.value).minor?

      def item(title, target, step)
        Item.new(stage: Stages::Frame::NAME, title:, target:, tolerance: "by ear", targets: [], minutes: 3,
          steps: [step, "Keep it if you want it so; the rest of the list counts on it."],
          fallback: "", from: "profile", about: nil)
      end
    end
  end
end
