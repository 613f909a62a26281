# frozen_string_literal: true

module Ethoscope
  module Checklist
    # Rows of a profile as things to do, each about its claim and with how many songs have it, and where something measures it a target as
    # wide as the songs spread. The way is our own.
    module FromClaims
      STAGES = { "Tempo" => "Tempo and key", "Meter" => "Tempo and key", "Feel" => "Tempo and key", "Key" => "Tempo and key", "Harmony" => "Chords and bass",
                 "Bass" => "Chords and bass", "Lead" => "Chords and bass", "Drums" => "Groove", "Who plays" => "Arrangement", "Arrangement" => "Arrangement",
                 "Form" => "Arrangement", "Technique" => "Techniques", "Mix" => "Mix", "Words" => "Frame" }.freeze
      MINUTES = 10
      # Measures whose value is the figure itself, or stands under a name.
      FIGURES = { "time.tempo" => :bpm, "time.length" => nil, "time.duration" => nil, "mix.loudness" => nil, "mix.width" => nil }.freeze
      WORDS = %w[time.meter form.usual_length].freeze

      # @param claims [Array<Profile::Claim>]
      # @return [Array<Item>]
      def self.items(claims) = claims.map { |claim| item(claim) }

      def self.item(claim)
        targets = [target(claim)].compact
        Item.new(stage: STAGES.fetch(claim.kind.aspect), title: claim.words, target: "as in #{claim.n} of #{claim.m} songs",
          tolerance: targets.any? ? targets.first.tolerance_words : "by ear",
          targets:, minutes: MINUTES, steps: [], fallback: "", from: "profile", about: "claim:#{claim.id}")
      end
      private_class_method :item

      def self.target(claim)
        id = claim.kind.measure
        return nil unless id && (FIGURES.key?(id) || WORDS.include?(id)) && Measures::Registry.known?(id)

        value, tolerance = claim.kind.kind == :figure ? middle(claim, FIGURES[id]) : [claim.value, Measures::Registry.fetch(id).style]
        return nil if !WORDS.include?(id) && claim.kind.kind != :figure

        Measures::Target.new(measure: id, place: Measures::Place.song, value:, tolerance:, source: "profile", confidence: claim.sure, holds: [claim.n, claim.m])
      end
      private_class_method :target

      # The middle of the range, and how far it spreads.
      def self.middle(claim, field)
        low, high = claim.value
        value = ((low + high) / 2.0).round(2)
        [field ? { field => value } : value, [((high - low) / 2.0).round(2), Measures::Registry.fetch(claim.kind.measure).style].max]
      end
      private_class_method :middle
    end
  end
end
